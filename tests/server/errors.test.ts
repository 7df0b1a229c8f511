import { expect, test, vi } from 'vitest'
import { answerTo } from '../../server/http/errors'

/** An error as the database gives it, under the one that names the query and what was sent with it. */
const failed = (code: string, sent: string) =>
  Object.assign(
    new Error(`Failed query: insert into client_notes values ($1)\nparams: ${sent}`, {
      cause: Object.assign(new Error('refused'), { code, query: 'insert' }),
    }),
    { query: 'insert', params: [sent] },
  )
const system = (code: string) => Object.assign(new Error(`${code}: write`), { code })

test.each<[string, unknown, number, string]>([
  ['a disk that is full, by the database', failed('53100', 'a note'), 507, 'record-full'],
  ['a disk that is full, by the system', system('ENOSPC'), 507, 'record-full'],
  ['a folder that may not be written to', system('EROFS'), 507, 'record-read-only'],
  ['words of a person that sound like it', failed('23505', 'Permission denied'), 409, 'duplicate'],
])('%s', (_, error, status, code) => {
  const log = vi.spyOn(console, 'error').mockReturnValue()
  const answer = answerTo(error, 'POST /api/notes')
  expect([answer.status, answer.problems[0]!.code]).toEqual([status, code])
  expect(log).not.toHaveBeenCalled()
  log.mockRestore()
})
