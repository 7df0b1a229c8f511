import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  dayValue,
  figures,
  InputError,
  inputError,
  listed,
  lower,
  num,
  say,
  sentences,
  signedNum,
  upper,
  type Message,
} from '../../core/index'
import { tell, told } from '../../shared/words/tell'
import { translator } from '../../shared/words/translator'
import { languageAsked, voiceOf } from '../../shared/words/voices'
import { FILLER, PSEUDO_LOCALE } from '../../scripts/pseudo-locale'
import { told as toldHere } from '../support/words'

/** A voice that knows a few words, whatever the language. */
const speaking = (language: string) => ({
  language,
  say: translator(language, {
    t: {
      plain: 'Save',
      of: ({ named }: { named: (name: string) => unknown }) => `of ${String(named('value'))}`,
      days: ({ plural }: { plural: (forms: string[]) => string }) => plural(['a day', 'days']),
    },
  } as never),
})
const [american, german] = [speaking('en-US'), speaking('de-DE')]
const of = (value: unknown) => say('t.of', { value: value as never })

describe('a message', () => {
  test.each([
    ['a number with so many decimals', num(1234.56, 1), 'of 1,234.6', 'of 1.234,6'],
    ['a minus as wide as a plus', num(-0.25, 2), 'of −0.25', 'of −0,25'],
    ['a sign on request, none on nothing', signedNum(0.04, 1), 'of 0.0', 'of 0,0'],
    ['a plus', signedNum(4, 0), 'of +4', 'of +4'],
    ['a bare number as it is', 2994.5, 'of 2,994.5', 'of 2.994,5'],
    ['figures with the point of the language', figures('5\'10.5"'), 'of 5\'10.5"', 'of 5\'10,5"'],
    ['a day', dayValue('2026-03-14', true), 'of Mar 14, 2026', 'of 14. März 2026'],
    ['a day without its year', dayValue('2026-03-14'), 'of Mar 14', 'of 14. März'],
    ['another message', say('t.plain'), 'of Save', 'of Save'],
    ['texts as they are', '1.5', 'of 1.5', 'of 1.5'],
    ['a list', listed(['a', 'b', 'c'], 'and'), 'of a, b, and c', 'of a, b und c'],
    ['one of a list', listed(['a', 'b'], 'or'), 'of a or b', 'of a oder b'],
  ])('takes %s', (_, value, us, de) => {
    expect(tell(of(value), american)).toBe(us)
    expect(tell(of(value), german)).toBe(de)
  })

  test('begins small in a sentence and large at its start; sentences follow one another', () => {
    expect(tell(lower(say('t.plain')), american)).toBe('save')
    expect(tell(upper(of(2)), american)).toBe('Of 2')
    expect(tell(sentences(say('t.plain'), undefined, '', 'Now.'), american)).toBe('Save Now.')
    expect(tell(say('t.days', { count: 1 }), american)).toBe('a day')
    expect(tell(say('t.days', { count: 2 }), american)).toBe('days')
  })

  test('is found wherever it stands in data, and nothing else of it changes', () => {
    const plain = fc.jsonValue({ maxDepth: 3 })
    fc.assert(
      fc.property(plain, (value) => {
        // Values that look like a message are not among what is drawn.
        expect(told<unknown>(value, american)).toEqual(value)
      }),
    )
    // What looks like one and is none.
    for (const other of [
      { list: ['a'], by: 'name' },
      { list: ['a'], by: 'text', page: 1 },
      { say: 'x', more: 1, with: {} },
      { lower: 1, upper: 2 },
    ])
      expect(told<unknown>(other, american)).toEqual(other)
    const at = new Date(0)
    const data = { rows: [{ what: say('t.plain'), kg: 2, at }], list: ['a'], by: null }
    expect(told(data, american)).toEqual({
      ...{ rows: [{ what: 'Save', kg: 2, at }], list: ['a'], by: null },
    })
  })
})

test('a refusal says what to do first, then what was got; nobody is shown NaN', () => {
  const refused = (got: unknown) =>
    toldHere(inputError('height', 'impossible', 'Height', got, '100 to 250 cm').said as Message)
  expect(refused(300)).toBe('Height: enter 100 to 250 cm. Got 300.')
  expect(refused('tall')).toBe('Height: enter 100 to 250 cm. Got “tall”.')
  for (const nothing of [undefined, null, '', NaN])
    expect(refused(nothing)).toBe('Height: enter 100 to 250 cm.')
  expect(refused(['a'])).toMatch(/Got a list of 1\.$/)
  expect(refused({})).toMatch(/Got something of another form\.$/)
  expect(refused('x'.repeat(90))).toMatch(/“x{60}…”\.$/)
  expect(inputError('height', 'missing', 'Height', '', 'x')).toBeInstanceOf(InputError)
})

test('a request is answered in the language chosen, else in one that is wished for and here', () => {
  expect(languageAsked('en-GB', 'en-US')).toBe('en-GB')
  expect(languageAsked(PSEUDO_LOCALE, undefined)).toBe(PSEUDO_LOCALE)
  expect(languageAsked('xx', 'fr, en-GB;q=0.8')).toBe('en-GB')
  expect(languageAsked(undefined, undefined)).toBe('en-US')
  // Made up for looking at long words: nobody gets it who did not choose it.
  expect(languageAsked(undefined, PSEUDO_LOCALE)).toBe('en-US')
  const edema = say('protocols.edemaLymphedema')
  expect(tell(edema, voiceOf('en-US'))).toMatch(/^Edema/)
  expect(tell(edema, voiceOf('en-GB'))).toMatch(/^Oedema/)
  expect(tell(edema, voiceOf(PSEUDO_LOCALE))).toContain(FILLER)
})
