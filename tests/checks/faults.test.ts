import { readFileSync } from 'node:fs'
import { expect, test } from 'vitest'
import faults from '../../scripts/mutations.json'

test('each kept fault can still be put in: what it changes stands just once in its file', () => {
  const stale = faults.filter(({ file, from }) => {
    const source = new URL(`../../${file}`, import.meta.url)
    return readFileSync(source, 'utf8').split(from).length !== 2
  })
  expect(stale.map(({ file, from }) => `${file}: ${from}`)).toEqual([])
})
