import { readFile } from 'node:fs/promises'
import { createRequire } from 'node:module'

/*
 * The application's fonts, for paper: pdfmake embeds what of them is used.
 */

export const FONT_FILES = {
  text: '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff',
  textBold:
    '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff',
  figures: '@fontsource/barlow-condensed/files/barlow-condensed-latin-600-normal.woff',
  figuresBold: '@fontsource/barlow-condensed/files/barlow-condensed-latin-700-normal.woff',
} as const

/** Reads a font by its name in the packages. */
type FontSource = (file: string) => Promise<Uint8Array>

let source: FontSource = (file) => readFile(createRequire(import.meta.url).resolve(file))

/** Names where the built server has its fonts, which has no packages beside it. */
export function provideFonts(from: FontSource): void {
  source = from
}

export const fontBytes = (name: keyof typeof FONT_FILES): Promise<Uint8Array> =>
  source(FONT_FILES[name])
