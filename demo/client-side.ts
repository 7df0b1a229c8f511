import { randomLcg, randomNormal } from 'd3-random'
import { v5 as uuidFrom } from 'uuid'
import { addDays, daysFrom } from '../core/index'
import type { ReminderSettings } from '../shared/contract/reminders'
import type { ReportAsks, ReportContent, ReportTalk } from '../shared/contract/weekly-reports'

/*
 * The club's other side: a member who rows abroad and sends her weeks, and what the coach keeps of some others besides
 * measuring. Made up, like all of the club.
 */

const SEED = 0.731
const NAMESPACE = 'b6f1d9a2-3c54-4f0e-9a71-5d2b8c40e913'
const idOf = (what: string) => uuidFrom(what, NAMESPACE)

/** She was never measured by anybody but herself. */
const REMOTE = {
  ...{ id: idOf('Juno Halvard'), name: 'Juno Halvard', sex: 'female' as const },
  ...{ birthDate: null, birthYear: 1988, cadenceDays: 28, showPercentages: true, weekEndsOn: null },
  groupTerm: null,
}

const ASKS: ReportAsks = {
  ...{ girths: ['abdomen', 'hip'], photos: true, feelings: ['sleep', 'hunger', 'sessions'] },
  weekday: 6,
}

interface DemoReport {
  id: string
  endsOn: string
  content: ReportContent
  state: 'waiting' | 'accepted'
  talk: ReportTalk[]
}

const NOTES = [
  'Hotel gym, nothing heavy.',
  'Good week. Two long rows.',
  'Cold since Thursday, skipped one session.',
  'Back to normal, energy is fine.',
  'Ate out three times.',
  'Slept badly, new bed. The tape may have sat a bit higher this time.',
]

/** Six weeks up to yesterday; the last one waits to be read. */
function reportsOf(today: string): DemoReport[] {
  const source = randomLcg(SEED)
  const normal = randomNormal.source(source)(0, 1)
  const typed = (value: number) => value.toFixed(1)
  return NOTES.map((note, week): DemoReport => {
    const endsOn = addDays(today, 7 * (week - NOTES.length + 1) - 1)
    const level = 78.6 - 0.45 * week
    const days = daysFrom(addDays(endsOn, -6), 7).filter((_, day) => (day + week) % 5 !== 4)
    const weights = days.map((date, day) => {
      const text = typed(level + 0.35 * normal())
      const dinner = week === 4 && day === 5 ? 'late dinner' : null
      return { date, kg: Number(text), typed: text, unit: 'kg', otherwise: dinner }
    })
    const girth = (name: 'abdomen' | 'hip', cm: number) =>
      [1, 2].map((trial) => {
        const text = typed(cm + 0.4 * normal())
        return { girth: name, trial, cm: Number(text), typed: text, unit: 'cm' }
      })
    const last = week === NOTES.length - 1
    return {
      ...{ id: idOf(`report ${week}`), endsOn, state: last ? 'waiting' : 'accepted' },
      content: {
        weights,
        // The last one as it goes wrong: the tape higher than the week before.
        girths: [
          ...girth('abdomen', 88.4 - 0.8 * week - (last ? 3.6 : 0)),
          ...girth('hip', 104.2 - 0.4 * week),
        ],
        girthsOtherwise: last ? 'no mirror here' : null,
        feelings: { sleep: last ? 2 : 4, hunger: 3, sessions: week === 2 ? 3 : 4 },
        ...{ note, message: null },
      },
      talk: [],
    }
  })
}

/** What the coach keeps of members besides measuring, by their names. */
const KEPT = [
  {
    ...{ name: 'Tilda Marrowby', email: 'tilda@example.com', phone: '+44 20 7946 0101' },
    ...{
      goal: 'To row in the light boat, and to like the photos of it.',
      sees: 'everything' as const,
    },
    tags: ['regatta', 'morning'],
  },
  {
    ...{ name: 'Gus Penhallow', email: 'gus@example.com', phone: null },
    ...{ goal: 'Down a class without feeling weak.', sees: 'sums' as const, tags: ['regatta'] },
  },
  {
    ...{ name: 'Bram Tolliver', email: null, phone: '+44 20 7946 0102' },
    ...{ goal: null, sees: 'nothing' as const, tags: ['land training'] },
  },
]

/** Who else reads mail; one of them wants no reminders by it. */
const MAIL = [
  ...['Ines Calloway', 'Hugo Brandreth', 'Petra Longstaff', 'Suki Prenderby', 'Anton Greavesley'],
  ...['Wynne Farrow', 'Rufus Kettlewell', 'Odile Marsh', 'Marguerite Oyel', 'Col Wetherden'],
].map((name) => ({
  name,
  email: `${name.split(' ')[0]!.toLowerCase()}@example.com`,
  stopped: name === 'Hugo Brandreth',
}))

/** How the club reminds its members: by mail, one kind in words of its own. */
const REMINDERS: ReminderSettings = {
  byMail: true,
  // Whoever tries the club at night sees its mails too.
  quiet: { from: 0, until: 0 },
  rules: {
    'check-in-due': { on: true, days: 1, subject: '', text: '' },
    'report-due': { on: true, days: 0, subject: '', text: '' },
    overdue: {
      ...{ on: true, days: 3, subject: 'We miss you at the calipers, {name}' },
      text: 'Hi {name},\n\nyour {what} was due on {day}. The boathouse is open from six: which morning suits you?\n\n{coach}\n{gym}',
    },
  },
}

/** The client's side of the club, with dates counted back from a day. */
export function clientSide(today: string) {
  const at = (day: string, time: string) => new Date(`${day}T${time}:00`)
  return {
    remote: REMOTE,
    height: { id: idOf('Juno height'), cm: 171, typed: '171' },
    details: {
      ...{ email: 'juno@example.com', phone: '+44 20 7946 0103', sees: 'everything' as const },
      ...{ goal: 'Fit the old unisuit by spring.', asks: ASKS, tags: ['remote'] },
    },
    reports: reportsOf(today),
    ...{ kept: KEPT, mail: MAIL, reminders: REMINDERS },
    sessionNotes: [
      {
        ...{ name: 'Gus Penhallow', date: addDays(today, -9) },
        words:
          'Erg: 4 x 8 minutes, fell off in the last one.\nSays he eats nothing after six. Talked about protein.',
      },
      {
        ...{ name: 'Tilda Marrowby', date: addDays(today, -3) },
        words: 'Hip is fine again. Back to full squats next week.',
      },
    ],
    appointments: [
      { name: 'Anton Greavesley', startsAt: at(today, '17:30'), minutes: 60, words: 'boathouse' },
      { name: 'Gus Penhallow', startsAt: at(addDays(today, 2), '07:00'), minutes: 45, words: '' },
    ],
    idOf,
  }
}
