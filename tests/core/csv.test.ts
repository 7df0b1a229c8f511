import fc from 'fast-check'
import Papa from 'papaparse'
import { describe, expect, test } from 'vitest'
import { columnName, csvLines, fixed, READ_CSV, signed } from '#core'

describe('CSV', () => {
  const columns = ['id', 'value', 'words']
  // Text as a sheet can hold it: the reader that is used drops nothing but lines without anything.
  const cell = fc.oneof(
    fc.string({ minLength: 1 }),
    fc.constantFrom('a,b', 'say "so"', 'two\nlines', 'two\r\nlines', ' blanks ', '12,5', '=1+1'),
  )
  const row = fc.record({
    id: cell.filter((text) => text.trim() !== ''),
    value: fc.double({ noNaN: true, noDefaultInfinity: true }),
    words: cell,
  })

  test('what is written is read again as it was, by the reader that reads the backlog', () => {
    fc.assert(
      fc.property(fc.array(row, { minLength: 1, maxLength: 8 }), (rows) => {
        const text = `${columns.join(',')}\r\n${csvLines(columns, rows)}`
        const { data, errors } = Papa.parse<Record<string, string>>(text, READ_CSV)
        expect(errors).toEqual([])
        const shown = (text: string) =>
          /^[=+\-@\t\r]/.test(text) && !Number.isFinite(Number(text)) ? `'${text}` : text
        expect(data.map((r) => ({ ...r, value: Number(r.value) }))).toEqual(
          rows.map(({ id, value, words }) => ({
            ...{ id: shown(id), words: shown(words) },
            value: value === 0 ? 0 : value,
          })),
        )
      }),
    )
  })

  test('column names are found with a byte-order mark, capitals and blanks around them', () => {
    expect(['\uFEFFID', ' Triceps_mm ', 'SEX'].map(columnName)).toEqual(['id', 'triceps_mm', 'sex'])
  })

  test('what a spreadsheet would run is text, and numbers are numbers', () => {
    const cells = ['=1+1', '+cmd', '@SUM(A1)', '-2', '-2+3', '\t=1', 'a=1']
    expect(
      csvLines(
        ['id'],
        cells.map((id) => ({ id })),
      ).split('\r\n'),
    ).toEqual(["'=1+1", "'+cmd", "'@SUM(A1)", '-2', "'-2+3", "'\t=1", 'a=1', ''])
  })

  test('a column without a value is an empty cell', () => {
    expect(csvLines(columns, [{ id: 'a', value: 0 }])).toBe('a,0,\r\n')
  })
})

describe('figures on the screen', () => {
  test('are rounded once, have their sign in one place, and never a minus before nought', () => {
    const values = fc.double({ min: -1e6, max: 1e6, noNaN: true })
    fc.assert(
      fc.property(values, fc.integer({ min: 0, max: 3 }), (value, digits) => {
        const text = fixed(value, digits)
        expect(Math.abs(Number(text.replace('−', '-')) - value)).toBeLessThanOrEqual(
          0.5 * 10 ** -digits + 1e-9,
        )
        expect(text).toMatch(/^−?\d+(\.\d+)?$/)
        if (Number(text.replace('−', '')) === 0) expect(text).not.toMatch(/−/)
        const withSign = signed(value, digits)
        expect(withSign.replace('+', '')).toBe(text)
        expect(withSign.startsWith('+')).toBe(value > 0 && Number(text) !== 0)
      }),
    )
  })
})
