import {
  defineEventHandler,
  getRequestHeader,
  readFormData,
  sendRedirect,
  setResponseHeader,
  setResponseStatus,
  type H3Event,
} from 'h3'
import { dayValue, isoDateOf, say, type Words } from '#core'
import { tell } from '#shared/words/tell'
import { voiceOf } from '#shared/words/voices'
import { isLocal } from '../access/local'
import { backupsIn, type Backup } from '../archive/backups'
import {
  allowBeginning,
  recordTrouble,
  restoreBackup,
  tryAgain,
  useDatabase,
} from '../database/running'
import { RecordTrouble, type TroubleKind } from '../database/trouble'
import { dataFolder } from '../files/data-folder'
import { Refusal } from '../http/errors'
import { languageOf } from '../http/language'

/*
 * While the record cannot be opened every page says so, in one sentence, with what is safe and the way back. It is plain
 * HTML: the pages of the application ask for a record that is not there.
 */

const PATH = '/trouble'
/** What may be tried where a folder is in a state. */
const WAYS: Partial<Record<TroubleKind, readonly ('begin' | 'restore')[]>> = {
  missing: ['begin', 'restore'],
  emptied: ['restore'],
  damaged: ['restore'],
}

/** A record is restored and begun by who sits at this computer: nobody can sign in while it is not open. */
const waysOf = (event: H3Event, kind: TroubleKind | undefined) =>
  (isLocal(event) && kind && WAYS[kind]) || []

export default defineEventHandler(async (event) => {
  if (event.path === PATH && event.method === 'POST') return act(event)
  const wantsPage = getRequestHeader(event, 'accept')?.includes('text/html')
  if (!wantsPage || event.path.startsWith('/api/')) return undefined
  // A disk that was full may have room by now.
  const trouble = await useDatabase().then(
    () => undefined,
    (error: unknown) => error,
  )
  return trouble instanceof RecordTrouble ? page(event, trouble) : undefined
})

/** What somebody chose on the page. */
async function act(event: H3Event) {
  const trouble = recordTrouble()
  const ways = waysOf(event, trouble?.kind)
  const asked = await readFormData(event)
  const [way, backup] = [asked.get('way'), asked.get('backup')]
  if (trouble && way === 'restore' && ways.includes('restore') && typeof backup === 'string') {
    const problem = await restoreBackup(backup, String(asked.get('passphrase') ?? '') || null).then(
      () => undefined,
      (error: unknown) => error,
    )
    if (problem) return page(event, trouble, problem instanceof Refusal ? problem.said : undefined)
  }
  if (way === 'begin' && ways.includes('begin')) allowBeginning()
  tryAgain()
  return sendRedirect(event, '/', 303)
}

const escaped = (text: string) => text.replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`)

function page(event: H3Event, { kind, said }: RecordTrouble, problem?: Words): string {
  const language = languageOf(event)
  const voice = voiceOf(language)
  const t = (words: Words) => escaped(tell(words, voice))
  const ways = waysOf(event, kind)
  const backups = ways.includes('restore') ? backupsIn(dataFolder()) : []
  setResponseStatus(event, 503)
  setResponseHeader(event, 'content-type', 'text/html; charset=utf-8')
  setResponseHeader(event, 'cache-control', 'no-store')
  const form = (inner: string) => `<form method="post" action="${PATH}">${inner}</form>`
  const option = ({ name, madeAt, locked }: Backup) =>
    `<label><input type="radio" name="backup" value="${escaped(name)}" required> ${t(
      say(locked ? 'trouble.backupOfLocked' : 'trouble.backupOf', {
        day: dayValue(isoDateOf(madeAt), true),
        time: madeAt.toISOString().slice(11, 16),
      }),
    )}</label>`
  return `<!doctype html>
<html lang="${language}">
<head>
<meta charset="utf-8">
<meta name="referrer" content="same-origin">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>${t(say('trouble.title'))}</title>
<style>
body { margin: 0; background: #f9f6ee; color: #26211b; font: 1.2rem/1.5 system-ui, sans-serif; }
main { max-width: 40rem; margin: 0 auto; padding: 2rem 1.25rem; }
h1 { font-size: 2rem; line-height: 1.2; }
p, label { overflow-wrap: anywhere; }
label { display: block; padding: .55rem 0; }
button, input[type=password] { font: inherit; min-height: 3rem; padding: .4rem 1rem; border: 2px solid #5c5346; border-radius: 4px; }
button { background: #2b6048; border-color: #2b6048; color: #fff; font-weight: bold; cursor: pointer; }
button.other { background: none; color: #26211b; border-color: #5c5346; }
form { margin: 1.25rem 0; }
.problem { border-left: 6px solid #a03c28; padding-left: .75rem; font-weight: bold; }
</style>
</head>
<body><main>
<h1>${t(say('trouble.title'))}</h1>
<p data-test="trouble">${t(said)}</p>
${problem === undefined ? '' : `<p class="problem" role="alert">${t(problem)}</p>`}
${
  backups.length
    ? form(
        `<h2>${t(say('trouble.restoreWhich'))}</h2>${backups.slice(0, 12).map(option).join('')}
${backups.some(({ locked }) => locked) ? `<label>${t(say('trouble.passphrase'))}<br><input type="password" name="passphrase" autocomplete="off"></label>` : ''}
<button name="way" value="restore">${t(say('trouble.restore'))}</button>`,
      )
    : ways.includes('restore')
      ? `<p>${t(say('trouble.noBackups'))}</p>`
      : ''
}
${ways.includes('begin') ? form(`<button class="other" name="way" value="begin">${t(say('trouble.begin'))}</button>`) : ''}
${form(`<button class="other" name="way" value="again">${t(say('trouble.again'))}</button>`)}
</main></body></html>`
}
