import {
  DEFAULT_CADENCE_DAYS,
  plainName,
  say,
  type BroughtCheckIn,
  type BroughtMass,
  type BroughtPerson,
  type BroughtReading,
  type BroughtTool,
  type IsoDate,
  type Place,
  type Understood,
  type Words,
} from '../../core/index'
import type {
  ExchangeCheckIn,
  ExchangeClient,
  ExchangeGym,
  ExchangeInstrument,
  ExchangePerson,
} from '../contract/exchange'
import type { ImportLine } from '../contract/imports'

/** What an understood file needs to become records. */
export interface Making {
  newId: () => string
  /** What is told of whoever measured and is not on record, and what a phase is called. */
  words: { untoldTester: string; phase: string }
  /** Noon of a day, where the file says no time. */
  noonOf: (day: IsoDate) => string
}

/** The words of records that a file has none for. */
export const wordsOfMaking = (told: (words: Words) => string): Making['words'] => ({
  untoldTester: told(say('exchange.untoldTester')),
  phase: told(say('exchange.phase')),
})

const LONGEST_NAME = 60

/** An understood file as records: people and instruments once, and a line for each client. */
export function recordsOf(
  understood: Pick<Understood, 'people' | 'tester'>,
  making: Making,
): { gym: ExchangeGym; lines: ImportLine[] } {
  const maker = new RecordMaker(understood.tester, making)
  const lines = understood.people.map((person) => maker.line(person))
  return { gym: maker.gym(), lines }
}

class RecordMaker {
  private readonly people = new Map<string, ExchangePerson>()
  private readonly tools = new Map<string, ExchangeInstrument>()

  constructor(
    /** On record, for what names nobody. */
    private readonly tester: string | null,
    private readonly making: Making,
  ) {}

  gym(): ExchangeGym {
    return {
      people: [...this.people.values()],
      instruments: [...this.tools.values()],
      ownProtocols: [],
    }
  }

  line({ clientId, ...person }: BroughtPerson): ImportLine {
    const { newId, words } = this.making
    const { name, sex, birthDate, birthYear } = person
    const client: ExchangeClient = {
      ...{ id: clientId ?? newId(), name: name.slice(0, 80), sex, birthDate, birthYear },
      cadenceDays: person.cadenceDays ?? DEFAULT_CADENCE_DAYS,
      ...{ showPercentages: person.showPercentages, cycleWanted: false },
      groupTerm: person.groupTerm,
      ...{
        hiddenOnLeaderboards: false,
        weekEndsOn: person.weekEndsOn,
        nextDueOn: null,
        archived: false,
      },
      heights: person.heights.map((height) => ({ ...this.amount(height), cm: height.value })),
      checkIns: person.checkIns.map((checkIn) => this.checkIn(checkIn)),
      weighIns: person.weighIns.map((mass) => ({ ...this.amount(mass), kg: mass.value })),
      notes: person.phases.map((date) => ({
        ...{ id: newId(), date, kind: 'phase', words: words.phase },
      })),
      ...{ screenings: [], siteNotes: [], plans: [], clearances: [] },
      ...{
        details: null,
        tags: [],
        sessionNotes: [],
        appointments: [],
        selfGirths: [],
        otherResults: person.others.map(({ place: _, date: on, ...other }) => ({
          ...{ ...other, id: newId(), on, fatKg: null, leanKg: null },
        })),
      },
    }
    return { into: clientId, client }
  }

  private amount({ date, unit, text, place }: BroughtMass) {
    return {
      ...{ id: this.making.newId(), date, typedUnit: unit, typedText: text.slice(0, 40) },
      source: place,
    }
  }

  private personNamed(name: string | null, skill: 'trained' | 'novice' | null): string {
    if (name === null && this.tester !== null) return this.tester
    const called = (name ?? this.making.words.untoldTester).slice(0, LONGEST_NAME)
    const key = plainName(called)
    let person = this.people.get(key)
    if (!person) {
      const retired = name === null
      person = { id: this.making.newId(), name: called, skill: skill ?? 'trained', retired }
      this.people.set(key, person)
    }
    return person.id
  }

  private toolNamed(kind: 'caliper' | 'tape', tool: BroughtTool | null): string | null {
    if (tool === null) return null
    const key = `${kind} ${plainName(tool.name)}`
    let known = this.tools.get(key)
    if (!known) {
      const graduation = tool.graduation && tool.graduation <= 5 ? tool.graduation : null
      known = {
        ...{ id: this.making.newId(), kind, name: tool.name.slice(0, LONGEST_NAME), graduation },
        ...{ jaws: null, checkEveryDays: 180, retired: false, checks: [] },
      }
      this.tools.set(key, known)
    }
    return known.id
  }

  private checkIn(brought: BroughtCheckIn): ExchangeCheckIn {
    const { date, place, protocolId, ownProtocol, extraGirths, conversion, notes } = brought
    const at = this.making.noonOf(date)
    const tester = this.personNamed(brought.tester, brought.testerSkill)
    const caliper = this.toolNamed('caliper', brought.caliper)
    const tape = this.toolNamed('tape', brought.tape)
    return {
      ...{ id: this.making.newId(), measuredOn: date, startedAt: at, closedAt: at },
      ...{ fromPaper: true, voided: null, tester, caliper, tape },
      ...{ boneCaliper: null, scale: null },
      ...{ protocol: protocolId, ownProtocol, tolerance: null, conversion, consent: null },
      ...{ massDry: null, skipped: [], extraGirths },
      conditions: notes === '' ? {} : { notes },
      readings: brought.readings.map((one) =>
        this.reading(one, { tester, caliper, tape, at, place }),
      ),
      source: place,
    }
  }

  private reading(
    { kind, site, standard, trial, value, unit, text }: BroughtReading,
    of: {
      tester: string
      caliper: string | null
      tape: string | null
      at: string
      place: Place
    },
  ): ExchangeCheckIn['readings'][number] {
    return {
      ...{ id: this.making.newId(), kind, site, standard, technique: null, trial, value },
      ...{ typedUnit: unit, typedText: text.slice(0, 40), takenAt: of.at, supersedes: null },
      ...{
        tester: of.tester,
        instrument: kind === 'skinfold' ? of.caliper : kind === 'girth' ? of.tape : null,
      },
      ...{ correctedBy: null, sentBy: null, source: of.place },
    }
  }
}
