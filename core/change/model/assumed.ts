import { fixed } from '../../units/format'
import {
  CLEAR_ODDS,
  FAT_MOVES,
  GIRTH_SHARE_PER_KG,
  LARGER_ERRORS,
  LARGER_SHARE,
  LEAN_MOVES,
  LIKELY_ODDS,
  MATTERS,
  type ModelFigures,
  type Movement,
} from './figures'

/** One figure that the judgement of a record rests on: what it is, how large, and why. */
export interface Assumed {
  what: string
  value: string
  why: string
}

const percent = (share: number, digits = 1) => `${fixed(100 * share, digits)}%`

const movement = ({ slope, turn, wander }: Movement) =>
  `${slope} kg a week, turning by ${fixed(turn, 3)} a week and wandering by ${fixed(wander, 3)} kg in four weeks`

/** The figures in use, in the order in which they are asked about. */
export function assumedIn(figures: ModelFigures): { title: string; rows: Assumed[] }[] {
  return [
    {
      title: 'Errors of a check-in, besides those of each site',
      rows: [
        {
          what: 'The technical errors of the folds, times',
          value: fixed(figures.technical, 2),
          why: 'Of each site and tester, as in the list below or as their duplicates have it.',
        },
        {
          what: 'All folds of a visit together',
          value: percent(figures.session),
          why: 'The day: water, warmth, a hand that presses more or less.',
        },
        {
          what: 'All folds of a sum together',
          value: percent(figures.sumSession),
          why: 'The same, where no equation takes the age and the mass along.',
        },
        {
          what: 'A girth on one day',
          value: percent(figures.girthSession),
          why: 'Breath, meals, how tight the tape was.',
        },
        {
          what: 'Another tester or caliper, folds',
          value: percent(figures.pairBias),
          why: 'Each pair has its own way; being measured by both by turns tells it apart.',
        },
        {
          what: 'Another tester, girths',
          value: percent(figures.girthBias),
          why: 'Tapes are alike, hands are not.',
        },
        {
          what: 'One weighing',
          value: `${fixed(figures.massKg, 2)} kg`,
          why: 'Food and water; a week of weigh-ins has less by the root of its days.',
        },
        {
          what: 'The equation’s own bias in one person, in ten weeks',
          value: `${figures.driftPoints} points of fat`,
          why: 'A body changes in ways that no equation sees.',
        },
        {
          what: 'The equation’s slope in one person',
          value: `${percent(figures.equationSlope)} of a change of fat`,
          why: 'A kilogram by the equation is not exactly a kilogram in everybody.',
        },
        {
          what: 'Larger errors than all these',
          value: `${LARGER_ERRORS} times, for ${percent(LARGER_SHARE)} of people`,
          why: 'Of the scale and of the method each; the record says whom it fits.',
        },
      ],
    },
    {
      title: 'How a body may move',
      rows: [
        ...(
          [
            ['Fat', FAT_MOVES],
            ['Lean', LEAN_MOVES],
          ] as const
        ).flatMap(([part, moves]) =>
          moves.map((move, i) => ({
            what: `${part}, ${i === 0 ? 'widely' : 'narrowly'}`,
            value: movement(move),
            why:
              i === 0
                ? 'One standard deviation; twice as fast is still usual.'
                : 'Most people, most of the time.',
          })),
        ),
        {
          what: 'A girth with a kilogram of fat',
          value: `${percent(GIRTH_SHARE_PER_KG)} of it`,
          why: 'About a centimeter of a waist.',
        },
      ],
    },
    {
      title: 'When something is said',
      rows: [
        {
          what: 'Clear',
          value: `odds of ${CLEAR_ODDS} and more`,
          why: 'Somebody who did not change reaches them in at most one phase of twenty, however often one looks.',
        },
        {
          what: 'Likely',
          value: `odds of ${LIKELY_ODDS} and more`,
          why: 'Only ever said with “probably”.',
        },
        {
          what: 'No change that matters',
          value: `within ${MATTERS.fat} kg of fat, ${MATTERS.lean} kg of lean, ${MATTERS.mass} kg of mass, ${MATTERS.fold} mm a fold, ${MATTERS.girth} cm`,
          why: 'About what a coach would change a plan for.',
        },
      ],
    },
  ]
}
