import type { Message } from '#core'
import type { Answer, Answered, Asked } from '~/workers/records'

/** A file that cannot be read, in words. */
export class RefusedFile extends Error {
  override readonly name = 'RefusedFile'

  constructor(readonly said: Message) {
    super(JSON.stringify(said))
  }
}

type AnswerTo<K extends Asked['kind']> = K extends 'open' | 'choose'
  ? Extract<Answer, { kind: 'coming' }>
  : K extends 'look'
    ? Extract<Answer, { kind: 'looked' }>
    : Extract<Answer, { kind: K }>

/** The worker that reads files of records: made when it is first asked, and anew after it was stopped. */
export class RecordReader {
  private worker: Worker | undefined
  private last = 0
  private readonly waiting = new Map<
    number,
    { take: (answer: Answer) => void; fail: (error: Error) => void }
  >()

  constructor(private readonly make: () => Worker) {}

  /**
   * Asks, and waits for the answer.
   *
   * @param tell hears what comes before it: how far it is
   * @throws RefusedFile
   */
  ask<K extends Asked['kind']>(
    asked: Extract<Asked, { kind: K }>,
    tell: (answer: Answer) => void = () => {},
  ): Promise<AnswerTo<K>> {
    const id = ++this.last
    return new Promise((resolve, reject) => {
      this.waiting.set(id, {
        take: (answer) => {
          const isLast =
            answer.kind !== 'share' && !(answer.kind === 'looked' && answer.done < answer.of)
          if (!isLast) return tell(answer)
          this.waiting.delete(id)
          if (answer.kind === 'refused') reject(new RefusedFile(answer.words))
          else resolve(answer as AnswerTo<K>)
        },
        fail: reject,
      })
      this.running().postMessage({ id, asked })
    })
  }

  private running(): Worker {
    if (this.worker) return this.worker
    const worker = this.make()
    worker.onmessage = ({ data }: MessageEvent<Answered>) =>
      this.waiting.get(data.id)?.take(data.answer)
    worker.onerror = (event) => {
      this.stop(new Error(event.message))
    }
    return (this.worker = worker)
  }

  /** Lets go of what is under way, and of the file. */
  stop(why: Error = new DOMException('stopped', 'AbortError')): void {
    this.worker?.terminate()
    this.worker = undefined
    for (const { fail } of this.waiting.values()) fail(why)
    this.waiting.clear()
  }
}
