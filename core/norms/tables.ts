import type { GirthId, Sex } from '../anatomy/ids'
import { namesOf } from '../anatomy/names'
import { inputError } from '../errors'
import { CM_PER_INCH } from '../units/constants'
import { PERCENTILES, fatByPercentile } from './percentiles'

/** What a table classifies. */
export type NormQuantity = 'fatPercent' | 'bmi' | 'waistToHip' | 'waist' | 'waistToHeight'

/** One band: from `from` up to, not including, the next band's. */
export interface Band {
  name: string
  /** Lower end in the table's unit; -Infinity for the lowest. */
  from: number
  /** Upper end, not included; Infinity for the highest. */
  to: number
}

export interface NormTable {
  id: string
  name: string
  source: string
  of: NormQuantity
  unit: string
  /** The girths that the table may be fed with; another one is said beside the result. */
  girths?: GirthId[]
  note?: string
  /** The bands for a person, lowest first, or null where the table says nothing of that age; NaN is an unknown one. */
  bands(sex: Sex, ageYears: number): Band[] | null
}

/** Bands from names and the edges between them. */
function banded(names: string[], edges: number[]): Band[] {
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

/** The column of a table by age: the last whose first year is not after the age. */
function column<T>(columns: [firstYear: number, value: T][], age: number): T | null {
  return columns.findLast(([first]) => age >= first)?.[1] ?? null
}

const ACE = [
  'under the essential range',
  'essential',
  'athletes',
  'fitness',
  'average',
  'above the average range',
]
const WAIST_RISK = ['not increased', 'increased', 'substantially increased']
const HIP_RISK = ['not at risk', 'at risk']
const INCH_RISK = ['not at risk', 'at risk']
/** Names of the guideline; under 0.4 it says that somebody may be underweight. */
const HEIGHT_RISK = ['may be underweight', 'healthy', 'increased', 'high']
const ACSM_WAIST = ['very low', 'low', 'high', 'very high']
const FIVE_STEPS = [
  'far below average',
  'below average',
  'average',
  'above average',
  'far above average',
]
/** How many in 100 have more fat, where one step ends and the next begins. */
const FIFTHS = [80, 60, 40, 20]
const IN_BAND = ['below the range', 'in the range', 'above the range']

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
    name: 'American Council on Exercise',
    source: 'American Council on Exercise',
    of: 'fatPercent',
    unit: '%',
    bands: bySex(banded(ACE, [2, 6, 14, 18, 25]), banded(ACE, [10, 14, 21, 25, 32])),
  },
  {
    id: 'gallagher-white',
    name: 'Gallagher 2000, White column',
    source: 'Gallagher D et al. Am J Clin Nutr 2000;72:694-701',
    of: 'fatPercent',
    unit: '%',
    note: 'Published for three groups; this is the column named White. Never applied unasked.',
    bands: (sex, age) => {
      const edges = age < 80 ? column(gallagher[sex], age) : null
      return (
        edges &&
        banded(
          [
            'as at BMI under 18.5',
            'as at BMI 18.5 to 25',
            'as at BMI 25 to 30',
            'as at BMI over 30',
          ],
          edges,
        )
      )
    },
  },
  {
    id: 'health-range',
    name: 'Health range without age',
    source: 'common practice, no source',
    of: 'fatPercent',
    unit: '%',
    bands: bySex(banded(IN_BAND, [10, 20]), banded(IN_BAND, [20, 32])),
  },
  {
    id: 'coaching-age',
    name: 'Coaching chart by age',
    source: 'common practice, no source',
    of: 'fatPercent',
    unit: '%',
    bands: (sex, age) => {
      const edges = column(coaching[sex], age)
      return edges && banded(IN_BAND, edges)
    },
  },
  {
    id: 'five-steps-age',
    name: 'Five steps by age',
    source:
      'fifths of the Cooper Institute data as printed by the American College of Sports Medicine; the steps are common practice',
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
    name: 'BMI, World Health Organization',
    source: 'World Health Organization, Technical Report Series 894, 2000 (from memory)',
    of: 'bmi',
    unit: 'kg/m²',
    note: 'For adults.',
    bands: ofAdults(() =>
      banded(
        [
          'underweight',
          'normal range',
          'pre-obese',
          'obese, class I',
          'obese, class II',
          'obese, class III',
        ],
        [18.5, 25, 30, 35, 40],
      ),
    ),
  },
  {
    id: 'whr-who',
    name: 'Waist to hip, World Health Organization',
    source: 'World Health Organization',
    of: 'waistToHip',
    unit: '',
    girths: ['waist_midway'],
    bands: ofAdults(bySex(banded(HIP_RISK, [0.9]), banded(HIP_RISK, [0.85]))),
  },
  {
    id: 'whr-coaching',
    name: 'Waist to hip, coaching',
    source: 'common practice, no source',
    of: 'waistToHip',
    unit: '',
    girths: ['waist'],
    bands: ofAdults(bySex(banded(HIP_RISK, [0.95]), banded(HIP_RISK, [0.86]))),
  },
  {
    id: 'waist-who',
    name: 'Waist, WHO and NHLBI',
    source: 'World Health Organization; National Heart, Lung, and Blood Institute',
    of: 'waist',
    unit: 'cm',
    girths: ['waist_midway', 'iliac'],
    bands: ofAdults(bySex(banded(WAIST_RISK, [94, 102]), banded(WAIST_RISK, [80, 88]))),
  },
  {
    id: 'waist-over-40-in',
    name: 'Waist, at risk over 40 in (men), 35 in (women)',
    source: 'National Cholesterol Education Program, Adult Treatment Panel III, 2001 (from memory)',
    of: 'waist',
    unit: 'cm',
    girths: ['iliac'],
    note: '40 and 35 inches themselves are the limit and not at risk.',
    bands: ofAdults(
      bySex(
        banded(INCH_RISK, [justOver(40 * CM_PER_INCH)]),
        banded(INCH_RISK, [justOver(35 * CM_PER_INCH)]),
      ),
    ),
  },
  {
    id: 'waist-from-40-in',
    name: 'Waist, at risk from 40 in (men), 35 in (women)',
    source: 'Grundy SM et al. Circulation 2005;112:2735-2752 (from memory)',
    of: 'waist',
    unit: 'cm',
    girths: ['iliac'],
    note: '40 and 35 inches themselves are at risk.',
    bands: ofAdults(
      bySex(banded(INCH_RISK, [40 * CM_PER_INCH]), banded(INCH_RISK, [35 * CM_PER_INCH])),
    ),
  },
  {
    id: 'waist-acsm',
    name: 'Waist, four steps',
    source: 'American College of Sports Medicine after Bray',
    of: 'waist',
    unit: 'cm',
    girths: ['waist'],
    // Men are very high over 120 cm: 120.0 itself is still high.
    bands: ofAdults(
      bySex(banded(ACSM_WAIST, [80, 100, justOver(120)]), banded(ACSM_WAIST, [70, 90, 110])),
    ),
  },
  {
    id: 'whtr-nice',
    name: 'Waist to height, NICE 2022',
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
  girthNote?: string
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
      'Range table',
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
      `a number of ${table.unit || 'ratio'}`,
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
          girthNote: `Made for another landmark: ${namesOf(table.girths!, ' or ')}.`,
        }
      : {}),
  }
}
