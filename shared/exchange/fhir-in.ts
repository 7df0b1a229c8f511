import {
  CM_PER_INCH,
  isIsoDate,
  KG_PER_POUND,
  LANDMARK_STANDARDS,
  methodIn,
  MM_PER_INCH,
  say,
  type IsoDate,
  type LandmarkStandard,
  type LeftOut,
  type OtherMethod,
  type SiteId,
  kindOfSite,
  CONVERSION_IDS,
  INSTRUMENT_KINDS,
} from '../../core/index'
import {
  EXCHANGE_FORMAT,
  EXCHANGE_VERSION,
  exchangeClientSchema,
  type Exchange,
} from '../contract/exchange'
import { LOINC, LOINC_CODES, LOINC_GIRTH, OAK, OAK_EXTENSION, siteOfCode } from './fhir-codes'
import {
  UNIT_OF,
  type Bundle,
  type Extension,
  type Observation,
  type Patient,
  type Reference,
  type Resource,
} from './fhir-resources'
import type { Making } from './of-file'
import { refusedFile } from './workbook'

/* A bundle of FHIR R4 as a record: ours as it was handed out, others as far as they have codes that are known. */

const textIn = (extensions: Extension[] | undefined, name: string): string | undefined =>
  extensions?.find(({ url }) => url === `${OAK_EXTENSION}${name}`)?.valueString

const valueIn = (extensions: Extension[] | undefined, name: string) =>
  extensions?.find(({ url }) => url === `${OAK_EXTENSION}${name}`)

function jsonIn(extensions: Extension[] | undefined, name: string): unknown {
  const text = textIn(extensions, name)
  if (text === undefined) return undefined
  try {
    return JSON.parse(text)
  } catch {
    return undefined
  }
}

/** In millimeters, centimeters or kilograms by UCUM's units. */
const FACTORS: Record<'mm' | 'cm' | 'kg', Record<string, number>> = {
  mm: { mm: 1, cm: 10, '[in_i]': MM_PER_INCH },
  cm: { cm: 1, mm: 0.1, m: 100, '[in_i]': CM_PER_INCH, '[ft_i]': 12 * CM_PER_INCH },
  kg: { kg: 1, g: 0.001, '[lb_av]': KG_PER_POUND },
}
const TYPED = {
  mm: 'mm',
  cm: 'cm',
  m: 'm',
  '[in_i]': 'in',
  kg: 'kg',
  '[lb_av]': 'lb',
  g: 'kg',
} as const

const idOf = ({ reference }: Reference = {}) => reference?.split(/[/:]/).at(-1)

class BundleReader {
  readonly left: LeftOut[] = []
  private readonly resources: Resource[]
  private readonly ids = new Map<string, string>()

  constructor(
    bundle: Bundle,
    private readonly making: Making,
  ) {
    this.resources = (bundle.entry ?? []).flatMap(({ resource }) => resource ?? [])
  }

  /** Ids of ours are kept, those of others are given one of ours. */
  private idFor(id: string | undefined): string {
    if (id !== undefined && UUID.test(id)) return id.toLowerCase()
    const key = id ?? ''
    if (key !== '' && this.ids.has(key)) return this.ids.get(key)!
    const made = this.making.newId()
    if (key !== '') this.ids.set(key, made)
    return made
  }

  read(at: string): Exchange {
    const of = <T extends Resource['resourceType']>(type: T) =>
      this.resources.filter(
        (one): one is Extract<Resource, { resourceType: T }> => one.resourceType === type,
      )
    const observations = of('Observation').filter(({ derivedFrom }) => !derivedFrom?.length)
    const people = of('Practitioner').map(({ id, name, active, extension: more }) => ({
      ...{ id: this.idFor(id), name: name?.[0]?.text ?? 'Practitioner', retired: active === false },
      skill: textIn(more, 'skill') === 'novice' ? ('novice' as const) : ('trained' as const),
    }))
    const unnamed = {
      id: this.making.newId(),
      name: this.making.words.untoldTester,
      skill: 'trained' as const,
      retired: true,
    }
    const testers = new Set(people.map(({ id }) => id))
    let isUnnamed = false
    const testerOf = (performers: Reference[] | undefined) => {
      const id = this.idFor(idOf(performers?.[0]))
      if (performers?.[0] && testers.has(id)) return id
      isUnnamed = true
      return unnamed.id
    }
    const instruments = of('Device').map(({ id, deviceName, type, extension: more }) => ({
      id: this.idFor(id),
      kind: INSTRUMENT_KINDS.find((kind) => kind === type?.text) ?? ('caliper' as const),
      name: deviceName?.[0]?.name ?? 'Device',
      graduation: Number(textIn(more, 'graduation') ?? NaN) || null,
      jaws: (textIn(more, 'jaws') as 'spring' | undefined) ?? null,
      ...{ checkEveryDays: 180, retired: false, checks: [] },
    }))
    const bySubject = new Map<string, Observation[]>()
    for (const one of observations) {
      const subject = this.idFor(idOf(one.subject))
      const mine = bySubject.get(subject)
      if (mine) mine.push(one)
      else bySubject.set(subject, [one])
    }
    const clients = of('Patient').flatMap((patient, i) => {
      const read = this.clientOf(patient, bySubject.get(this.idFor(patient.id)) ?? [], testerOf)
      const parsed = exchangeClientSchema.safeParse(read)
      if (parsed.success) return [parsed.data]
      this.left.push({
        sheet: '',
        row: i + 1,
        reason: say('exchange.patientNotRead', { name: nameIn(patient) }),
      })
      return []
    })
    return {
      ...{ format: EXCHANGE_FORMAT, version: EXCHANGE_VERSION, exportedAt: at, ownProtocols: [] },
      ...{ people: isUnnamed ? [...people, unnamed] : people, instruments, clients },
    }
  }

  private clientOf(
    patient: Patient,
    observations: Observation[],
    testerOf: (of: Reference[] | undefined) => string,
  ): unknown {
    const { gender, birthDate } = patient
    const members = new Map<string, string>()
    const panels = observations.filter((one) => one.hasMember?.length)
    for (const panel of panels)
      for (const one of panel.hasMember!) members.set(this.idFor(idOf(one)), panel.id ?? '')
    const free = observations.filter(
      (one) => !one.hasMember?.length && !members.has(this.idFor(one.id)),
    )
    const checkIns = panels.flatMap((panel) =>
      this.checkInOf(
        panel,
        observations.filter(({ id }) => members.get(this.idFor(id)) === (panel.id ?? '')),
        testerOf,
      ),
    )
    const byDay = new Map<IsoDate, Observation[]>()
    const [weighIns, heights, notes]: [unknown[], unknown[], unknown[]] = [[], [], []]
    const otherResults: unknown[] = []
    for (const one of free) {
      const date = one.effectiveDateTime?.slice(0, 10) ?? ''
      if (!isIsoDate(date)) {
        this.left.push({ sheet: '', row: this.rowOf(one), reason: say('exchange.noDay') })
        continue
      }
      const what = whatOf(one)
      if (what === undefined) {
        const named = one.code?.text ?? one.code?.coding?.[0]?.display ?? ''
        this.left.push({
          sheet: '',
          row: this.rowOf(one),
          reason: say('exchange.nobodyKnows', { what: named }),
        })
      } else if (what === 'phase')
        notes.push({
          id: this.idFor(one.id),
          date,
          kind: 'phase',
          words: one.valueString ?? this.making.words.phase,
        })
      else if (typeof what === 'object' && 'method' in what) {
        const fatPercent = one.valueQuantity?.value
        if (fatPercent === undefined) continue
        otherResults.push({
          ...{ id: this.idFor(one.id), method: what.method, on: date, fatPercent },
          device: one.device?.display ?? '',
          conditions: one.note?.map(({ text }) => text).join(' ') ?? '',
          ...{ fatKg: kgIn(one, 'fat-kg'), leanKg: kgIn(one, 'lean-kg') },
        })
      } else if (what === 'mass' || what === 'height') {
        const amount = amountOf(one, what === 'mass' ? 'kg' : 'cm')
        if (!amount) continue
        const { value, typedUnit, typedText } = amount
        const row = { id: this.idFor(one.id), date, typedUnit, typedText, source: null }
        if (what === 'mass') weighIns.push({ ...row, kg: value })
        else heights.push({ ...row, cm: value })
      } else if (what !== 'worked-out') byDay.set(date, [...(byDay.get(date) ?? []), one])
    }
    for (const [date, of] of byDay)
      checkIns.push(
        ...this.checkInOf(
          { resourceType: 'Observation', effectiveDateTime: date, performer: of[0]!.performer },
          of,
          testerOf,
        ),
      )
    return {
      id: this.idFor(patient.id),
      name: nameIn(patient),
      sex: gender === 'male' ? 'male' : gender === 'female' ? 'female' : undefined,
      birthDate: birthDate && isIsoDate(birthDate) ? birthDate : null,
      birthYear: birthDate && !isIsoDate(birthDate) ? Number(birthDate.slice(0, 4)) : null,
      cadenceDays: valueIn(patient.extension, 'cadence-days')?.valueInteger,
      weekEndsOn: valueIn(patient.extension, 'week-ends-on')?.valueInteger ?? null,
      showPercentages: valueIn(patient.extension, 'show-percentages')?.valueBoolean,
      groupTerm: valueIn(patient.extension, 'group-term')?.valueString ?? null,
      ...{ checkIns, weighIns, heights, notes, otherResults },
    }
  }

  private rowOf(one: Resource): number {
    return this.resources.indexOf(one) + 1
  }

  private checkInOf(
    panel: Observation,
    members: Observation[],
    testerOf: (of: Reference[] | undefined) => string,
  ): unknown[] {
    const { extension: more } = panel
    const measuredOn = panel.effectiveDateTime?.slice(0, 10) ?? ''
    const tester = testerOf(panel.performer)
    const at = textIn(more, 'started-at') ?? this.making.noonOf(measuredOn)
    const readings = members.flatMap((one) => {
      const what = whatOf(one)
      if (what === undefined || what === 'phase' || what === 'worked-out') return []
      if (typeof what === 'object' && 'method' in what) return []
      const kind = typeof what === 'string' ? what : kindOfSite(what.site)
      const amount = amountOf(one, UNIT_OF[kind])
      if (!amount) return []
      const device = idOf(one.device)
      return [
        {
          ...{ id: this.idFor(one.id), kind, ...amount },
          ...(typeof what === 'string' ? {} : what),
          technique: textIn(one.extension, 'technique') ?? null,
          trial: valueIn(one.extension, 'trial')?.valueInteger ?? 1,
          takenAt: instantOf(one.effectiveDateTime) ?? at,
          tester: one.performer ? testerOf(one.performer) : tester,
          instrument: device === undefined ? null : this.idFor(device),
        },
      ]
    })
    if (readings.length === 0) return []
    const known = (name: string) => jsonIn(more, name) ?? undefined
    const notes = panel.note?.map(({ text }) => text).join(' ')
    return [
      {
        ...{ id: this.idFor(panel.id), measuredOn, startedAt: at, tester, readings },
        // One of ours that says when it began and not when it was closed is under way.
        closedAt: textIn(more, 'closed-at') ?? (textIn(more, 'started-at') ? null : at),
        fromPaper: valueIn(more, 'from-paper')?.valueBoolean ?? true,
        protocol: textIn(more, 'protocol') ?? 'tape-only',
        ownProtocol: known('own-protocol') ?? null,
        conversion: CONVERSION_IDS.find((id) => id === textIn(more, 'conversion')) ?? 'siri',
        tolerance: known('tolerance') ?? null,
        extraGirths: known('extra-girths'),
        skipped: known('skipped'),
        massDry: known('mass-dry') ?? null,
        consent: known('consent') ?? null,
        ...{
          caliper: known('caliper') ?? null,
          tape: known('tape') ?? null,
          boneCaliper: known('bone-caliper') ?? null,
          scale: known('scale') ?? null,
        },
        conditions: { ...(known('conditions') as object | undefined), ...(notes ? { notes } : {}) },
      },
    ]
  }
}

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i

function nameIn({ name }: Patient): string {
  const [first] = name ?? []
  return first?.text ?? [...(first?.given ?? []), first?.family ?? ''].join(' ').trim()
}

const instantOf = (text: string | undefined) => (text?.includes('T') ? text : undefined)

type What =
  | ('mass' | 'height' | 'phase' | 'worked-out')
  | { site: SiteId; standard: LandmarkStandard | null }
  | { method: OtherMethod }

/** Kilograms beside a share of fat, where one of ours has them. */
function kgIn({ extension: more }: Observation, name: string): number | null {
  const text = textIn(more, name)
  return text === undefined ? null : Number(text)
}

/** What an observation is of. */
function whatOf({ code, method }: Observation): What | undefined {
  const codings = code?.coding ?? []
  for (const { system, code: of } of codings) {
    if (system !== OAK || of === undefined) continue
    if (of === 'phase') return 'phase'
    const named = siteOfCode(of)
    const standard = LANDMARK_STANDARDS.find((one) => one === named?.standard) ?? null
    if (named) return { site: named.site, standard }
  }
  const is = (name: keyof typeof LOINC_CODES) =>
    codings.some(({ system, code: of }) => system === LOINC && of === LOINC_CODES[name].code)
  if (is('mass')) return 'mass'
  if (is('height')) return 'height'
  if (is('waist')) return { site: LOINC_GIRTH, standard: null }
  // A share of fat by another method than the folds says which.
  const by = is('fatPercent') && methodIn([method?.text, method?.coding?.[0]?.code].join(' '))
  if (by) return { method: by.method }
  return is('fatPercent') || is('leanMass') || is('fatMass') ? 'worked-out' : undefined
}

function amountOf({ valueQuantity, extension: more }: Observation, into: 'mm' | 'cm' | 'kg') {
  const { value, code, unit } = valueQuantity ?? {}
  const of = code ?? unit ?? into
  const factor = FACTORS[into][of]
  if (value === undefined || factor === undefined) return undefined
  return {
    value: value * factor,
    typedUnit: textIn(more, 'typed-unit') ?? TYPED[of as keyof typeof TYPED] ?? into,
    typedText: textIn(more, 'typed-text') ?? String(value),
  }
}

/** A bundle as a record of ours. @throws InputError naming `file` where nobody is in it */
export function exchangeOfBundle(
  bundle: Bundle,
  making: Making,
): { record: Exchange; left: LeftOut[] } {
  const reader = new BundleReader(bundle, making)
  const record = reader.read(new Date(0).toISOString())
  if (record.clients.length === 0 && reader.left.length === 0)
    throw refusedFile(say('exchange.emptyBundle'))
  return { record, left: reader.left }
}
