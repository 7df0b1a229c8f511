import fs from 'node:fs'
import { dirname, join } from 'node:path'
import { NodeFS } from '@electric-sql/pglite/nodefs'

/*
 * PostgreSQL asks for its files to be written through to the disk before it says that a change is kept. PGlite's own
 * folder on disk has no answer to that, so a power cut could take what was acknowledged. This one has: it writes through
 * what it is asked to, and before that every folder in which a name came, went or changed, since a file whose name is
 * not on the disk yet is as lost as one that was never written.
 */

/** Nobody but the owner reads or writes what is kept. */
export const PRIVATE = { file: 0o600, folder: 0o700, masked: 0o077 } as const

/** A file or folder as Emscripten keeps it, as far as it is used here. */
interface Node {
  mode: number
}
interface Attributes {
  mode?: number
}
interface Stream {
  nfd: number
}
type Operation = (...given: never[]) => unknown

/** The file system of Emscripten on Node's, as far as it is used here. */
interface NodeFileSystem {
  isWindows: boolean
  realPath(node: Node): string
  /** Turns a failure of the system into the number that PostgreSQL understands. */
  tryFSOperation<T>(work: () => T): T
  node_ops: Record<string, Operation> & {
    setattr(node: Node, attributes: Attributes): void
    mknod(parent: Node, name: string, mode: number, device: number): Node
    rename(node: Node & { parent: Node }, folder: Node, name: string): void
  }
  stream_ops: Record<string, Operation> & {
    setattr(stream: Stream, attributes: Attributes): void
    fsync?(stream: Stream): number
  }
}

/** Writes one file or folder through to the disk. @throws the system's error */
export function syncPath(path: string): void {
  const handle = fs.openSync(path, 'r')
  try {
    fs.fsyncSync(handle)
  } finally {
    fs.closeSync(handle)
  }
}

/** Windows writes the names of a folder through by itself, and cannot be asked to. */
const foldersCanBeSynced = process.platform !== 'win32'

/** Writes the names in a folder through to the disk. One that is gone meanwhile has none. */
export function syncFolder(path: string): void {
  if (!foldersCanBeSynced) return
  try {
    syncPath(path)
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'ENOENT') throw error
  }
}

/** Writes everything below a folder through to the disk, and the folder's own name in the one above it. */
export function syncTree(folder: string): void {
  const below = (path: string) => {
    for (const entry of fs.readdirSync(path, { withFileTypes: true })) {
      const inner = join(path, entry.name)
      if (entry.isDirectory()) below(inner)
      else if (entry.isFile()) syncPath(inner)
    }
    syncFolder(path)
  }
  below(folder)
  syncFolder(dirname(folder))
}

/** Makes a folder where there is none, for its owner alone, its name on the disk. */
export function makeFolder(path: string): void {
  if (fs.existsSync(path)) return
  fs.mkdirSync(path, { recursive: true, mode: PRIVATE.folder })
  syncFolder(dirname(path))
}

/** Makes a folder of its own that is empty, whatever was there before. */
export function emptyFolder(path: string): void {
  fs.rmSync(path, { recursive: true, force: true })
  fs.mkdirSync(path, { recursive: true, mode: PRIVATE.folder })
}

/** Makes PGlite's folder on disk write through, and keep what it makes to its owner. */
function makeDurable(files: NodeFileSystem): void {
  const { node_ops: names, stream_ops: streams } = files
  /** The folders of which names are not on the disk yet. */
  const changed = new Set<string>()
  const noted = <T extends Operation>(operation: T): T =>
    ((parent: Node, ...rest: never[]) => {
      const result = operation(...([parent, ...rest] as never[]))
      changed.add(files.realPath(parent))
      return result
    }) as unknown as T
  const owned = (attributes: Attributes): Attributes =>
    attributes.mode === undefined
      ? attributes
      : { ...attributes, mode: attributes.mode & ~PRIVATE.masked }

  for (const name of ['unlink', 'rmdir', 'symlink']) names[name] = noted(names[name]!)

  const { mknod, rename, setattr } = names
  names.mknod = noted((parent: Node, name: string, mode: number, device: number) =>
    mknod(parent, name, mode & ~PRIVATE.masked, device),
  )
  names.rename = (node, folder, name) => {
    const before = files.realPath(node.parent)
    rename(node, folder, name)
    changed.add(before).add(files.realPath(folder))
  }
  // Emscripten gives a new file the mode 0666 after it was made, whatever the mask of the process.
  names.setattr = (node, attributes) => setattr(node, owned(attributes))
  const { setattr: setOpen } = streams
  streams.setattr = (stream, attributes) => setOpen(stream, owned(attributes))

  // Within tryFSOperation, so that a failure is one that PostgreSQL sees: it takes anything else for success.
  streams.fsync = (stream) =>
    files.tryFSOperation(() => {
      for (const folder of changed) {
        syncFolder(folder)
        changed.delete(folder)
      }
      fs.fsyncSync(stream.nfd)
      return 0
    })
}

/** The folder of a database on disk, written through whenever PostgreSQL asks. */
export class DurableFs extends NodeFS {
  override async init(
    ...[engine, options]: Parameters<NodeFS['init']>
  ): ReturnType<NodeFS['init']> {
    const first = (module: object) =>
      makeDurable((module as unknown as { NODEFS: NodeFileSystem }).NODEFS)
    return super.init(engine, { ...options, preRun: [...(options.preRun ?? []), first] })
  }
}
