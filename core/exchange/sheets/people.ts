import type { Sex, SiteId } from '../../anatomy/ids'
import type { IsoDate } from '../../units/dates'
import { plainName } from '../../units/plain-name'
import { say } from '../../say'
import type { FileRow, LeftOut } from './file-row'

/** Somebody of a file, with their rows. */
export interface FilePerson {
  /** Names them within the file, the same each time it is read. */
  key: string
  name: string
  sex: Sex | undefined
  birthDate: IsoDate | undefined
  birthYear: number | undefined
  rows: FileRow[]
}

/** A client on record. */
export interface KnownPerson {
  id: string
  name: string
  sex: Sex
  birthDate: IsoDate | null
  birthYear: number | null
}

/** What is said of somebody by most of their rows. */
function mostSaid<T>(values: readonly (T | undefined)[]): T | undefined {
  const counts = new Map<T, number>()
  for (const value of values)
    if (value !== undefined) counts.set(value, (counts.get(value) ?? 0) + 1)
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0]
}

const same = <T>(a: T | undefined, b: T | undefined) =>
  a === undefined || b === undefined || a === b

/**
 * Rows by whom they are about. Of one name are two people where the birth dates, the codes or the sexes differ; a row that
 * says too little to tell between them is left out.
 */
export function peopleIn(rows: readonly FileRow[]): { people: FilePerson[]; left: LeftOut[] } {
  const named = new Map<string, FileRow[]>()
  const left: LeftOut[] = []
  for (const row of rows) {
    const { name, code } = row.person
    if (name === undefined && code === undefined) {
      left.push({ ...row.place, reason: say('exchange.noName') })
      continue
    }
    const key = name === undefined ? `#${code}` : plainName(name)
    const of = named.get(key)
    if (of) of.push(row)
    else named.set(key, [row])
  }
  const people = [...named].flatMap(([key, all]) => {
    const apart = identities(all)
    const rowsOf = new Map<Identity, FileRow[]>(apart.map((identity) => [identity, []]))
    for (const row of all) {
      const identity = fitting(row, apart)
      if (identity) rowsOf.get(identity)!.push(row)
      else
        left.push({
          ...row.place,
          reason: say('exchange.whichOfTwo', { name: row.person.name ?? '' }),
        })
    }
    return [...rowsOf.values()].flatMap((mine, i) =>
      mine.length === 0 ? [] : [personOf(apart.length > 1 ? `${key} ${i + 1}` : key, mine)],
    )
  })
  return { people, left }
}

interface Identity {
  code: string | undefined
  birthDate: IsoDate | undefined
  birthYear: number | undefined
  sex: Sex | undefined
}

const identityOf = ({ person: { code, birthDate, birthYear, sex } }: FileRow): Identity => ({
  ...{ code, birthDate, birthYear, sex },
})

const compatible = (a: Identity, b: Identity) =>
  same(a.code, b.code) &&
  (a.code !== undefined && a.code === b.code
    ? true
    : same(a.birthDate, b.birthDate) && same(a.birthYear, b.birthYear) && same(a.sex, b.sex))

/** The people that rows of one name are about: each that contradicts all before it is another. */
function identities(rows: readonly FileRow[]): Identity[] {
  const found: Identity[] = []
  const full = (one: Identity) => Object.values(one).filter((fact) => fact !== undefined).length
  // Those that say most come first, so that one that says little joins them.
  for (const identity of rows.map(identityOf).sort((a, b) => full(b) - full(a))) {
    const fit = found.find((one) => compatible(one, identity))
    if (!fit) found.push({ ...identity })
    else
      for (const key of Object.keys(fit) as (keyof Identity)[]) fit[key] ??= identity[key] as never
  }
  return found
}

/** Whom of one name a row is about; undefined where it may be any of several. */
function fitting(row: FileRow, apart: readonly Identity[]): Identity | undefined {
  if (apart.length === 1) return apart[0]
  const fits = apart.filter((one) => compatible(one, identityOf(row)))
  return fits.length === 1 ? fits[0] : undefined
}

function personOf(key: string, rows: FileRow[]): FilePerson {
  const facts = rows.map(({ person }) => person)
  const birthDate = mostSaid(facts.map((one) => one.birthDate))
  const byAge = rows.flatMap(({ ageYears, date }) =>
    ageYears !== undefined && date !== undefined
      ? [Number(date.slice(0, 4)) - Math.floor(ageYears)]
      : [],
  )
  return {
    key,
    name: mostSaid(facts.map((one) => one.name)) ?? facts[0]!.code ?? '',
    sex: mostSaid(facts.map((one) => one.sex)),
    birthDate,
    // An age was read before a birthday or after it: the latest row is as good as any.
    birthYear: birthDate
      ? undefined
      : (mostSaid(facts.map((one) => one.birthYear)) ?? mostSaid(byAge)),
    rows,
  }
}

/** Sites that are measured of one sex alone in the sets that people use. */
const OF_SEX: { sex: Sex; folds: readonly SiteId[] }[] = [
  { sex: 'male', folds: ['chest', 'abdominal', 'thigh'] },
  { sex: 'female', folds: ['triceps', 'suprailiac', 'thigh'] },
]

/** The sex that the sites tell, where a sheet does not: three folds are others for men and women. */
export function sexBySites(rows: readonly FileRow[]): Sex | undefined {
  const sites = new Set(rows.flatMap(({ readings }) => readings.map(({ site }) => site)))
  if (sites.has('bust') || sites.has('under_bust')) return 'female'
  const folds = [...sites].filter((site) => OF_SEX.some((one) => one.folds.includes(site)))
  return OF_SEX.find(
    ({ folds: own }) => folds.length === own.length && own.every((site) => sites.has(site)),
  )?.sex
}

/** Letters that one name is away from another, up to two. */
function lettersApart(a: string, b: string): number {
  if (Math.abs(a.length - b.length) > 1) return 2
  let at = 0
  while (at < a.length && a[at] === b[at]) at++
  const rest = (text: string, from: number) => text.slice(from)
  if (a.length === b.length) {
    if (rest(a, at + 1) === rest(b, at + 1)) return a === b ? 0 : 1
    // Two neighbours exchanged.
    return a[at] === b[at + 1] && a[at + 1] === b[at] && rest(a, at + 2) === rest(b, at + 2) ? 1 : 2
  }
  const [long, short] = a.length > b.length ? [a, b] : [b, a]
  return rest(long, at + 1) === rest(short, at) ? 1 : 2
}

/** Whether somebody of a file is a client on record. */
export interface Match {
  /** Those that it may be, the likeliest first. */
  candidates: KnownPerson[]
  /** The one that is meant where nobody says otherwise; undefined for somebody new. */
  usual: KnownPerson | undefined
  /** It is asked. */
  isDoubtful: boolean
}

/** By the words of a name, whichever comes first. */
const inWords = (name: string) => plainName(name.replaceAll(',', ' ')).split(' ').sort().join(' ')

/** Clients on record, to be found by name and by birth date. */
export class KnownPeople {
  private readonly byName = new Map<string, KnownPerson[]>()
  private readonly byBirth = new Map<string, KnownPerson[]>()

  constructor(known: readonly KnownPerson[]) {
    const add = (map: Map<string, KnownPerson[]>, key: string, one: KnownPerson) => {
      const of = map.get(key)
      if (of) of.push(one)
      else map.set(key, [one])
    }
    for (const one of known) {
      add(this.byName, inWords(one.name), one)
      if (one.birthDate) add(this.byBirth, one.birthDate, one)
    }
  }

  /**
   * The client that somebody of a file is: by name and birth date without doubt; by the name alone, or with a letter
   * otherwise and the same birth date, with some.
   */
  match({ name, sex, birthDate, birthYear }: Omit<FilePerson, 'key' | 'rows'>): Match {
    const named = (this.byName.get(inWords(name)) ?? []).filter((one) => same(sex, one.sex))
    const sure = named.filter((one) => birthDate !== undefined && one.birthDate === birthDate)
    if (sure.length === 1) return { candidates: sure, usual: sure[0], isDoubtful: false }
    const open = named.filter((one) => {
      if (birthDate !== undefined && one.birthDate !== null) return false
      const year = birthYear ?? (birthDate && Number(birthDate.slice(0, 4)))
      const theirs = one.birthYear ?? (one.birthDate && Number(one.birthDate.slice(0, 4)))
      return !year || !theirs || Math.abs(year - theirs) <= 1
    })
    const alike = (birthDate ? (this.byBirth.get(birthDate) ?? []) : []).filter(
      (one) => same(sex, one.sex) && lettersApart(plainName(one.name), plainName(name)) === 1,
    )
    const candidates = [...open, ...alike]
    return {
      candidates,
      usual: candidates.length === 1 ? candidates[0] : undefined,
      isDoubtful: candidates.length > 0,
    }
  }
}
