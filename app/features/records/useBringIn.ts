import { v4 as newId } from 'uuid'
import type { ColumnChoice, Words } from '#core'
import type { Coming, ComingCheckIn, ComingFinding } from '#shared/exchange/coming'
import { usualOrder } from '#shared/exchange/usual'
import { wordsOfMaking } from '#shared/exchange/of-file'
import type { Import } from '#shared/contract/imports'
import { exchange } from '~/contract'
import { needWords, wordsArrived } from '~/words/needed'
import { RecordReader, RefusedFile } from './reader'
import { sendRecords } from './send'

export const BRING_STEPS = ['understood', 'who', 'comes', 'bring'] as const
export type BringStep = (typeof BRING_STEPS)[number]

/** What is read before the page can be drawn again. */
const SLICE = 200

// What the worker says of a file is told here: its scripts name no places.
needWords(['exchange', 'methods', 'equations', 'findings', 'anatomy', 'errors'])

/** Old records on their way in: the file, what it comes to by what was chosen, and how far it is. */
export function useBringIn() {
  const massUnit = useMassUnit()
  const lengthUnit = useLengthUnit()
  const reader = new RecordReader(
    () => new Worker(new URL('../../workers/records.ts', import.meta.url), { type: 'module' }),
  )
  onBeforeUnmount(() => reader.stop())

  const fileName = ref('')
  const coming = shallowRef<Coming>()
  const step = ref<BringStep>('understood')
  const columns = ref<Record<string, ColumnChoice>>({})
  const answers = ref<Record<string, string>>({})
  /** How far it is, from 0 to 1; undefined while nothing is under way. */
  const share = ref<number>()
  const trouble = ref('')
  const looked = shallowRef<{
    findings: ComingFinding[]
    found: number
    done: number
    of: number
  }>()
  const brought = shallowRef<Import>()
  let sending: AbortController | undefined
  // Made once for a file, so that sending it again after an answer that got lost brings it in once.
  let importId = newId()

  async function under<T>(act: () => Promise<T>): Promise<T | undefined> {
    trouble.value = ''
    share.value = 0
    try {
      return await act()
    } catch (error) {
      if (error instanceof DOMException && error.name === 'AbortError') return undefined
      trouble.value =
        error instanceof RefusedFile
          ? tell(error.said)
          : error instanceof Error
            ? wordsOf(error)
            : String(error)
      return undefined
    } finally {
      share.value = undefined
    }
  }
  const hear = (answer: { kind: string; share?: number }) => {
    if (answer.kind === 'share') share.value = answer.share
  }

  async function open(bytes: Uint8Array, name: string) {
    startAgain()
    const read = await under(async () => {
      const [known] = await Promise.all([callApi(exchange.known, {}), wordsArrived()])
      const order = usualOrder(language())
      return reader.ask(
        {
          ...{ kind: 'open', bytes },
          around: {
            fileName: name.replace(/\.[^.]*$/, ''),
            usual: { length: lengthUnit.value, mass: massUnit.value, order },
            ...known,
          },
          words: wordsOfMaking(tell),
        },
        hear,
      )
    })
    if (!read) return
    fileName.value = name
    coming.value = read.coming
  }

  /** Reads the file again by what was chosen. */
  async function choose() {
    looked.value = undefined
    const choices = clone({ columns: columns.value, answers: answers.value })
    const read = await under(() => reader.ask({ kind: 'choose', choices }, hear))
    if (read) coming.value = read.coming
  }

  async function look() {
    if (looked.value) return
    const units = { mass: massUnit.value, length: lengthUnit.value }
    const take = (answer: { kind: string }) => {
      if (answer.kind === 'looked') looked.value = answer as never
    }
    await reader
      .ask({ kind: 'look', units }, take)
      .then(take)
      .catch(() => {})
  }

  const checkInsOf = async (of: number): Promise<ComingCheckIn[]> =>
    (await reader.ask({ kind: 'check-ins', of })).checkIns

  /** What is told of everything that is left out: a long list, so the page is drawn in between. */
  async function leftOut() {
    const { reasons, rows } = await reader.ask({ kind: 'left' })
    return { rows, reasons: await toldInTurn(reasons) }
  }

  async function bring() {
    sending = new AbortController()
    const { signal } = sending
    brought.value = await under(async () => {
      const { reasons } = await leftOut()
      const { file } = await reader.ask({
        ...{ kind: 'send', id: importId, fileName: fileName.value, left: reasons },
      })
      return sendRecords(file, signal, (now) => (share.value = now))
    })
    sending = undefined
  }

  /** Breaks off what is under way. */
  function cancel() {
    if (sending) sending.abort()
    else {
      reader.stop()
      startAgain()
    }
    sending = undefined
  }
  function startAgain() {
    coming.value = undefined
    looked.value = undefined
    brought.value = undefined
    step.value = 'understood'
    columns.value = {}
    answers.value = {}
    importId = newId()
    sending = undefined
  }

  return {
    ...{ fileName, coming, step, columns, answers, share, trouble, looked, brought },
    ...{ open, choose, look, checkInsOf, leftOut, bring, cancel, startAgain },
  }
}

/** Choices without what Vue wraps them in: a worker takes plain data. */
const clone = <T>(data: T): T => JSON.parse(JSON.stringify(data)) as T

async function toldInTurn(words: readonly Words[]): Promise<string[]> {
  const all: string[] = []
  for (let i = 0; i < words.length; i += SLICE) {
    all.push(...words.slice(i, i + SLICE).map((one) => tell(one)))
    await new Promise((resolve) => setTimeout(resolve))
  }
  return all
}

export type BringIn = ReturnType<typeof useBringIn>
