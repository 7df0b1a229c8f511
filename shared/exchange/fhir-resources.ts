import type { Coding } from './fhir-codes'

/* What of HL7 FHIR R4 a record needs: https://hl7.org/fhir/R4. */

export interface Extension {
  url: string
  valueString?: string
  valueBoolean?: boolean
  valueInteger?: number
}
export interface Reference {
  reference?: string
  display?: string
}
export interface Observation {
  resourceType: 'Observation'
  id?: string
  status?: string
  code?: { coding?: Coding[]; text?: string }
  method?: { coding?: Coding[]; text?: string }
  subject?: Reference
  effectiveDateTime?: string
  performer?: Reference[]
  device?: Reference
  valueQuantity?: { value?: number; unit?: string; system?: string; code?: string }
  valueString?: string
  hasMember?: Reference[]
  derivedFrom?: Reference[]
  note?: { text: string }[]
  extension?: Extension[]
}
export interface Patient {
  resourceType: 'Patient'
  id?: string
  name?: { text?: string; family?: string; given?: string[] }[]
  gender?: string
  birthDate?: string
  extension?: Extension[]
}
export interface Practitioner {
  resourceType: 'Practitioner'
  id?: string
  active?: boolean
  name?: { text?: string }[]
  extension?: Extension[]
}
export interface Device {
  resourceType: 'Device'
  id?: string
  deviceName?: { name: string; type: string }[]
  type?: { text: string }
  extension?: Extension[]
}
export type Resource = Observation | Patient | Practitioner | Device
export interface Bundle {
  resourceType: 'Bundle'
  type: string
  timestamp?: string
  entry?: { fullUrl?: string; resource?: Resource }[]
}

export const isBundle = (data: unknown): data is Bundle =>
  typeof data === 'object' &&
  data !== null &&
  (data as { resourceType?: unknown }).resourceType === 'Bundle'

/** The unit that each kind of reading has in a bundle. */
export const UNIT_OF = {
  skinfold: 'mm',
  girth: 'cm',
  breadth: 'cm',
  length: 'cm',
  mass: 'kg',
  height: 'cm',
} as const
