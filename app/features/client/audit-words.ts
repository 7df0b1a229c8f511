import { formatDate } from '#core'
import type { AuditEntry } from '#shared/contract/clients'

/** What people call the fields of a client and of a check-in. */
const FIELDS: Record<string, string> = {
  name: 'Name',
  sex: 'Sex used by the equations',
  birthDate: 'Birth date',
  birthYear: 'Year of birth',
  cadenceDays: 'Days between check-ins',
  showPercentages: 'Percentages shown',
  cycleWanted: 'Cycle kept',
  hiddenOnLeaderboards: 'Name hidden on leaderboards',
  weekEndsOn: 'Last day of the week',
  nextDueOn: 'Next check-in',
  archived: 'Archived',
  height: 'Height',
  measuredOn: 'Date',
  protocolId: 'Protocol',
  conversion: 'Density to fat % by',
  testerId: 'Tester',
  caliperId: 'Caliper',
  tapeId: 'Tape',
  scaleId: 'Scale',
  massDry: 'Weighed dry',
  consent: 'Consent',
}

function wordFor(value: unknown): string {
  if (value === null || value === undefined) return 'nothing'
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (typeof value !== 'object') return String(value)
  const { text, typed, unit } = value as { text?: string; typed?: string; unit?: string }
  if (typed) return `${typed} ${unit ?? ''}`.trim()
  return text ?? 'another'
}

/** One line of the change log. */
export function auditWords({
  subject,
  field,
  old,
  new: now,
  measuredOn,
  reason,
}: AuditEntry): string {
  // Written in words by earlier versions.
  if (field === 'in words') return String(now)
  const because = reason ? `: ${reason}` : ''
  const day = measuredOn ? `Check-in of ${formatDate(measuredOn, true)}` : 'Check-in'
  if (subject === 'check-in' && field === 'voided') {
    return now ? `${day} voided${because}` : `${day} restored`
  }
  if (subject === 'check-in' && field === 'client') {
    return now === 'this client'
      ? `${day} moved here from another client${because}`
      : `${day} moved to another client${because}`
  }
  if (field === 'archived') return now ? 'Archived' : 'Restored from the archive'
  const name = FIELDS[field] ?? field
  const where = subject === 'client' ? '' : `${day}, `
  if (field === 'height')
    return `Height: ${wordFor(now)}, from ${formatDate((now as { from: string }).from, true)}`
  if (old === null && subject === 'reading') return `${where}${name}: ${wordFor(now)} added`
  return `${where}${name}: ${wordFor(now)}, was ${wordFor(old)}`
}
