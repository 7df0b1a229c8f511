import type { Sex } from '../anatomy/ids'

/*
 * Fat % by percentile, sex and age: Cooper Institute data as printed by the American College of Sports Medicine, from
 * memory of the source. Cells differ by 0.1 between editions. A high percentile is a low fat %.
 */

export const PERCENTILES = [
  99, 95, 90, 85, 80, 75, 70, 65, 60, 55, 50, 45, 40, 35, 30, 25, 20, 15, 10, 5, 1,
]

/** One line an age band, in the order of PERCENTILES. */
const table = (lines: string) =>
  lines
    .trim()
    .split('\n')
    .map((line) => line.trim().split(' ').map(Number))

/** Fat % in the order of PERCENTILES, for the age bands 20-29 to 70-79. */
const FAT_BY_PERCENTILE: Record<'male' | 'female', number[][]> = {
  male: table(`
    4.2 6.4 7.9 9.1 10.5 11.5 12.6 13.8 14.8 15.8 16.6 17.5 18.6 19.7 20.7 22.0 23.3 24.9 26.6 29.2 33.4
    7.3 10.3 12.4 13.7 14.9 15.9 16.8 17.7 18.4 19.2 20.0 20.7 21.6 22.4 23.2 24.1 25.1 26.4 27.8 30.2 34.4
    9.5 12.9 15.0 16.4 17.5 18.5 19.3 20.1 20.8 21.4 22.1 22.8 23.5 24.2 24.9 25.7 26.6 27.8 29.2 31.3 35.2
    11.0 14.8 17.0 18.3 19.4 20.2 21.0 21.7 22.3 23.0 23.6 24.2 24.9 25.6 26.3 27.1 28.1 29.2 30.6 32.7 36.4
    11.9 16.2 18.1 19.2 20.2 21.0 21.7 22.4 23.0 23.6 24.2 24.9 25.6 26.4 27.0 27.9 28.8 29.8 31.2 33.3 36.8
    13.6 15.5 17.5 19.0 20.1 21.0 21.6 22.3 22.9 23.7 24.1 24.7 25.3 25.8 26.5 27.1 28.4 29.4 30.7 32.9 37.2
  `),
  female: table(`
    11.4 14.0 15.1 16.1 16.8 17.6 18.4 19.0 19.8 20.6 21.5 22.2 23.4 24.2 25.5 26.7 28.2 30.5 33.5 36.6 38.6
    11.2 13.9 15.5 16.5 17.5 18.3 19.2 20.1 21.0 22.0 22.8 23.7 24.8 25.8 26.9 28.1 29.6 31.5 33.6 36.2 39.0
    12.1 15.2 16.8 18.3 19.5 20.6 21.7 22.7 23.7 24.6 25.5 26.4 27.5 28.4 29.5 30.7 31.9 33.4 35.1 37.1 39.1
    13.9 16.9 19.1 20.8 22.3 23.6 24.8 25.8 26.7 27.6 28.4 29.3 30.1 30.8 31.8 32.9 33.9 35.0 36.1 37.6 39.8
    13.9 17.7 20.2 22.0 23.3 24.6 25.7 26.7 27.5 28.3 29.2 30.1 30.8 31.5 32.6 33.3 34.4 35.6 36.6 38.2 40.3
    11.7 16.4 18.3 21.2 22.5 23.7 24.8 25.7 26.6 27.6 28.2 28.9 30.5 31.0 31.9 32.9 34.0 35.3 36.4 38.1 40.2
  `),
}

const FIRST_BAND_YEAR = 20
const LAST_BAND_YEAR = 79

/** Fat % in the order of PERCENTILES for an age; null outside the table. */
export function fatByPercentile(sex: Sex, age: number): readonly number[] | null {
  if (!(age >= FIRST_BAND_YEAR && age <= LAST_BAND_YEAR)) return null
  return FAT_BY_PERCENTILE[sex][Math.floor((age - FIRST_BAND_YEAR) / 10)]!
}

/**
 * Percentile of a fat % among people of that sex and age: the share who have more. Between two printed cells it is
 * interpolated; beyond the table it is the outermost printed one.
 *
 * Cooper Institute data as printed by the American College of Sports Medicine.
 *
 * @returns 1 to 99, or null outside 20 to 79 years or where the age is not known
 */
export function fatPercentile(
  fatPercent: number,
  person: { sex: Sex; ageYears?: number },
): number | null {
  const cells = fatByPercentile(person.sex, Math.floor(person.ageYears ?? NaN))
  if (!cells) return null
  const above = cells.findIndex((fat) => fat >= fatPercent)
  if (above === 0) return PERCENTILES[0]!
  if (above === -1) return PERCENTILES.at(-1)!
  const [low, high] = [cells[above - 1]!, cells[above]!]
  const [from, to] = [PERCENTILES[above - 1]!, PERCENTILES[above]!]
  return from + ((fatPercent - low) / (high - low)) * (to - from)
}
