import { type Message, num, say } from '../../say'
import { figureSaid, kgSaid, percentSaid as percent } from '../../units/said'
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
  what: Message
  value: Message
  why: Message
}

const movement = ({ slope, turn, wander }: Movement) =>
  say('change.kgWeekTurningWeekWandering', { slope, turn: num(turn, 3), wander: num(wander, 3) })

/** The figures in use, in the order in which they are asked about. */
export function assumedIn(figures: ModelFigures): { title: Message; rows: Assumed[] }[] {
  return [
    {
      title: say('change.errorsCheckBesidesThoseEach'),
      rows: [
        {
          what: say('change.technicalErrorsFoldsTimes'),
          value: figureSaid(figures.technical, 2),
          why: say('change.eachSiteTesterListBelow'),
        },
        {
          what: say('change.allFoldsVisitTogether'),
          value: percent(figures.session),
          why: say('change.dayWaterWarmthHandPresses'),
        },
        {
          what: say('change.allFoldsSumTogether'),
          value: percent(figures.sumSession),
          why: say('change.sameWhereEquationTakesAge'),
        },
        {
          what: say('change.girthOneDay'),
          value: percent(figures.girthSession),
          why: say('change.breathMealsHowTightTape'),
        },
        {
          what: say('change.anotherTesterCaliperFolds'),
          value: percent(figures.pairBias),
          why: say('change.eachPairHasOwnWay'),
        },
        {
          what: say('change.anotherTesterGirths'),
          value: percent(figures.girthBias),
          why: say('change.tapesAlikeHands'),
        },
        {
          what: say('change.oneWeighing'),
          value: kgSaid(figures.massKg, 2),
          why: say('change.foodWaterWeekWeighIns'),
        },
        {
          what: say('change.equationsOwnBiasOnePerson'),
          value: say('change.pointsFat', { driftPoints: figures.driftPoints }),
          why: say('change.bodyChangesWaysEquationSees'),
        },
        {
          what: say('change.equationsSlopeOnePerson'),
          value: say('change.changeFat', { equationSlope: percent(figures.equationSlope) }),
          why: say('change.kilogramEquationExactlyKilogramEverybody'),
        },
        {
          what: say('change.largerErrorsAllThese'),
          value: say('change.timesPeople', {
            largerErrors: LARGER_ERRORS,
            largerShare: percent(LARGER_SHARE),
          }),
          why: say('change.scaleMethodEachRecordSays'),
        },
      ],
    },
    {
      title: say('change.howBodyMayMove'),
      rows: [
        ...(
          [
            [[say('change.fatWidely'), say('change.fatNarrowly')], FAT_MOVES],
            [[say('change.leanWidely'), say('change.leanNarrowly')], LEAN_MOVES],
          ] as const
        ).flatMap(([parts, moves]) =>
          moves.map((move, i) => ({
            what: parts[i === 0 ? 0 : 1],
            value: movement(move),
            why:
              i === 0
                ? say('change.oneStandardDeviationTwiceFast')
                : say('change.mostPeopleMostTime'),
          })),
        ),
        {
          what: say('change.girthKilogramFat'),
          value: say('change.ofIt', { girthSharePerKg: percent(GIRTH_SHARE_PER_KG) }),
          why: say('change.aboutCentimeterWaist'),
        },
      ],
    },
    {
      title: say('change.whenSomethingSaid'),
      rows: [
        {
          what: say('change.clear'),
          value: say('change.oddsMore', { clearOdds: CLEAR_ODDS }),
          why: say('change.somebodyWhoDidChangeReaches'),
        },
        {
          what: say('change.likely'),
          value: say('change.oddsMore2', { likelyOdds: LIKELY_ODDS }),
          why: say('change.onlyEverSaidProbably'),
        },
        {
          what: say('change.changeMatters'),
          value: say('change.withinKgFatKgLean', {
            fat: MATTERS.fat,
            lean: MATTERS.lean,
            mass: MATTERS.mass,
            fold: MATTERS.fold,
            girth: MATTERS.girth,
          }),
          why: say('change.aboutWhatCoachWouldChange'),
        },
      ],
    },
  ]
}
