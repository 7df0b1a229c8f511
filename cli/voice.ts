import anatomy from '../locales/en-US/anatomy.json'
import change from '../locales/en-US/change.json'
import devices from '../locales/en-US/devices.json'
import errors from '../locales/en-US/errors.json'
import files from '../locales/en-US/files.json'
import findings from '../locales/en-US/findings.json'
import methods from '../locales/en-US/methods.json'
import planning from '../locales/en-US/planning.json'
import protocols from '../locales/en-US/protocols.json'
import safety from '../locales/en-US/safety.json'
import schedule from '../locales/en-US/schedule.json'
import units from '../locales/en-US/units.json'
import weeklyReport from '../locales/en-US/weeklyReport.json'
import { SHIPPED } from '../shared/words/best-language'
import { spokenWords } from '../shared/words/compile'
import { translator } from '../shared/words/translator'
import type { Voice } from '../shared/words/voice'

/** The places of the catalogue that a file's rows may speak of. */
const PLACES = [
  ...[anatomy, change, errors, files, findings, methods, planning, protocols, safety, schedule],
  devices,
  units,
  weeklyReport,
]

let speaking: Voice | undefined

/** Who speaks on the command line: the shipped language, read when something is first said. */
export function voice(): Voice {
  speaking ??= {
    say: translator(SHIPPED, spokenWords(Object.assign({}, ...PLACES) as never)),
    language: SHIPPED,
  }
  return speaking
}
