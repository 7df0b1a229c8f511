import type { Key } from '~/words/say'
import type { SiteId } from '#core'
import type { AuditEntry } from '#shared/contract/clients'

/** What people call the fields of a client and of a check-in. */
const FIELDS: Record<string, Key> = {
  name: 'clientFile.fields.name',
  sex: 'clientFile.fields.sex',
  birthDate: 'clientFile.fields.birthDate',
  birthYear: 'clientFile.fields.birthYear',
  cadenceDays: 'clientFile.fields.cadenceDays',
  showPercentages: 'clientFile.fields.showPercentages',
  cycleWanted: 'clientFile.fields.cycleWanted',
  groupTerm: 'clientFile.fields.groupTerm',
  hiddenOnLeaderboards: 'clientFile.fields.hiddenOnLeaderboards',
  weekEndsOn: 'clientFile.fields.weekEndsOn',
  nextDueOn: 'clientFile.fields.nextDueOn',
  archived: 'clientFile.fields.archived',
  coach: 'clientFile.fields.coach',
  height: 'clientFile.fields.height',
  mass: 'clientFile.fields.mass',
  measuredOn: 'clientFile.fields.measuredOn',
  protocolId: 'clientFile.fields.protocolId',
  conversion: 'clientFile.fields.conversion',
  testerId: 'clientFile.fields.testerId',
  caliperId: 'clientFile.fields.caliperId',
  tapeId: 'clientFile.fields.tapeId',
  boneCaliperId: 'clientFile.fields.boneCaliperId',
  scaleId: 'clientFile.fields.scaleId',
  massDry: 'clientFile.fields.massDry',
  consent: 'clientFile.fields.consent',
}

function wordFor(value: unknown): string {
  if (value === null || value === undefined) return t('clientFile.nothing')
  if (typeof value === 'boolean') return t(value ? 'clientFile.yes' : 'clientFile.no')
  if (typeof value !== 'object') return String(value)
  const { text, typed, unit } = value as { text?: string; typed?: string; unit?: string }
  if (typed) return `${typed} ${unit ?? ''}`.trim()
  return text ?? t('clientFile.another')
}

/** A reading by its site or kind and its trial; earlier versions wrote it in words. */
function readingNamed(field: string): string {
  const [, of, trial] = /^(\w+) (\d+)$/.exec(field) ?? []
  if (of === undefined || trial === undefined) return field
  const kind = FIELDS[of]
  return t('clientFile.readingNamed', { name: kind ? t(kind) : nameOf(of as SiteId), trial })
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
  const because = (words: string) => (reason ? `${words}: ${reason}` : words)
  const day = measuredOn
    ? t('clientFile.checkMeasuredon', { measuredOn: formatDate(measuredOn, true) })
    : t('client.check')
  if (subject === 'check-in' && field === 'voided') {
    return now ? because(t('clientFile.dayVoided', { day })) : t('clientFile.dayRestored', { day })
  }
  if (subject === 'check-in' && field === 'client') {
    return now === 'this client'
      ? because(t('clientFile.dayMovedHere', { day }))
      : because(t('clientFile.dayMovedAway', { day }))
  }
  if (field === 'archived')
    return now ? t('clientFile.fields.archived') : t('clientFile.restoredFromArchive')
  const label = FIELDS[field]
  const name = label ? t(label) : subject === 'reading' ? readingNamed(field) : field
  const of = subject === 'client' ? name : t('clientFile.ofCheckIn', { day, name })
  if (field === 'height')
    return t('clientFile.heightChanged', {
      now: wordFor(now),
      from: formatDate((now as { from: string }).from, true),
    })
  if (old === null && subject === 'reading')
    return t('clientFile.valueAdded', { name: of, now: wordFor(now) })
  return t('clientFile.valueChanged', { name: of, now: wordFor(now), old: wordFor(old) })
}
