import { randomUUID } from 'node:crypto'
import { randomLcg, randomNormal } from 'd3-random'
import {
  addDays,
  nextInStudy,
  usualRepeatError,
  type IsoDate,
  type SiteId,
  type StudyTrial,
} from '../core/index'
import type { Connection } from '../server/database/driver'
import { practiceRounds, studies, studyTrials } from '../server/database/schema'

/* Who measures at the club was studied too: one study is done, one waits half way. */

const SITES: SiteId[] = ['triceps', 'subscapular', 'abdominal', 'thigh', 'medial_calf', 'waist']
/** What each site reads on the first person, mm or cm, and how much more on each that follows. */
const READS: Record<string, readonly [first: number, more: number]> = {
  ...{ triceps: [9, 0.8], subscapular: [10, 0.7], abdominal: [14, 1.1], thigh: [13, 1] },
  ...{ medial_calf: [8, 0.6], waist: [71, 1.6] },
}
const PLACES = ['Stroke', 'Seven', 'Six', 'Five', 'Four', 'Three', 'Two', 'Bow']
const CREW = ['First', 'Second'].flatMap((boat) => PLACES.map((seat) => `${boat} eight, ${seat}`))
const SKIFFS = ['Skiff A', 'Skiff B', 'Skiff C', 'Skiff D']

/** How a hand reads: its error over a trained one's, by site where it is another. */
type Hand = (site: SiteId) => number
const MARA: Hand = (site) => (site === 'medial_calf' ? 0.9 : site === 'waist' ? 0.35 : 0.62)
const WIM: Hand = (site) => (site === 'abdominal' ? 2.6 : site === 'waist' ? 1.4 : 1.7)

interface DemoStudy {
  id: string
  testers: readonly { id: string; hand: Hand; more: number }[]
  subjects: string[]
  begunOn: IsoDate
  /** How many of its subjects are done; the last one only begun. */
  done: number
}

/** Stores the club's studies. */
export async function seedStudies(
  tx: Connection,
  {
    caliperId,
    tapeId,
    coachId,
    otherId,
    today,
  }: Record<'caliperId' | 'tapeId' | 'coachId' | 'otherId' | 'today', string>,
): Promise<void> {
  const coach = { id: coachId, hand: MARA, more: 0 }
  const novice = { id: otherId, hand: WIM, more: 0.9 }
  const all: DemoStudy[] = [
    {
      ...{ id: randomUUID(), testers: [coach], subjects: [...CREW, ...SKIFFS], done: 20 },
      begunOn: addDays(today, -75),
    },
    {
      ...{ id: randomUUID(), testers: [novice, coach], subjects: CREW.slice(0, 12), done: 6 },
      begunOn: addDays(today, -6),
    },
  ]
  const normal = randomNormal.source(randomLcg(0.27))(0, 1)
  for (const { id, testers, subjects, begunOn, done } of all) {
    // The order of a lot that was drawn once.
    const order = subjects.map((_, i) => (i * 7 + 3) % subjects.length)
    const whole = done === subjects.length
    await tx.insert(studies).values({
      ...{ id, testerId: testers[0]!.id, referenceId: testers[1]?.id ?? null, standard: 'us' },
      ...{ sites: SITES, subjects, order, caliperId, tapeId, begunOn },
      endedAt: whole ? new Date(`${begunOn}T19:00:00`) : null,
    })
    const design = { testers: testers.map((one) => one.id), sites: SITES, order }
    const trials: StudyTrial[] = []
    for (const { id: tester, hand, more } of testers) {
      const wanted = done * SITES.length * 2 + (whole ? 0 : 3)
      for (let taken = 0; taken < wanted; taken++) {
        const step = nextInStudy(design, trials, tester)!
        const [first, each] = READS[step.site]!
        const truth = first + each * ((step.subject * 5) % 16)
        const error = hand(step.site) * usualRepeatError(step.site) * normal()
        const graduation = step.site === 'waist' ? 0.1 : 0.5
        const read = Math.round((truth + more + error) / graduation) * graduation
        trials.push({ ...step, value: Number(read.toFixed(1)) })
      }
    }
    await tx.insert(studyTrials).values(
      trials.map(({ tester: testerId, value, ...box }) => ({
        ...{ ...box, id: randomUUID(), studyId: id, testerId, takenOn: begunOn },
        ...{ valueCanonical: value, typedText: String(value) },
        typedUnit: box.site === 'waist' ? ('cm' as const) : ('mm' as const),
      })),
    )
  }

  // The novice practises: better from week to week, and fond of halves.
  await tx.insert(practiceRounds).values(
    [0.9, 0.7, 0.55, 0.5, 0.42, 0.36].map((error, round) => ({
      ...{ id: randomUUID(), testerId: otherId, kind: 'dial' as const, tries: 10 },
      ...{ doneOn: addDays(today, 7 * round - 42), error, bias: error / 3, late: -error },
      typed: Array.from({ length: 10 }, (_, i) => {
        const read = 12 + 3 * i + round + normal()
        return Number((i % 5 < 3 ? Math.round(2 * read) / 2 : read).toFixed(1))
      }),
    })),
  )
  await tx.insert(practiceRounds).values(
    [4.1, 2.6].map((error, round) => ({
      ...{ id: randomUUID(), testerId: otherId, kind: 'landmarks' as const, tries: 8, error },
      doneOn: addDays(today, 7 * round - 20),
    })),
  )
}
