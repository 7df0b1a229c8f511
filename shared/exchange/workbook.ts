import { Unzip, UnzipInflate, UnzipPassThrough } from 'fflate'
import {
  InputError,
  refusal,
  say,
  type Cell,
  type FileSheet,
  type Words,
  withoutGuard,
} from '../../core/index'

/*
 * A workbook's bytes as sheets. What is unpacked is counted first, as it comes out and not as the file says: a few
 * kilobytes can hold gigabytes.
 */

/** No file of a gym's records comes near any of these. */
export const LIMITS = {
  fileBytes: 50e6,
  unpackedBytes: 250e6,
  files: 2000,
  cells: 3_000_000,
  columns: 1000,
  sheets: 500,
}

/** A file that cannot be brought in, in words. */
export const refusedFile = (got: Words, accepted: Words = say('exchange.fileAccepted')) =>
  new InputError('file', 'impossible', refusal(say('exchange.file'), got, accepted))

const ENOUGH = Symbol('enough')

/** Unpacks a file within a file part by part and looks at what comes out; nothing of it is kept. */
function countUnpacked(bytes: Uint8Array, limits: typeof LIMITS): void {
  let [unpacked, files, cells, isBook] = [0, 0, 0, false]
  let refused: InputError | undefined
  const refuse = (words: Words) => {
    refused ??= refusedFile(words)
    throw ENOUGH
  }
  const unzip = new Unzip((file) => {
    if (++files > limits.files) refuse(say('exchange.tooManyParts'))
    isBook ||= file.name === 'xl/workbook.xml'
    const isSheet = /^xl\/worksheets\/.*\.xml$/.test(file.name)
    const text = new TextDecoder()
    file.ondata = (error, part) => {
      if (error) refuse(say('exchange.damaged'))
      unpacked += part.length
      if (unpacked > limits.unpackedBytes) refuse(say('exchange.unpacksTooMuch'))
      if (!isSheet && !file.name.endsWith('.xml')) return
      const xml = text.decode(part, { stream: true })
      if (/<!DOCTYPE|<!ENTITY/i.test(xml)) refuse(say('exchange.damaged'))
      if (!isSheet) return
      cells += xml.split('<c ').length - 1
      if (cells > limits.cells) refuse(say('exchange.tooManyCells'))
    }
    file.start()
  })
  unzip.register(UnzipInflate)
  unzip.register(UnzipPassThrough)
  const PART = 1 << 16
  try {
    for (let at = 0; at < bytes.length; at += PART)
      unzip.push(bytes.subarray(at, at + PART), at + PART >= bytes.length)
  } catch (error) {
    if (error !== ENOUGH) throw refusedFile(say('exchange.damaged'))
  }
  if (refused) throw refused
  if (!isBook) throw refusedFile(say('exchange.noWorkbook'))
}

type Book = InstanceType<(typeof import('exceljs'))['Workbook']>
type Value = import('exceljs').CellValue

/** What a cell shows, as plain data: formulas by what they came to, texts without their looks. */
function cellOf(value: Value, format: string | undefined): Cell {
  if (value === null || value === undefined) return null
  if (typeof value === 'number') {
    if (!format?.includes('%')) return value
    // A share that is shown in per cent, with the digits that are shown.
    const digits = /\.(0+)/.exec(format)?.[1]?.length ?? 0
    return `${(value * 100).toFixed(Math.max(digits, 2)).replace(/\.?0+$/, '')}%`
  }
  if (typeof value === 'string') return value === '' ? null : withoutGuard(value)
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (value instanceof Date)
    return Number.isNaN(value.getTime()) ? null : { day: value.toISOString().slice(0, 10) }
  if ('richText' in value) return value.richText.map(({ text }) => text).join('')
  if ('hyperlink' in value) return cellOf(value.text as Value, format)
  if ('error' in value) return String(value.error)
  if ('result' in value) return cellOf(value.result as Value, format)
  return null
}

/**
 * The sheets of a workbook.
 *
 * @param bytes of an .xlsx file
 * @throws InputError naming `file` for what is no workbook, is damaged, or holds more than anybody writes
 */
export async function sheetsOfWorkbook(bytes: Uint8Array, limits = LIMITS): Promise<FileSheet[]> {
  countUnpacked(bytes, limits)
  const { default: excel } = (await import('exceljs')) as { default: typeof import('exceljs') }
  const book: Book = new excel.Workbook()
  try {
    await book.xlsx.load(
      bytes as unknown as ArrayBuffer,
      {
        ignoreNodes: ['dataValidations', 'conditionalFormatting', 'pageSetup', 'extLst'],
      } as never,
    )
  } catch {
    throw refusedFile(say('exchange.damaged'))
  }
  if (book.worksheets.length > limits.sheets) throw refusedFile(say('exchange.tooManyParts'))
  return book.worksheets.map((sheet): FileSheet => {
    if (sheet.columnCount > limits.columns) throw refusedFile(say('exchange.tooManyColumns'))
    const rows: Cell[][] = []
    sheet.eachRow({ includeEmpty: false }, (row, at) => {
      const cells: Cell[] = []
      row.eachCell({ includeEmpty: false }, (cell, column) => {
        // Cells that are merged hold the first one's value once.
        if (cell.isMerged && cell.master !== cell) return
        cells[column - 1] = cellOf(cell.value, cell.numFmt)
      })
      rows[at - 1] = Array.from(cells, (cell) => cell ?? null)
    })
    return { name: sheet.name, rows: Array.from(rows, (row) => row ?? []) }
  })
}
