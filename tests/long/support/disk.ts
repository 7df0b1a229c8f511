import fs from 'node:fs'
import { syncBuiltinESMExports } from 'node:module'
import { dirname, join, relative, resolve, sep } from 'node:path'

/*
 * A disk that can lose its power: everything that is done below a folder is noted, and the folder is built again as of
 * any moment with what was not written through by then lost, as a whole or in part.
 */

type Data = { write: Buffer; at: number } | { size: number }
type Event =
  | { kind: 'make'; path: string; id: number; folder: boolean }
  | { kind: 'data'; id: number; data: Data }
  | { kind: 'rename'; from: string; to: string }
  | { kind: 'remove'; path: string }
  | { kind: 'sync'; id: number }
  | { kind: 'syncFolder'; path: string }
  | { kind: 'acknowledged'; what: number }

/** What was done below a folder, in order. */
export class Recorder {
  readonly events: Event[] = []
  /** What the next writes to the disk fail with, where something is wrong with it. */
  failure: { on: 'fsync' | 'write'; code: 'EIO' | 'ENOSPC' } | undefined
  private readonly ids = new Map<string, number>()
  private readonly open = new Map<number, { path: string; id: number; append: boolean }>()
  private depth = 0
  private lastId = 0
  private readonly real = { ...fs }
  private readonly wrapped = new Set<keyof typeof fs>()

  /** @param root a folder; what is in it already counts as written through */
  constructor(private readonly root: string) {
    const begin = (path: string) => {
      for (const entry of fs.readdirSync(path, { withFileTypes: true })) {
        const inner = join(path, entry.name)
        const id = this.made(inner, entry.isDirectory())
        if (entry.isDirectory()) begin(inner)
        else {
          this.events.push({ kind: 'data', id, data: { write: fs.readFileSync(inner), at: 0 } })
          this.events.push({ kind: 'sync', id })
        }
      }
      this.events.push({ kind: 'syncFolder', path })
    }
    if (fs.existsSync(root)) begin(root)
    this.hook()
  }

  /** Notes that a row was acknowledged. */
  acknowledged(what: number): void {
    this.events.push({ kind: 'acknowledged', what })
  }

  end(): void {
    for (const name of this.wrapped) Object.assign(fs, { [name]: this.real[name] })
    syncBuiltinESMExports()
  }

  private inside(path: unknown): string | undefined {
    const full = resolve(String(path))
    return full === this.root || full.startsWith(this.root + sep) ? full : undefined
  }

  private idOf(path: string): number {
    return this.ids.get(path)!
  }

  private made(path: string, folder = false): number {
    const id = ++this.lastId
    this.ids.set(path, id)
    this.events.push({ kind: 'make', path, id, folder })
    return id
  }

  /** Wraps one call: what it did is noted once, at the outermost call, after it succeeded. */
  private wrap<K extends keyof typeof fs>(
    name: K,
    note: (given: unknown[], result: unknown, before: unknown) => void,
    look: (given: unknown[]) => unknown = () => undefined,
  ): void {
    const real = this.real[name] as (...given: unknown[]) => unknown
    this.wrapped.add(name)
    Object.assign(fs, {
      [name]: (...given: unknown[]) => {
        if (this.depth > 0) return real(...given)
        this.depth++
        try {
          const before = look(given)
          const result = real(...given)
          note(given, result, before)
          return result
        } finally {
          this.depth--
        }
      },
    })
  }

  private fail(on: 'fsync' | 'write'): void {
    if (this.failure?.on !== on) return
    const { code } = this.failure
    throw Object.assign(new Error(`${code}: injected`), { code, errno: -5, syscall: on })
  }

  private hook(): void {
    const there = ([path]: unknown[]) => this.real.existsSync(String(path))
    this.wrap(
      'openSync',
      ([path, flags], handle, existed) => {
        const at = this.inside(path)
        if (!at) return
        if (!existed) this.made(at)
        const truncates =
          typeof flags === 'number' ? flags & fs.constants.O_TRUNC : String(flags).startsWith('w')
        const append =
          typeof flags === 'number'
            ? !!(flags & fs.constants.O_APPEND)
            : String(flags).startsWith('a')
        const id = this.idOf(at)
        if (existed && truncates) this.events.push({ kind: 'data', id, data: { size: 0 } })
        this.open.set(handle as number, { path: at, id, append })
      },
      there,
    )
    this.wrap('closeSync', ([handle]) => void this.open.delete(handle as number))
    this.wrap(
      'writeSync',
      ([handle, buffer, offset, , position], written, before) => {
        const file = this.open.get(handle as number)
        if (!file) return
        const isText = typeof buffer === 'string'
        const from = isText ? 0 : ((offset as number | undefined) ?? 0)
        // A copy of what was written alone: the buffer is the whole memory of the engine.
        const write = isText
          ? Buffer.from(buffer)
          : Buffer.from((buffer as Uint8Array).slice(from, from + (written as number)))
        const place = isText ? offset : position
        const at = typeof place === 'number' ? place : (before as number)
        this.events.push({ kind: 'data', id: file.id, data: { write, at } })
      },
      ([handle]) => {
        if (!this.open.has(handle as number)) return 0
        this.fail('write')
        return this.real.fstatSync(handle as number).size
      },
    )
    this.wrap(
      'writeFileSync',
      ([path, content], _, existed) => {
        const at = this.inside(path)
        if (!at) return
        const id = existed ? this.idOf(at) : this.made(at)
        const write = Buffer.from(content as string)
        this.events.push({ kind: 'data', id, data: { size: 0 } })
        if (write.length) this.events.push({ kind: 'data', id, data: { write, at: 0 } })
      },
      (given) => {
        if (this.inside(given[0])) this.fail('write')
        return there(given)
      },
    )
    this.wrap('ftruncateSync', ([handle, size]) => {
      const file = this.open.get(handle as number)
      if (file)
        this.events.push({ kind: 'data', id: file.id, data: { size: (size as number) ?? 0 } })
    })
    this.wrap('truncateSync', ([path, size]) => {
      const at = this.inside(path)
      if (at)
        this.events.push({ kind: 'data', id: this.idOf(at), data: { size: (size as number) ?? 0 } })
    })
    this.wrap(
      'mkdirSync',
      (_given, _result, missing) => {
        for (const at of missing as string[]) this.made(at, true)
      },
      ([path]) => {
        const missing: string[] = []
        for (let at = resolve(String(path)); this.inside(at); at = dirname(at))
          if (!this.real.existsSync(at)) missing.unshift(at)
        return missing
      },
    )
    this.wrap('renameSync', ([from, to]) => {
      const [source, target] = [this.inside(from), this.inside(to)]
      if (!source || !target) return
      for (const [path, id] of [...this.ids])
        if (path === source || path.startsWith(source + sep)) {
          this.ids.delete(path)
          this.ids.set(target + path.slice(source.length), id)
        }
      for (const file of this.open.values()) if (file.path === source) file.path = target
      this.events.push({ kind: 'rename', from: source, to: target })
    })
    for (const name of ['unlinkSync', 'rmdirSync', 'rmSync'] as const)
      this.wrap(
        name,
        ([path], _, existed) => {
          const at = this.inside(path)
          if (at && existed) this.events.push({ kind: 'remove', path: at })
        },
        there,
      )
    this.wrap(
      'fsyncSync',
      ([handle]) => {
        const file = this.open.get(handle as number)
        if (!file) return
        if (this.real.fstatSync(handle as number).isDirectory())
          this.events.push({ kind: 'syncFolder', path: file.path })
        else this.events.push({ kind: 'sync', id: file.id })
      },
      ([handle]) => {
        if (this.open.has(handle as number)) this.fail('fsync')
      },
    )
    syncBuiltinESMExports()
  }

  /** What was acknowledged before a moment. */
  acknowledgedBy(moment: number): Set<number> {
    const done = new Set<number>()
    for (const event of this.events.slice(0, moment))
      if (event.kind === 'acknowledged') done.add(event.what)
    return done
  }

  /**
   * Builds the folder as a cut of the power at a moment may leave it.
   *
   * @param moment how many events came before it
   * @param into an empty folder
   * @param names whether a name that came, went or changed is only as safe as its folder was written through
   * @param keep from 0 to 1 for each thing that was not written through: whether it is on the disk all the same
   */
  rebuild(
    moment: number,
    into: string,
    { names, keep }: { names: boolean; keep: () => boolean },
  ): void {
    const files = new Map<number, { data: Data[]; durable: number; folder: boolean }>()
    interface NameChange {
      event: Event & { kind: 'make' | 'rename' | 'remove' }
      waits: Set<string>
    }
    const changes: NameChange[] = []
    const change = (event: NameChange['event'], ...paths: string[]) =>
      changes.push({ event, waits: new Set(names ? paths.map((path) => dirname(path)) : []) })
    for (const event of this.events.slice(0, moment)) {
      if (event.kind === 'make') {
        files.set(event.id, { data: [], durable: 0, folder: event.folder })
        change(event, event.path)
      } else if (event.kind === 'rename') change(event, event.from, event.to)
      else if (event.kind === 'remove') change(event, event.path)
      else if (event.kind === 'data') files.get(event.id)!.data.push(event.data)
      else if (event.kind === 'sync') {
        const file = files.get(event.id)!
        file.durable = file.data.length
      } else if (event.kind === 'syncFolder')
        for (const { waits } of changes) waits.delete(event.path)
    }
    // Names reach the disk in their order: of what waits, a first part.
    let reached = true
    const tree = new Map<string, number>()
    for (const { event, waits } of changes) {
      if (waits.size > 0) {
        reached &&= keep()
        if (!reached) continue
      }
      if (event.kind === 'make') tree.set(event.path, event.id)
      else {
        const of = event.kind === 'rename' ? event.from : event.path
        const moved = [...tree].filter(([path]) => path === of || path.startsWith(of + sep))
        for (const [path] of moved) tree.delete(path)
        if (event.kind === 'rename') {
          for (const [path, id] of moved) tree.set(event.to + path.slice(of.length), id)
        }
      }
    }
    for (const path of [...tree.keys()].sort()) {
      const file = files.get(tree.get(path)!)!
      const target = join(into, relative(this.root, path))
      // A file in a folder whose own name was lost is lost with it.
      if (!this.real.existsSync(dirname(target))) continue
      if (file.folder) this.real.mkdirSync(target, { recursive: true })
      else
        this.real.writeFileSync(
          target,
          contentOf([
            ...file.data.slice(0, file.durable),
            ...file.data.slice(file.durable).flatMap((data) => torn(data, keep)),
          ]),
        )
    }
  }
}

const PAGE = 4096

/** The parts of a change that reached the disk: pages of 4 kB, each by itself. */
function torn(data: Data, keep: () => boolean): Data[] {
  if ('size' in data) return keep() ? [data] : []
  const parts: Data[] = []
  for (let from = 0; from < data.write.length;) {
    const to = Math.min(data.write.length, from + PAGE - ((data.at + from) % PAGE))
    if (keep()) parts.push({ write: data.write.subarray(from, to), at: data.at + from })
    from = to
  }
  return parts
}

/** What a file holds after changes, from nothing. */
function contentOf(changes: readonly Data[]): Buffer {
  const room = Math.max(0, ...changes.map((d) => ('size' in d ? d.size : d.at + d.write.length)))
  const content = Buffer.alloc(room)
  let size = 0
  for (const change of changes) {
    if ('size' in change) {
      if (change.size < size) content.fill(0, change.size, size)
      size = change.size
    } else {
      change.write.copy(content, change.at)
      size = Math.max(size, change.at + change.write.length)
    }
  }
  return content.subarray(0, size)
}
