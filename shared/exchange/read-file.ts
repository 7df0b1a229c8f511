import { say, sheetOfText, type FileSheet } from '../../core/index'
import { LIMITS, refusedFile, sheetsOfWorkbook } from './workbook'

/** A file as it is read: sheets that are to be understood, or data that says itself what it is. */
export type ReadFile = { kind: 'sheets'; sheets: FileSheet[] } | { kind: 'json'; data: unknown }

const starts = (bytes: Uint8Array, ...signs: number[]) =>
  signs.every((sign, i) => bytes[i] === sign)

/** Text of any of the ways that spreadsheets write it. */
function textOfBytes(bytes: Uint8Array): string {
  if (starts(bytes, 0xff, 0xfe)) return new TextDecoder('utf-16le').decode(bytes)
  if (starts(bytes, 0xfe, 0xff)) return new TextDecoder('utf-16be').decode(bytes)
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes)
  } catch {
    return new TextDecoder('windows-1252').decode(bytes)
  }
}

/** More lines than that are no records of a gym. */
const MOST_ROWS = 500_000

/** A text as a file holds it, or as it was copied out of a spreadsheet. */
function readText(text: string): ReadFile {
  if (text.trim() === '') throw refusedFile(say('exchange.empty'))
  if (/^\s*[{[]/.test(text)) {
    try {
      return { kind: 'json', data: JSON.parse(text) as unknown }
    } catch {
      throw refusedFile(say('exchange.damaged'))
    }
  }
  if (/^\s*<(?:!doctype|html|\?xml|table|body)/i.test(text))
    throw refusedFile(say('exchange.webPage'))
  // Signs that no text holds.
  if (text.includes('\0')) throw refusedFile(say('exchange.noText'))
  const sheet = sheetOfText(text)
  if (sheet.rows.length > MOST_ROWS) throw refusedFile(say('exchange.tooManyCells'))
  if (sheet.rows.some((row) => row.length > LIMITS.columns))
    throw refusedFile(say('exchange.tooManyColumns'))
  return { kind: 'sheets', sheets: [sheet] }
}

/**
 * Reads a file of records: a workbook, values between signs, or JSON.
 *
 * @throws InputError naming `file`, in words
 */
export async function readFile(bytes: Uint8Array): Promise<ReadFile> {
  if (bytes.length > LIMITS.fileBytes)
    throw refusedFile(say('exchange.fileTooLarge', { most: LIMITS.fileBytes / 1e6 }))
  if (bytes.length === 0) throw refusedFile(say('exchange.empty'))
  if (starts(bytes, 0x50, 0x4b)) return { kind: 'sheets', sheets: await sheetsOfWorkbook(bytes) }
  if (starts(bytes, 0xd0, 0xcf, 0x11, 0xe0)) throw refusedFile(say('exchange.oldWorkbook'))
  if (starts(bytes, 0x25, 0x50, 0x44, 0x46)) throw refusedFile(say('exchange.pdf'))
  return readText(textOfBytes(bytes))
}
