import {
  leadEquation,
  sheetOf,
  type CheckInRecord,
  type Person,
  type Sheet,
} from '../composition/check-in'
import {
  changeErrors,
  type ChangeError,
  type MeasuredOccasion,
  type Quantity,
} from '../composition/error-bands'
import { servedValues } from '../composition/every'
import { equationById } from '../equations/registry'
import { inputError } from '../errors'
import type { SiteId } from '../anatomy/ids'
import { attempt, type Outcome } from '../outcome'
import type { Hand } from '../measurement-error/site-error'

/**
 * The technical error of every change between two check-ins, by the equation of the later one and at the later age.
 *
 * @param hand who measured and with what
 * @param changed whether tester or caliper are others than last time
 * @returns by quantity; the InputError where the equation cannot read one of the two
 */
export function handErrors(
  person: Person,
  record: CheckInRecord,
  since: CheckInRecord,
  hand: Hand,
  changed: { anotherTester?: boolean; anotherCaliper?: boolean } = {},
): Outcome<Record<Quantity, ChangeError>> {
  const [after, before] = [sheetOf(person, record), sheetOf(person, since)]
  const lead = leadEquation(after.protocol, person.sex)
  return attempt(() => {
    if (lead === undefined) {
      throw inputError(
        'protocol',
        'outside-domain',
        after.protocol.name,
        'no equation',
        'a set that feeds one',
      )
    }
    const equation = equationById(lead)
    const occasion = (sheet: Sheet): MeasuredOccasion => ({
      subject: { ...sheet.subject, ageYears: after.subject.ageYears },
      values: servedValues(equation, sheet.measured),
      trials: Object.fromEntries(
        sheet.measured.map(({ site }): [SiteId, number] => [site, sheet.sites[site]!.taken]),
      ),
    })
    const options = { conversion: record.conversion }
    return changeErrors(lead, occasion(before), occasion(after), hand, changed, options)
  })
}
