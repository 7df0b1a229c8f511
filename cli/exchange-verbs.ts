import { opening } from './opening'
import type { Verb } from './verb'

const FOLDER = `--data    The data folder; OAK_PINCH_DATA or the usual one where not said. No server may have it open.`

/** `import`: other people's spreadsheets, and files of ours. */
export const importVerb: Verb = {
  summary: 'brings the records of a spreadsheet, of JSON or of a FHIR bundle into a data folder',
  help: `FILE [--data FOLDER] [--dry-run] [--locale en-US] [--json]

  FILE      .xlsx, .csv, .tsv or .txt with one row a check-in, one row a reading, dates and weights, or a log sheet
            with sites down and days across; or .json, ours or a FHIR bundle.
  ${FOLDER}
  --dry-run Says what would come of it, and keeps nothing.
  --locale  By which a day such as 3/4/2026, and a weight or a girth without a unit, are read where the file leaves
            them open.
  --json    One object of JSON on standard output, in place of words.
  Questions that the file leaves open are answered as each says. What is left out is named with its row and the reason.
  What is on record already stays as it is.`,
  run: async (args) => opening('cli/exchange.ts', 'import', args),
}

/** `export`: the record in a format that others read. */
export const exportVerb: Verb = {
  summary: 'writes the record of a data folder, or of one client, to a file that others read',
  help: `FILE [--data FOLDER] [--client NAME]

  FILE      By its ending: .csv (one row a check-in), .long.csv (one row a reading), .xlsx, .json, .fhir.json, .ics
            (check-ins due), .zip (the archive; of one client, everything that is kept of them).
  ${FOLDER}
  --client  The one client of that name; everybody where not said.
  docs/formats.md says what is in each.`,
  run: async (args) => opening('cli/exchange.ts', 'export', args),
}
