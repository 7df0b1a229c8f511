/* Printed tables, one after another: longer than other files, and looked up rather than read. */
import { COMMON_PRACTICE } from '../units/said'
import { type Message, say, type Words } from '../say'
import type { GirthId, Sex } from '../anatomy/ids'
import { namesOf } from '../anatomy/names'
import { inputError } from '../errors'
import { CM_PER_INCH } from '../units/constants'
import { PERCENTILES, fatByPercentile } from './percentiles'

/** What a table classifies. */
export type NormQuantity =
  'fatPercent' | 'bmi' | 'bmiForAge' | 'heightForAge' | 'waistToHip' | 'waist' | 'waistToHeight'

/** One band: from `from` up to, not including, the next band's. */
export interface Band {
  name: Message
  /** Lower end in the table's unit; -Infinity for the lowest. */
  from: number
  /** Upper end, not included; Infinity for the highest. */
  to: number
}

export interface NormTable {
  id: string
  name: Message
  source: Words
  of: NormQuantity
  unit: string
  /** The girths that the table may be fed with; another one is said beside the result. */
  girths?: GirthId[]
  note?: Message
  /** The bands for a person, lowest first, or null where the table says nothing of that age; NaN is an unknown one. */
  bands(sex: Sex, ageYears: number): Band[] | null
}

/** Bands from names and the edges between them. */
function banded(names: Message[], edges: number[]): Band[] {
  return names.map((name, i) => ({
    name,
    from: i === 0 ? -Infinity : edges[i - 1]!,
    to: edges[i] ?? Infinity,
  }))
}

const bySex = (male: Band[], female: Band[]) => (sex: Sex) => (sex === 'male' ? male : female)

const ADULT_YEARS = 18

/** Bands that hold for adults only. */
const ofAdults = (bands: (sex: Sex) => Band[]) => (sex: Sex, ageYears: number) =>
  ageYears < ADULT_YEARS ? null : bands(sex)

/** The edge of "over" a value: no tape reads finer than a millimetre. */
const justOver = (cm: number) => cm + 0.05

/** Bands of the growth reference, by standard deviations from the middle of the age; nobody stands right on a limit. */
const ofGrowing = (names: Message[], edges: number[]) => (_: Sex, ageYears: number) =>
  ageYears >= 5 && ageYears < 19 ? banded(names, edges) : null
const WHO_GROWTH = say('norms.growthSource')
const BMI_FOR_AGE = [
  say('norms.severeThinness'),
  say('norms.thinness'),
  say('norms.usualForAge'),
  say('norms.overweightForAge'),
  say('norms.obesityForAge'),
]
const HEIGHT_FOR_AGE = [
  say('norms.veryShortForAge'),
  say('norms.shortForAge'),
  say('norms.usualForAge'),
  say('norms.tallForAge'),
]

/** The column of a table by age: the last whose first year is not after the age. */
function column<T>(columns: [firstYear: number, value: T][], age: number): T | null {
  return columns.findLast(([first]) => age >= first)?.[1] ?? null
}

const ACE = [
  say('norms.underEssentialRange'),
  say('norms.essentialBand'),
  say('norms.athletesBand'),
  say('norms.fitnessBand'),
  say('norms.averageBand'),
  say('norms.aboveAverageRange'),
]
const WAIST_RISK = [
  say('norms.increased'),
  say('norms.increasedBand'),
  say('norms.substantiallyIncreased'),
]
const HIP_RISK = [say('norms.risk'), say('norms.risk2')]
const INCH_RISK = [say('norms.risk'), say('norms.risk2')]
/** Names of the guideline; under 0.4 it says that somebody may be underweight. */
const HEIGHT_RISK = [
  say('norms.mayUnderweight'),
  say('norms.healthyBand'),
  say('norms.increasedBand'),
  say('norms.highBand'),
]
const ACSM_WAIST = [
  say('norms.veryLow'),
  say('norms.lowBand'),
  say('norms.highBand'),
  say('norms.veryHigh'),
]
const FIVE_STEPS = [
  say('norms.farBelowAverage'),
  say('norms.belowAverage'),
  say('norms.averageBand'),
  say('norms.aboveAverage'),
  say('norms.farAboveAverage'),
]
/** How many in 100 have more fat, where one step ends and the next begins. */
const FIFTHS = [80, 60, 40, 20]
const IN_BAND = [say('norms.belowRange'), say('norms.range'), say('norms.aboveRange')]

const gallagher: Record<Sex, [number, number[]][]> = {
  female: [
    [20, [21, 33, 39]],
    [40, [23, 35, 41]],
    [60, [25, 38, 43]],
  ],
  male: [
    [20, [8, 21, 26]],
    [40, [11, 23, 29]],
    [60, [13, 25, 31]],
  ],
}

const coaching: Record<Sex, [number, [number, number]][]> = {
  male: [
    [20, [14, 20]],
    [30, [15, 21]],
    [40, [17, 23]],
    [50, [18, 24]],
    [60, [19, 25]],
  ],
  female: [
    [20, [20, 28]],
    [30, [21, 29]],
    [40, [22, 30]],
    [50, [23, 31]],
    [60, [24, 32]],
  ],
}

/** Every range table, each with its source; none is mixed with another, and the coach chooses. */
export const NORM_TABLES: readonly NormTable[] = [
  {
    id: 'ace',
    name: say('norms.americanCouncilExercise'),
    source: 'American Council on Exercise',
    of: 'fatPercent',
    unit: '%',
    bands: bySex(banded(ACE, [2, 6, 14, 18, 25]), banded(ACE, [10, 14, 21, 25, 32])),
  },
  {
    id: 'gallagher-white',
    name: say('norms.gallagher2000WhiteColumn'),
    source: 'Gallagher D et al. Am J Clin Nutr 2000;72:694-701',
    of: 'fatPercent',
    unit: '%',
    note: say('norms.publishedThreeGroupsColumnNamed'),
    bands: (sex, age) => {
      const edges = age < 80 ? column(gallagher[sex], age) : null
      return (
        edges &&
        banded(
          [
            say('norms.bmiUnder185'),
            say('norms.bmi18525'),
            say('norms.bmi2530'),
            say('norms.bmiOver30'),
          ],
          edges,
        )
      )
    },
  },
  {
    id: 'health-range',
    name: say('norms.healthRangeWithoutAge'),
    source: COMMON_PRACTICE,
    of: 'fatPercent',
    unit: '%',
    bands: bySex(banded(IN_BAND, [10, 20]), banded(IN_BAND, [20, 32])),
  },
  {
    id: 'coaching-age',
    name: say('norms.coachingChartAge'),
    source: COMMON_PRACTICE,
    of: 'fatPercent',
    unit: '%',
    bands: (sex, age) => {
      const edges = column(coaching[sex], age)
      return edges && banded(IN_BAND, edges)
    },
  },
  {
    id: 'five-steps-age',
    name: say('norms.fiveStepsAge'),
    source: say('norms.fifthsSource'),
    of: 'fatPercent',
    unit: '%',
    bands: (sex, age) => {
      const cells = fatByPercentile(sex, age)
      return (
        cells &&
        banded(
          FIVE_STEPS,
          FIFTHS.map((share) => cells[PERCENTILES.indexOf(share)]!),
        )
      )
    },
  },
  {
    id: 'bmi-who',
    name: say('norms.bmiWorldHealthOrganization'),
    source: 'World Health Organization, Technical Report Series 894, 2000 (from memory)',
    of: 'bmi',
    unit: 'kg/m²',
    note: say('norms.adults'),
    bands: ofAdults(() =>
      banded(
        [
          say('norms.underweightBand'),
          say('norms.normalRange'),
          say('norms.preObeseBand'),
          say('norms.obeseClassI'),
          say('norms.obeseClassIi'),
          say('norms.obeseClassIii'),
        ],
        [18.5, 25, 30, 35, 40],
      ),
    ),
  },
  {
    id: 'bmi-age-who',
    name: say('norms.bmiForAgeWho'),
    source: WHO_GROWTH,
    of: 'bmiForAge',
    unit: 'SD',
    note: say('norms.growthNote'),
    bands: ofGrowing(BMI_FOR_AGE, [-3, -2, 1, 2]),
  },
  {
    id: 'height-age-who',
    name: say('norms.heightForAgeWho'),
    source: WHO_GROWTH,
    of: 'heightForAge',
    unit: 'SD',
    note: say('norms.growthNote'),
    bands: ofGrowing(HEIGHT_FOR_AGE, [-3, -2, 2]),
  },
  {
    id: 'whr-who',
    name: say('norms.waistHipWorldHealthOrganization'),
    source: 'World Health Organization',
    of: 'waistToHip',
    unit: '',
    girths: ['waist_midway'],
    bands: ofAdults(bySex(banded(HIP_RISK, [0.9]), banded(HIP_RISK, [0.85]))),
  },
  {
    id: 'whr-coaching',
    name: say('norms.waistHipCoaching'),
    source: COMMON_PRACTICE,
    of: 'waistToHip',
    unit: '',
    girths: ['waist'],
    bands: ofAdults(bySex(banded(HIP_RISK, [0.95]), banded(HIP_RISK, [0.86]))),
  },
  {
    id: 'waist-who',
    name: say('norms.waistWhoNhlbi'),
    source: 'World Health Organization; National Heart, Lung, and Blood Institute',
    of: 'waist',
    unit: 'cm',
    girths: ['waist_midway', 'iliac'],
    // Printed as over 94 cm and so on: 94.0 itself is still low.
    bands: ofAdults(
      bySex(
        banded(WAIST_RISK, [justOver(94), justOver(102)]),
        banded(WAIST_RISK, [justOver(80), justOver(88)]),
      ),
    ),
  },
  {
    id: 'waist-over-40-in',
    name: say('norms.waistRiskOver40Men'),
    source: 'National Cholesterol Education Program, Adult Treatment Panel III, 2001 (from memory)',
    of: 'waist',
    unit: 'cm',
    girths: ['iliac'],
    note: say('norms.n4035InchesThemselvesLimit'),
    bands: ofAdults(
      bySex(
        banded(INCH_RISK, [justOver(40 * CM_PER_INCH)]),
        banded(INCH_RISK, [justOver(35 * CM_PER_INCH)]),
      ),
    ),
  },
  {
    id: 'waist-from-40-in',
    name: say('norms.waistRisk40Men35'),
    source: 'Grundy SM et al. Circulation 2005;112:2735-2752 (from memory)',
    of: 'waist',
    unit: 'cm',
    girths: ['iliac'],
    note: say('norms.n4035InchesThemselvesRisk'),
    bands: ofAdults(
      bySex(banded(INCH_RISK, [40 * CM_PER_INCH]), banded(INCH_RISK, [35 * CM_PER_INCH])),
    ),
  },
  {
    id: 'waist-acsm',
    name: say('norms.waistFourSteps'),
    source: 'American College of Sports Medicine after Bray',
    of: 'waist',
    unit: 'cm',
    girths: ['waist'],
    // Very high is over 120 cm for men and over 110 for women: those values themselves are still high.
    bands: ofAdults(
      bySex(
        banded(ACSM_WAIST, [80, 100, justOver(120)]),
        banded(ACSM_WAIST, [70, 90, justOver(110)]),
      ),
    ),
  },
  {
    id: 'whtr-nice',
    name: say('norms.waistHeightNice2022'),
    source: 'National Institute for Health and Care Excellence, 2022',
    of: 'waistToHeight',
    unit: '',
    girths: ['waist_midway'],
    bands: () => banded(HEIGHT_RISK, [0.4, 0.5, 0.6]),
  },
]

/** Where a value falls, with the table and what there is to say about the girth it was fed with. */
export interface Classification {
  table: NormTable
  band: Band
  bands: Band[]
  /** Said when the table wants another girth than it was given. */
  girthNote?: Message
}

/** Whether a table is made for a girth; one that names none takes any. */
const fitsGirth = ({ girths }: Pick<NormTable, 'girths'>, girth: GirthId) =>
  !girths || girths.includes(girth)

/**
 * Classifies a value by one named table.
 *
 * @param tableId id in NORM_TABLES
 * @param value in the table's unit
 * @param person an unknown age is taken for an adult's by the tables that have one column for all
 * @param girth the girth that a waist came from
 * @returns null where the table says nothing of that age
 * @throws InputError naming `table` or `value`
 */
export function classify(
  tableId: string,
  value: number,
  person: { sex: Sex; ageYears?: number },
  girth?: GirthId,
): Classification | null {
  const table = NORM_TABLES.find((t) => t.id === tableId)
  if (!table) {
    throw inputError(
      'table',
      'unknown',
      say('norms.rangeTable'),
      tableId,
      NORM_TABLES.map((t) => t.id).join(', '),
    )
  }
  if (!Number.isFinite(value)) {
    throw inputError(
      'value',
      'not-a-number',
      table.name,
      value,
      say('norms.number', { unit: table.unit || 'ratio' }),
    )
  }
  const bands = table.bands(person.sex, Math.floor(person.ageYears ?? NaN))
  const band = bands?.find(({ from, to }) => value >= from && value < to)
  if (!bands || !band) return null
  const other = girth && !fitsGirth(table, girth)
  return {
    table,
    band,
    bands,
    ...(other
      ? {
          girthNote: say('norms.madeAnotherLandmark', { girths: namesOf(table.girths!, 'or') }),
        }
      : {}),
  }
}
