import { rmSync } from 'node:fs'
import { mkdtemp, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { IsoDate, LengthUnit, MassUnit, Words } from '#core'
import type { PaperSize } from '#shared/contract/choices'
import { fontBytes, FONT_FILES } from './fonts'

type FontName = keyof typeof FONT_FILES

/*
 * What every page on paper has in common: size, fonts, the gym's head and foot. In black and white nothing is lost:
 * what is clear or held is said in words.
 */

/** A part of a page, as pdfmake takes it. */
export type Part = Record<string, unknown> | string | Part[]

/** How a page is written. */
export interface Paper {
  size: PaperSize
  language: string
  told: (words: Words) => string
  units: { mass: MassUnit; length: LengthUnit }
  today: IsoDate
}

/** Whose page it is. */
export interface Letterhead {
  name: string
  contact: string
  /** A picture as a data address; null where there is none. */
  logo: string | null
}

export const INK = '#2A2118'
export const FADED = '#66583F'
export const LINE = '#DACFBA'
export const LEAF = '#2C6349'
export const AMBER = '#8A5A0F'

/** Points. */
const MARGIN = 48
const WIDTHS: Record<PaperSize, number> = { a4: 595.28, letter: 612 }

/** What a page has between its margins, points. */
export const widthOf = (size: PaperSize): number => WIDTHS[size] - 2 * MARGIN

export const head = (text: string, level: 1 | 2 = 2): Part => ({
  text,
  font: 'Figures',
  bold: level === 1,
  fontSize: level === 1 ? 25 : 14,
  lineHeight: 1.05,
  margin: level === 1 ? [0, 6, 0, 4] : [0, 12, 0, 3],
  headlineLevel: level,
})

export const small = (text: string, margin: number[] = [0, 8, 0, 0]): Part => ({
  text,
  fontSize: 8.5,
  color: FADED,
  margin,
})

/** Lines between the rows alone. */
const RULED = {
  hLineWidth: (row: number, { table }: { table: { headerRows?: number } }) =>
    row === 0 ? 0 : row === (table.headerRows ?? 0) ? 1.2 : 0.5,
  vLineWidth: () => 0,
  hLineColor: (row: number, { table }: { table: { headerRows?: number } }) =>
    row === (table.headerRows ?? 0) ? INK : LINE,
  paddingLeft: (column: number) => (column === 0 ? 0 : 6),
  paddingRight: () => 0,
  paddingTop: () => 2.5,
  paddingBottom: () => 2,
}
/** Boxes to write in. */
const BOXED = {
  hLineWidth: () => 0.6,
  vLineWidth: () => 0.6,
  hLineColor: () => FADED,
  vLineColor: () => FADED,
  paddingTop: () => 5,
  paddingBottom: () => 5,
}

/** A table with its heads; figures stand right, words left. */
export function table(
  heads: readonly string[],
  rows: readonly (readonly string[])[],
  {
    words = 1,
    widths,
    boxed = false,
  }: { words?: number; widths?: unknown[]; boxed?: boolean } = {},
): Part {
  const align = (column: number) => (column < words ? 'left' : 'right')
  return {
    table: {
      headerRows: 1,
      dontBreakRows: true,
      widths: widths ?? heads.map((_, i) => (i === 0 ? '*' : 'auto')),
      body: [
        heads.map((text, i) => ({ text, font: 'Figures', fontSize: 11, alignment: align(i) })),
        ...rows.map((cells) =>
          cells.map((text, i) => ({
            text,
            alignment: align(i),
            ...(i < words ? {} : { font: 'Figures', fontSize: 12 }),
          })),
        ),
      ],
    },
    layout: boxed ? BOXED : RULED,
    margin: [0, 4, 0, 4],
  }
}

type Pdfmake = (typeof import('pdfmake'))['default']
let ready: Promise<Pdfmake> | undefined

async function prepare() {
  const { default: pdfmake } = await import('pdfmake')
  // As files: what draws pictures opens fonts by their names alone.
  const folder = await mkdtemp(join(tmpdir(), 'oak-pinch-fonts-'))
  process.once('exit', () => rmSync(folder, { recursive: true, force: true }))
  const files = Object.fromEntries(
    await Promise.all(
      (Object.keys(FONT_FILES) as FontName[]).map(async (name) => {
        const file = join(folder, `${name}.woff`)
        await writeFile(file, await fontBytes(name))
        return [name, file] as const
      }),
    ),
  ) as Record<FontName, string>
  const faces = (normal: FontName, bold: FontName) => ({
    ...{ normal: files[normal], bold: files[bold] },
    ...{ italics: files[normal], bolditalics: files[bold] },
  })
  pdfmake.setFonts({ Text: faces('text', 'textBold'), Figures: faces('figures', 'figuresBold') })
  // A page is made of what is on record alone: nothing is fetched, and no other file is read.
  pdfmake.setUrlAccessPolicy(() => false)
  pdfmake.setLocalAccessPolicy((path) => Object.values(files).includes(path))
  return pdfmake
}

/**
 * Writes a page as PDF, tagged, its text to be selected.
 *
 * @param title of the document
 * @param date that stands at its head
 */
export async function writePaper(
  { size, language }: Pick<Paper, 'size' | 'language'>,
  { name, contact, logo }: Letterhead,
  { title, date, content }: { title: string; date: string; content: Part[] },
): Promise<Buffer> {
  ready ??= prepare()
  const pdfmake = await ready
  const top: Part[] = [
    ...(logo ? [{ image: logo, fit: [120, 30], width: 'auto', alt: name }] : []),
    { text: name, font: 'Figures', fontSize: 15, width: '*', margin: [0, 4, 0, 0] },
    { text: date, color: FADED, alignment: 'right', width: 'auto', margin: [0, 7, 0, 0] },
  ]
  return pdfmake
    .createPdf({
      pageSize: size === 'a4' ? 'A4' : 'LETTER',
      pageMargins: [MARGIN, 40, MARGIN, 46],
      info: { title, author: name, creator: 'Oak Pinch', producer: 'Oak Pinch' },
      ...{ language, tagged: true, displayTitle: true, version: '1.7' },
      defaultStyle: { font: 'Text', fontSize: 10.5, color: INK, lineHeight: 1.15 },
      content: [
        { columns: top, columnGap: 10 },
        {
          canvas: [
            {
              type: 'line',
              x1: 0,
              y1: 4,
              x2: widthOf(size),
              y2: 4,
              lineWidth: 1.4,
              lineColor: INK,
            },
          ],
          margin: [0, 0, 0, 6],
        },
        ...content,
      ],
      footer: (page: number, pages: number) => ({
        columns: [
          { text: contact, fontSize: 8.5, color: FADED },
          {
            text: pages > 1 ? `${page} / ${pages}` : '',
            fontSize: 8.5,
            color: FADED,
            alignment: 'right',
            width: 40,
          },
        ],
        margin: [MARGIN, 14, MARGIN, 0],
      }),
    })
    .getBuffer()
}
