import type { Sex } from '../../anatomy/ids'
import { dayValue, say, type Words } from '../../say'
import {
  type FilePerson,
  type KnownPeople,
  type KnownPerson,
  type Match,
  sexBySites,
} from './people'
import type { Questions } from './question'
import type { FileRow, LeftOut } from './file-row'
import { sexByFigures } from './worked-rows'

/**
 * Who somebody is where there is a doubt.
 *
 * @returns the client on record; undefined for somebody new
 */
export function askWho(
  { key, name }: { key: string; name: string },
  { candidates, usual, isDoubtful }: Match,
  questions: Questions,
): KnownPerson | 'leave' | undefined {
  if (!isDoubtful) return usual
  const answer = questions.ask({
    id: `person:${key}`,
    about: say('exchange.askPerson', { name }),
    options: [
      ...candidates.map((one) => ({ value: one.id, name: knownAs(one) })),
      { value: 'new', name: say('exchange.somebodyNew') },
      { value: 'leave', name: say('exchange.leaveOut') },
    ],
    usual: usual?.id ?? 'new',
  })
  return answer === 'leave' ? 'leave' : candidates.find(({ id }) => id === answer)
}

/** Who they are: a client on record or somebody new, and of which sex. */
export function identified(
  person: FilePerson,
  known: KnownPeople,
  questions: Questions,
  index: ReadonlyMap<FileRow, number>,
  left: LeftOut[],
): { of: FilePerson; sex: Sex; clientId: string | null }[] {
  const { key, name, rows } = person
  const leave = () => {
    for (const { place } of rows)
      left.push({ ...place, reason: say('exchange.personLeftOut', { name }) })
    return []
  }
  const match = askWho(person, known.match(person), questions)
  if (match === 'leave') return leave()
  if (match) {
    const birthDate = match.birthDate ?? person.birthDate
    return [{ of: { ...person, birthDate }, sex: match.sex, clientId: match.id }]
  }
  if (person.sex) return [{ of: person, sex: person.sex, clientId: null }]
  const told = sexByFigures(person, index) ?? sexBySites(rows)
  const answer = questions.ask({
    id: `sex:${key}`,
    about: told ? say('exchange.askSexTold', { name }) : say('exchange.askSex', { name }),
    options: [
      { value: 'female', name: say('exchange.female') },
      { value: 'male', name: say('exchange.male') },
      { value: 'leave', name: say('exchange.leaveOut') },
    ],
    usual: told ?? 'female',
  })
  if (answer === 'leave') return leave()
  return [{ of: person, sex: answer as Sex, clientId: null }]
}

function knownAs({ name, birthDate, birthYear }: KnownPerson): Words {
  if (birthDate) return say('exchange.knownBorn', { name, born: dayValue(birthDate, true) })
  return birthYear ? say('exchange.knownBornYear', { name, year: String(birthYear) }) : name
}
