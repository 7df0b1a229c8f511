import { describe, expect, test } from 'vitest'
import {
  attentionOf,
  HEADLINE_RULES,
  LOOK_AT,
  planStandingNow,
  WORTH_TELLING,
  type HeadlineRule,
} from '#core'
import { changeOf, headlineWith, WAYS, type Way } from './headlines'
import { COURSES, follow, WORLDS, type Course } from './worlds'

const headline = (rule: HeadlineRule, fat: Way, lean: Way) =>
  headlineWith(rule, [changeOf('fat', fat), changeOf('lean', lean)])

describe('what a record asks of the coach', () => {
  const found = HEADLINE_RULES.flatMap((rule) =>
    WAYS.flatMap((fat) =>
      WAYS.flatMap((lean) =>
        [true, false].map((behind) => ({
          ...{ rule, fat, lean, behind },
          asks: attentionOf(headline(rule, fat, lean), '2030-03-04', behind),
        })),
      ),
    ),
  )

  test('everything that a record can ask is asked somewhere', () => {
    const asked = new Set(found.map(({ asks }) => asks?.item))
    // The others are asked by what is not in a record: the calendar, and what came in.
    const others = new Set<string>(['missed-twice', 'report', 'weekly-report'])
    const own = LOOK_AT.filter((item) => !others.has(item))
    for (const item of [...own, ...WORTH_TELLING]) expect(asked).toContain(item)
  })

  test('nobody is told good news of lean that went or fat that came, nor of what is not clear', () => {
    for (const { rule, fat, lean, asks } of found) {
      if (asks?.kind !== 'tell') continue
      expect(['phase-clear', 'first-clear']).toContain(rule)
      expect(fat <= 0 && lean >= 0 && (fat === -1 || lean === 1)).toBe(true)
    }
  })

  test('danger comes before a plan that is missed, and a plan before all else', () => {
    for (const { rule, behind, asks } of found) {
      if (rule === 'too-fast' || rule === 'losing-lean') expect(asks?.item).toBe(rule)
      else if (behind) expect(asks?.item).toBe('behind')
    }
  })

  test('a look is new with every check-in; what is told is not told again for the same time', () => {
    const at = (rule: HeadlineRule, fat: Way, date: string) =>
      attentionOf(headline(rule, fat, 0), date)!.about
    expect(at('losing-lean', 0, '2030-03-04')).not.toBe(at('losing-lean', 0, '2030-04-01'))
    expect(at('phase-clear', -1, '2030-03-04')).toBe(at('phase-clear', -1, '2030-04-01'))
    const since = { ...headline('phase-clear', -1, 0), since: '2030-02-04' }
    expect(attentionOf(since, '2030-03-04')!.about).not.toBe(at('phase-clear', -1, '2030-03-04'))
  })
})

/* People whose plan is what they truly do, or who stand still under it; a look every two weeks. */
describe('how a record stands to its plan', () => {
  const PEOPLE = 80
  const start = { sex: 'female', ageYears: 34, fatKg: 25, leanKg: 55, standardError: 3.5 } as const
  const WEEKS = 26

  /** At each look after the first: whether it is called behind, by a plan of so much fat a week. */
  function looks(course: Course, kgAWeek: (truth: number) => number) {
    return Array.from({ length: PEOPLE }, (_, person) => {
      const told = follow((person * 0.618 + 0.21) % 1, {
        ...{ world: WORLDS.ideal, course, weeks: WEEKS, spacing: 2 },
      })
      const whole = kgAWeek(told.at(-1)!.truth('fat', 'first') / WEEKS) * WEEKS
      const goal = { kind: 'fatMass', value: start.fatKg + whole } as const
      const plan = { startedOn: told[0]!.look.date, goal, weeks: WEEKS, start }
      return told.slice(1).map(({ week, look }) => ({ week, now: planStandingNow(look, plan) }))
    })
  }
  const share = (all: readonly boolean[]) => all.filter(Boolean).length / all.length

  test('who is exactly on the plan is called behind in at most 5 % of looks', () => {
    const on = looks(COURSES.cut(0.5), (truth) => truth).flat()
    expect(on.length).toBe(PEOPLE * (WEEKS / 2))
    expect(share(on.map(({ now }) => now!.standing === 'behind'))).toBeLessThanOrEqual(0.05)
  })

  test('who stands still is called behind within 6 weeks in four of five', () => {
    const still = looks(COURSES.unchanged, () => -0.4)
    const early = still.map((person) =>
      person.some(({ week, now }) => week <= 6 && now!.standing === 'behind'),
    )
    expect(share(early)).toBeGreaterThanOrEqual(0.8)
  })

  test('says nothing of a goal without fat, and nothing in the first days', () => {
    const [first, second] = follow(0.3, {
      ...{ world: WORLDS.ideal, course: COURSES.unchanged, weeks: 4, spacing: 1 },
    })
    const plan = { startedOn: first!.look.date, weeks: 10, start }
    const lean = { ...plan, goal: { kind: 'holdLean' } as const }
    expect(planStandingNow(second!.look, lean)).toBeUndefined()
    const fat = { ...plan, goal: { kind: 'fatMass', value: 20 } as const }
    expect(planStandingNow(second!.look, fat)).toBeUndefined()
  })
})
