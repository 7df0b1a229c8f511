import {
  dayValue,
  equationById,
  figures,
  firstName,
  fixed,
  formatMass,
  headlineText,
  isGirth,
  quantityIn,
  quantityName,
  resultOf,
  say,
  unitOfQuantity,
  wayOf,
  type Message,
  type NamedChange,
  type RecordQuantity,
} from '#core'
import { drawCurves, type PaperCurve } from './chart'
import {
  AMBER,
  FADED,
  head,
  INK,
  LEAF,
  small,
  table,
  widthOf,
  type Paper,
  type Part,
} from './paper'
import { figuresOn, titleOf, valueAt, type ReadRecord } from './record'

/* The page a client takes home: what changed in words, one picture, the next date. */

/** Longer than that is told in months. */
const WEEKS_TOLD = 26
const WEEKS_A_MONTH = 4.345

function spanOf(weeks: number): Message {
  if (weeks < 2) return say('reports.days', { count: Math.round(weeks * 7) })
  if (weeks < WEEKS_TOLD) return say('reports.weeks', { count: Math.round(weeks) })
  return say('reports.months', { count: Math.round(weeks / WEEKS_A_MONTH) })
}

/** What a client is told first. What went well is said so; the rest as the coach's page says it, without blame. */
function clientHead({ record, look, headline }: ReadRecord, { units, today }: Paper): Message {
  const name = firstName(record.client.name)
  if (!look || !headline) return say('reports.firstTime', { name })
  const change = (quantity: RecordQuantity): NamedChange | undefined =>
    headline.changes.find((one) => one.quantity === quantity)
  const [fat, lean, sum] = [change('fat'), change('lean'), change('sum')]
  const span = spanOf(headline.weeks)
  const mass = (of: NamedChange) => figures(formatMass(Math.abs(of.change), units.mass))
  if (fat && lean && wayOf(fat) === -1) {
    if (lean.verdict === 'no-change')
      return say('reports.lostFatKept', { name, fat: mass(fat), span })
    if (wayOf(lean) === 0) return say('reports.lostFat', { name, fat: mass(fat), span })
    if (wayOf(lean) === 1)
      return say('reports.lostFatGained', { name, fat: mass(fat), lean: mass(lean), span })
  }
  if (fat && lean && wayOf(lean) === 1 && fat.verdict === 'no-change')
    return say('reports.gainedLean', { name, lean: mass(lean), span })
  if (sum && wayOf(sum) === -1) {
    const mm = figures(`${fixed(Math.abs(sum.change), 0)} mm`)
    return say('reports.thinner', { name, mm, span })
  }
  // How long it may take is the coach's to say.
  if (headline.rule === 'not-yet') return say('reports.notClearYet', { name, span })
  return say('reports.otherwise', { name, headline: headlineText(headline, { ...units, today }) })
}

/** What is drawn: fat and lean, else the sum, else the first girth. */
function drawnOf({ course }: ReadRecord): RecordQuantity[] {
  const line = course.at(-1)?.line ?? {}
  if (line.fat && line.lean) return ['lean', 'fat']
  if (line.sum) return ['sum']
  return (Object.keys(line) as RecordQuantity[]).filter(isGirth).slice(0, 1)
}

const COLORS: Partial<Record<RecordQuantity, string>> = { lean: LEAF, fat: AMBER }

/** A page's one picture. */
export interface StoryPicture {
  svg: string
  caption: string
  alt: string
}

async function pictureOf(read: ReadRecord, paper: Paper): Promise<StoryPicture | undefined> {
  const { course } = read
  if (course.length < 2) return undefined
  const drawn = drawnOf(read)
  if (drawn.length === 0) return undefined
  const curves = drawn.map((quantity): PaperCurve => {
    const shown = (value: number) => quantityIn(quantity, value, paper.units)
    return {
      name: paper.told(quantityName(quantity)),
      color: COLORS[quantity] ?? INK,
      dashed: quantity === 'fat',
      points: course.flatMap(({ date, line }) => {
        const at = line[quantity]
        if (!at) return []
        const [low, high] = at.interval
        return [{ date, value: shown(at.change), low: shown(low), high: shown(high) }]
      }),
    }
  })
  const unit = unitOfQuantity(drawn[0]!, paper.units)
  return {
    svg: await drawStory(curves, paper),
    caption: paper.told(
      // One curve is named here, where a long name has room.
      curves.length > 1
        ? say('reports.changeIn', { unit })
        : say('reports.changeOf', { what: titleOf(drawn[0]!, paper), unit }),
    ),
    alt: paper.told(
      say('reports.pictureAlt', { curves: curves.map(({ name }) => name).join(', ') }),
    ),
  }
}

/** Draws curves as wide as a page. */
export function drawStory(curves: readonly PaperCurve[], paper: Paper): Promise<string> {
  const dayText = (date: string) => paper.told(say('reports.day', { day: dayValue(date, false) }))
  return drawCurves(curves, { width: widthOf(paper.size), height: 200, dayText })
}

/** What is in the table, with its change as the whole record has it. */
function rowsOf(read: ReadRecord, paper: Paper, girths: boolean): string[][] {
  const { look, since: first, newest, shown } = read
  if (!first || !newest) return []
  const write = figuresOn(paper)
  const changes = look?.horizons[read.horizon]?.changes ?? {}
  const followed = (Object.keys(changes) as RecordQuantity[]).filter(
    (quantity) =>
      quantity === 'mass' ||
      (shown ? quantity === 'fat' || quantity === 'lean' : quantity === 'sum') ||
      (girths && (quantity === 'sum' || isGirth(quantity))),
  )
  const order: RecordQuantity[] = ['mass', 'fat', 'lean', 'sum']
  const all = [...order.filter((one) => followed.includes(one)), ...followed.filter(isGirth)]
  return all.map((quantity) => {
    const change = changes[quantity]!
    const at = (checkIn: typeof first) => {
      const value = valueAt(read, checkIn, quantity)
      return value === undefined ? '–' : write.value(quantity, value)
    }
    const held = change.verdict === 'no-change'
    const told = held
      ? paper.told(say('reports.held'))
      : write.change(quantity, change.change) +
        (change.verdict === 'not-yet' ? ` ${paper.told(say('reports.notYetClear'))}` : '')
    return [titleOf(quantity, paper), at(first), at(newest), told]
  })
}

/** What a client is told: the head, one picture, then and now, and what comes next; told in words, and not laid out. */
export interface ClientStory {
  head: string
  lead: string
  picture: StoryPicture | undefined
  columns: string[]
  rows: string[][]
  /** What to do next. */
  next: string[]
  small: string
}

/** What a record says to its client. @param girths whether sums and girths are among it */
export async function clientStory(
  read: ReadRecord,
  paper: Paper,
  { girths }: { girths: boolean },
): Promise<ClientStory> {
  const { record, since: first, newest, shown, nextOn, course } = read
  const { told } = paper
  const { client, testers } = record
  const nothing = { lead: '', picture: undefined, columns: [], rows: [], next: [], small: '' }
  if (!newest || !first)
    return { ...nothing, head: told(say('reports.nothingYet', { name: firstName(client.name) })) }
  const day = (date: string) => dayValue(date, true)
  const rows = rowsOf(read, paper, girths)
  const found = resultOf(client, newest)
  const estimated = shown && found.ok ? found.value : undefined
  const tester = testers.find(({ id }) => id === newest.testerId)?.name ?? ''
  return {
    head: told(clientHead(read, paper)),
    lead:
      course.length < 2
        ? told(say('reports.oneCheckIn', { day: day(newest.measuredOn) }))
        : told(
            say(read.bySelf ? 'reports.selfAgreeOn' : 'reports.agreeOn', {
              ...{ count: course.length, since: day(first.measuredOn) },
            }),
          ),
    picture: await pictureOf(read, paper),
    columns: [
      '',
      told(say('reports.day', { day: day(first.measuredOn) })),
      told(say('reports.now')),
      told(say('reports.change')),
    ],
    rows,
    next: nextOn ? [told(say('reports.measureAgain', { day: day(nextOn) }))] : [],
    small: [
      estimated
        ? estimated.standardError === null
          ? told(say('reports.estimatesBy', { equation: equationById(estimated.equationId).name }))
          : told(
              say('reports.estimatesWithin', {
                equation: equationById(estimated.equationId).name,
                error: figures(fixed(estimated.standardError, 1)),
              }),
            )
        : '',
      rows.length > 0 ? told(say('reports.changesFromAll')) : '',
      told(say('reports.notMedical')),
      tester ? told(say('reports.measuredBy', { tester })) : '',
    ]
      .filter(Boolean)
      .join(' '),
  }
}

export async function clientPage(
  read: ReadRecord,
  paper: Paper,
  what: { girths: boolean },
): Promise<Part[]> {
  return storyParts(await clientStory(read, paper, what), paper)
}

/** A story as the parts of a page on paper. */
function storyParts(story: ClientStory, { told, size }: Paper): Part[] {
  const { picture } = story
  if (story.lead === '') return [head(story.head, 1)]
  return [
    head(story.head, 1),
    { text: story.lead, color: FADED },
    ...(picture
      ? [
          small(picture.caption, [0, 8, 0, 0]),
          { svg: picture.svg, width: widthOf(size), alt: picture.alt },
        ]
      : []),
    ...(story.rows.length > 0
      ? [table(story.columns, story.rows, { widths: ['*', 80, 80, 120] })]
      : [small(told(say('reports.nextTells')))]),
    ...story.next.map((text, i) => ({
      text: i === 0 ? [{ text: `${told(say('reports.next'))} `, bold: true }, text] : text,
      margin: [0, i === 0 ? 10 : 2, 0, 0],
    })),
    small(story.small, [0, 14, 0, 0]),
  ]
}
