import { PGlite, messages, type PGliteOptions } from '@electric-sql/pglite'
import { DurableFs } from './durable-fs'

/** The end of a database engine that may not run on: what it acknowledged is on the disk, and is there at the next start. */
export class EngineDied extends Error {
  override readonly name = 'EngineDied'
}

/** What PostgreSQL says on its way down; the rest of its talk may name people and is not kept. */
const LAST_WORDS = /\b(?:FATAL|PANIC):/

/**
 * PostgreSQL over a folder on disk, written through at every commit. When it fails to, it panics; what is called next
 * would never come back, so from then on everything is refused.
 */
export class RecordEngine extends PGlite {
  /** Called once, before anything else runs, when the engine has died. */
  onDeath?: (error: EngineDied) => void
  private death?: EngineDied

  /**
   * Opens the database in a folder.
   *
   * @param folder an existing database, or one that is made there
   * @param onDeath called when the engine has died, at once
   * @throws whatever the engine failed by, with its last words as the cause
   */
  static async open(
    folder: string,
    onDeath?: (error: EngineDied) => void,
    more: Partial<PGliteOptions> = {},
  ): Promise<RecordEngine> {
    const lastWords: string[] = []
    const engine = new RecordEngine({
      ...more,
      fs: new DurableFs(folder),
      startParams: START_PARAMS,
      // Never printed: a line may hold what somebody typed.
      onStderr: (line) => {
        if (LAST_WORDS.test(line)) lastWords.push(line)
        return false
      },
    })
    engine.onDeath = onDeath
    try {
      await engine.waitReady
      await engine.checkDurable()
    } catch (error) {
      throw new Error(error instanceof Error ? error.message : String(error), {
        cause: lastWords.at(-1),
      })
    }
    return engine
  }

  /** That the engine really writes through. @throws when it does not */
  private async checkDurable(): Promise<void> {
    for (const [name, wanted] of Object.entries(WRITTEN_THROUGH)) {
      const { rows } = await this.query<Record<string, string>>(`show ${name}`)
      if (rows[0]?.[name] !== wanted) throw new Error(`${name} is not ${wanted}`)
    }
  }

  override execProtocol(...given: Parameters<PGlite['execProtocol']>) {
    return this.guarded(() => super.execProtocol(...given))
  }

  override execProtocolStream(...given: Parameters<PGlite['execProtocolStream']>) {
    return this.guarded(() => super.execProtocolStream(...given))
  }

  private async guarded<T>(work: () => Promise<T>): Promise<T> {
    if (this.death) throw this.death
    try {
      return await work()
    } catch (error) {
      if (!isFatal(error)) throw error
      this.death = new EngineDied('The database stopped', { cause: error })
      this.onDeath?.(this.death)
      throw this.death
    }
  }
}

/** An error after which the engine may not be used: PostgreSQL's panic, or the end of its own machine. */
const isFatal = (error: unknown): boolean =>
  error instanceof messages.DatabaseError
    ? error.severity === 'PANIC'
    : error instanceof WebAssembly.RuntimeError

/** What PostgreSQL must say of itself, or a power cut could take what it acknowledged. */
const WRITTEN_THROUGH = { fsync: 'on', wal_sync_method: 'fsync', full_page_writes: 'on' }

const START_PARAMS = [
  ...PGlite.defaultStartParams.filter((given) => given !== '-F'),
  // The default, fdatasync, does nothing in WebAssembly.
  ...['-c', 'wal_sync_method=fsync'],
  // A segment of the log that is no longer needed goes, in place of being used again with what it held.
  ...['-c', 'wal_recycle=off', '-c', 'min_wal_size=32MB'],
]
