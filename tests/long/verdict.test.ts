import { describe, expect, test } from 'vitest'
import {
  compare,
  judgeChange,
  protocolById,
  EQUATION_QUANTITIES,
  quantityOf,
  type EquationQuantity,
  type Reading,
  type Skill,
} from '#core'
import { people, type Person, type Visit } from '../core/simulation'
import { fold } from '../core/support'

const protocol = protocolById('seven-fold')

/** A visit of the simulation as the record has it, trial by trial. */
function recordOf(visit: Visit, measuredOn: string, skill: Skill) {
  const folds = [...visit.trials].flatMap(([site, trials]) =>
    trials.map((value, i) => fold(site as 'chest', i + 1, value)),
  )
  const mass: Reading = {
    ...{ id: 'mass', kind: 'mass', site: null, standard: null, trial: 1 },
    ...{ value: visit.massKg, takenAt: '2026-01-01T08:00:00Z', supersedes: null },
  }
  return {
    protocolId: protocol.id,
    conversion: 'siri' as const,
    measuredOn,
    readings: [...folds, mass],
    // A scale that shows every gram and a caliper that shows half millimetres, as they are simulated.
    setup: { skill, graduation: { mm: 0.5 } },
  }
}

function judged(person: Person, skill: Skill) {
  const { sex, ageYears } = person
  const client = { sex, birthDate: `${2026 - ageYears}-01-01`, heightCm: 170 }
  return judgeChange(
    client,
    recordOf(person.before, '2026-05-01', skill),
    recordOf(person.now, '2026-05-29', skill),
  )
}

/** The change that there was: the same equation on error-free folds and mass. */
function truthOf({ sex, ageYears, before, now }: Person) {
  const of = ({ truth }: Visit) => ({
    subject: { sex, ageYears, massKg: truth.massKg },
    values: truth.values,
  })
  const { before: then, after } = compare('jackson-pollock-7', of(before), of(now))
  return (quantity: EquationQuantity) => quantityOf(quantity, after)! - quantityOf(quantity, then)!
}

const CLIENTS = 10_000

describe.each<Skill>(['trained', 'novice'])('10,000 simulated clients of a %s hand', (skill) => {
  test('the 95 % intervals hold the truth 93 to 97 times in 100', () => {
    const club = people({ seed: 0.61, skill })
    const held = Object.fromEntries(EQUATION_QUANTITIES.map((q) => [q, 0]))
    let thirds = 0
    for (let i = 0; i < CLIENTS; i++) {
      const person = club.next()
      const truth = truthOf(person)
      const { quantities } = judged(person, skill)
      thirds += [...person.now.trials.values()].some((t) => t.length > 2) ? 1 : 0
      for (const quantity of EQUATION_QUANTITIES) {
        const [low, high] = quantities[quantity]!.interval
        if (truth(quantity) >= low && truth(quantity) <= high) held[quantity]!++
      }
    }
    expect(thirds).toBeGreaterThan(CLIENTS / 4)
    for (const quantity of EQUATION_QUANTITIES) {
      expect(held[quantity]! / CLIENTS, quantity).toBeGreaterThan(0.93)
      expect(held[quantity]! / CLIENTS, quantity).toBeLessThan(0.97)
    }
  }, 60_000)

  test('of those who did not change at most 5 in 100 are called clearly changed', () => {
    const club = people({ seed: 0.27, skill, change: [0, 0], own: 0 })
    let clear = 0
    for (let i = 0; i < CLIENTS; i++) {
      const { sum, fatMass } = judged(club.next(), skill).quantities
      if (sum!.certainty === 'clear' || fatMass!.certainty === 'clear') clear++
    }
    expect(clear / CLIENTS).toBeLessThan(0.05)
    expect(clear).toBeGreaterThan(0)
  }, 60_000)
})
