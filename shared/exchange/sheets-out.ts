import {
  GIRTH_IDS,
  isSkinfold,
  unitOfSite,
  leadEquation,
  nameOf,
  protocolOf,
  SKINFOLD_IDS,
  type CheckInRecord,
  type IsoDate,
  type Sex,
  type SiteId,
  type Words,
  isBone,
} from '../../core/index'
import type { Exchange, ExchangeCheckIn, ExchangeClient, ExchangeGym } from '../contract/exchange'
import { massesInForce, phasesOf, readingsOf } from './in-force'
import { heightOn, workedOutOf } from './worked-out'
import type { OutColumn, OutSheet, OutValue } from './out-sheet'

/** How sheets for people call things. */
export interface Naming {
  told: (words: Words) => string
  /** Of a column or a sheet by the name that files have for it. */
  nameOfColumn: (name: string) => string
}

type Client = ExchangeClient
type CheckIn = ExchangeCheckIn

/** The equation that a check-in is worked out by, where there is one. */
function equationOf({ sex }: { sex: Sex }, checkIn: CheckIn): string | undefined {
  const { protocol: protocolId, ownProtocol, extraGirths } = checkIn
  return leadEquation(
    protocolOf({
      protocolId,
      ownProtocol: ownProtocol as CheckInRecord['ownProtocol'],
      extraGirths,
    }),
    sex,
  )
}

const TEXT = [
  'percentages',
  'group_term',
  'client',
  'sex',
  'protocol',
  'standard',
  'conversion',
  'equation',
  'tester',
  'tester_skill',
  'caliper',
  'tape',
  'event',
  'notes',
  'kind',
  'site',
  'technique',
  'unit',
  'instrument',
  'taken_at',
  'archived',
  'week',
]
const DAYS = ['date', 'birth_date', 'next_due']

interface Names {
  person: ReadonlyMap<string, ExchangeGym['people'][number]>
  instrument: ReadonlyMap<string, ExchangeGym['instruments'][number]>
}

const namesOf = ({ people, instruments }: ExchangeGym): Names => ({
  person: new Map(people.map((one) => [one.id, one])),
  instrument: new Map(instruments.map((one) => [one.id, one])),
})

const who = ({
  name,
  sex,
  birthDate,
  birthYear,
  cadenceDays,
  showPercentages,
  weekEndsOn,
  groupTerm,
}: Client) => ({
  client: name,
  sex,
  birth_date: birthDate ?? undefined,
  birth_year: birthYear ?? undefined,
  cadence_days: cadenceDays,
  week_ends_on: weekEndsOn ?? undefined,
  percentages: showPercentages ? undefined : 'hidden',
  group_term: groupTerm ?? undefined,
})

/** The caliper and the tape of a check-in, with the steps of their scales. */
function toolsOf({ caliper, tape }: CheckIn, { instrument }: Names): Record<string, OutValue> {
  const of = (id: string | null) => (id === null ? undefined : instrument.get(id))
  return {
    caliper: of(caliper)?.name,
    caliper_graduation_mm: of(caliper)?.graduation ?? undefined,
    tape: of(tape)?.name,
    tape_graduation_cm: of(tape)?.graduation ?? undefined,
  }
}

/** Check-ins that count, oldest first: a sheet cannot say that one is still under way. */
const counted = ({ checkIns }: Client) =>
  checkIns.filter(({ voided, closedAt }) => voided === null && closedAt !== null)

/** The last day of a phase's beginning that a check-in is the first after, told beside it; the others have their own row. */
function eventsOf(client: Client): Map<IsoDate, 'plan' | 'mark'> {
  return new Map(phasesOf(client).map(({ date, plan }) => [date, plan ? 'plan' : 'mark']))
}

/**
 * What other methods said, a row each: named where an equation stands, with the device where the caliper does, for that is
 * how such a row is read when it comes back.
 */
const otherRows = (client: Client): WideRow[] =>
  client.otherResults.map(
    ({ on: date, method, fatPercent, fatKg, leanKg, device, conditions }) => ({
      date,
      row: {
        ...{ ...who(client), date, equation: method, fat_percent: fatPercent },
        ...{ fat_mass_kg: fatKg ?? undefined, lean_mass_kg: leanKg ?? undefined },
        ...{ caliper: device || undefined, notes: conditions || undefined },
      },
    }),
  )

interface WideRow {
  date: IsoDate
  row: Record<string, OutValue>
}

function wideRow(
  client: Client,
  checkIn: CheckIn,
  names: Names,
  sites: Map<SiteId, number>,
): WideRow {
  const readings = readingsOf(checkIn)
  const row: Record<string, OutValue> = { ...who(client), date: checkIn.measuredOn }
  const standards = new Map<string, number>()
  for (const { kind, site, standard, trial, value } of readings) {
    if (kind === 'mass') row.mass_kg ??= value
    else if (kind === 'height') row.height_cm = value
    else if (trial > 0) {
      row[`${site}_${unitOfSite(site!)}_${trial}`] = value
      sites.set(site!, Math.max(sites.get(site!) ?? 0, trial))
      if (standard) standards.set(standard, (standards.get(standard) ?? 0) + 1)
    }
  }
  const worked = workedOutOf(client, checkIn)
  const tester = names.person.get(checkIn.tester)
  const { notes } = checkIn.conditions
  return {
    date: checkIn.measuredOn,
    row: {
      ...row,
      height_cm: row.height_cm ?? heightOn(client, checkIn.measuredOn),
      protocol: checkIn.protocol,
      standard: [...standards].sort((a, b) => b[1] - a[1])[0]?.[0],
      conversion: checkIn.conversion,
      tester: tester?.name,
      tester_skill: tester?.skill,
      ...toolsOf(checkIn, names),
      ...(notes ? { notes } : {}),
      equation: worked?.equationId ?? equationOf(client, checkIn),
      sum_mm: worked?.sumMm,
      fat_percent: worked?.fatPercent,
      fat_mass_kg: worked?.fatMassKg,
      lean_mass_kg: worked?.leanMassKg,
    },
  }
}

const column = (name: string, { nameOfColumn }: Naming): OutColumn => ({
  ...{ name, heading: nameOfColumn(name) },
  kind: DAYS.includes(name) ? 'day' : TEXT.includes(name) ? 'text' : 'number',
})

const TOOLS = ['caliper', 'caliper_graduation_mm', 'tape', 'tape_graduation_cm']
const WHO = [
  'client',
  'sex',
  'birth_date',
  'birth_year',
  'cadence_days',
  'week_ends_on',
  'percentages',
  'group_term',
]
const FIRST = [...WHO, 'date', 'height_cm', 'mass_kg']
const LAST = [
  ...['equation', 'sum_mm', 'fat_percent', 'fat_mass_kg', 'lean_mass_kg', 'conversion', 'standard'],
  ...['protocol', 'tester', 'tester_skill', ...TOOLS, 'event', 'notes'],
]

const SITE_ORDER: readonly SiteId[] = [...SKINFOLD_IDS, ...GIRTH_IDS]
const orderOf = (site: SiteId) => {
  const at = SITE_ORDER.indexOf(site)
  return at === -1 ? SITE_ORDER.length : at
}

/** One row a check-in, and one a body mass of a day without; sites in their order, a column a reading. */
export function wideSheet({ clients, ...gym }: Exchange, naming: Naming): OutSheet {
  const names = namesOf(gym)
  const sites = new Map<SiteId, number>()
  const rows = clients.flatMap((client) => {
    const mine = counted(client).map((checkIn) => wideRow(client, checkIn, names, sites))
    const measured = new Map(mine.map((one) => [one.date, one]))
    for (const { date, kg } of massesInForce(client))
      mine.push({ date, row: { ...who(client), date, mass_kg: kg! } })
    for (const [date, event] of eventsOf(client)) {
      const of = measured.get(date)
      if (of) of.row.event = event
      else mine.push({ date, row: { ...who(client), date, event } })
    }
    return [...mine, ...otherRows(client)]
      .sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0))
      .map(({ row }) => row)
  })
  const columns = [
    ...FIRST.map((name) => column(name, naming)),
    ...[...sites]
      .sort(([a], [b]) => orderOf(a) - orderOf(b) || (a < b ? -1 : 1))
      .flatMap(([site, trials]) =>
        Array.from({ length: trials }, (_, i): OutColumn => {
          const unit = unitOfSite(site)
          // A breadth or a length says in its name what it is.
          const kind = isBone(site)
            ? []
            : [naming.nameOfColumn(isSkinfold(site) ? 'fold' : 'girth')]
          const heading = [naming.told(nameOf(site)), ...kind, `(${unit})`, i + 1].join(' ')
          return { name: `${site}_${unit}_${i + 1}`, heading, kind: 'number' }
        }),
      ),
    ...LAST.map((name) => column(name, naming)),
  ]
  return { name: naming.nameOfColumn('check_ins'), columns, rows }
}

const LONG = [
  ...WHO,
  ...['date', 'kind', 'site', 'standard', 'technique', 'trial', 'value', 'unit'],
  ...[
    'protocol',
    'conversion',
    'tester',
    'tester_skill',
    ...TOOLS,
    'instrument',
    'taken_at',
    'event',
    'notes',
  ],
]

/** One row a reading, with who took it and with what. */
export function longSheet({ clients, ...gym }: Exchange, naming: Naming): OutSheet {
  const names = namesOf(gym)
  const rows = clients.flatMap((client): Record<string, OutValue>[] => {
    const ofCheckIns = counted(client).flatMap((checkIn) => {
      const { measuredOn, protocol, conversion, conditions } = checkIn
      const readings = readingsOf(checkIn)
      const notes = conditions.notes ? { notes: conditions.notes } : {}
      return readings.map(({ kind, site, standard, technique, trial, value, ...one }, i) => {
        const tester = names.person.get(one.tester)
        return {
          ...{ ...who(client), date: measuredOn, kind, site: site ?? kind, trial, value },
          ...{ standard: standard ?? undefined, technique: technique ?? undefined },
          unit: kind === 'mass' ? 'kg' : kind === 'skinfold' ? 'mm' : 'cm',
          ...{ protocol, conversion, tester: tester?.name, tester_skill: tester?.skill },
          ...toolsOf(checkIn, names),
          instrument:
            one.instrument === null ? undefined : names.instrument.get(one.instrument)?.name,
          taken_at: one.takenAt,
          ...(i === 0 ? notes : {}),
        }
      })
    })
    const single = (date: IsoDate, site: string, value: number, unit: string) => ({
      ...{ ...who(client), date, kind: site, site, trial: 1, value, unit },
    })
    return [
      ...client.heights.map(({ date, cm }) => single(date, 'height', cm, 'cm')),
      ...ofCheckIns,
      ...massesInForce(client).map(({ date, kg }) => single(date, 'mass', kg!, 'kg')),
      ...client.otherResults.map(({ on, method, fatPercent, device, conditions }) => ({
        ...single(on, `${method} fat`, fatPercent, '%'),
        ...{ kind: 'other method', caliper: device || undefined, notes: conditions || undefined },
      })),
      ...[...eventsOf(client)].map(([date, event]) => ({ ...who(client), date, event })),
    ]
  })
  return {
    name: naming.nameOfColumn('readings'),
    columns: LONG.map((name) => column(name, naming)),
    rows,
  }
}

/** A client a row: what is known of who they are. */
export function clientSheet({ clients }: Exchange, naming: Naming): OutSheet {
  const names = [
    'client',
    'sex',
    'birth_date',
    'birth_year',
    'check_ins',
    'first',
    'last',
    'next_due',
    'archived',
  ]
  return {
    name: naming.nameOfColumn('clients'),
    columns: names.map((name) => ({
      ...column(name, naming),
      kind: ['first', 'last', ...DAYS].includes(name)
        ? 'day'
        : name === 'check_ins'
          ? 'number'
          : 'text',
    })),
    rows: clients.map((client) => {
      const days = counted(client).map(({ measuredOn }) => measuredOn)
      return {
        ...{ ...who(client), check_ins: days.length, first: days[0], last: days.at(-1) },
        next_due: client.nextDueOn ?? undefined,
        archived: client.archived ? naming.nameOfColumn('yes') : undefined,
      }
    }),
  }
}
