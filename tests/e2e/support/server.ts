import { execFileSync, spawn, type ChildProcess } from 'node:child_process'
import { once } from 'node:events'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { PATIENCE } from '../../support/patience'
import { freePort } from '../../support/free-port'
import { databaseOn } from '../../support/postgres'

const root = fileURLToPath(new URL('../../..', import.meta.url))
const entry = join(root, '.output', 'server', 'index.mjs')

/** A test of what becomes of the data folder's own database: there is none where the record is on a PostgreSQL server. */
export const onlyInFolder = (register: () => void): void => {
  if (!TestServer.postgres) register()
}

/** The built server, on a port and data folder of its own that outlive its process. */
export class TestServer {
  /** A PostgreSQL server that has the records; in folders where there is none. */
  static postgres: { admin: string; template: string } | undefined

  private process: ChildProcess | undefined

  private constructor(
    readonly folder: string,
    readonly port: number,
  ) {}

  /**
   * @param demo with the made-up club in it
   * @param env what the process gets besides
   * @param beside another one whose folder this one shares
   */
  static async create({
    demo = false,
    env = {} as Record<string, string>,
    beside = undefined as TestServer | undefined,
  } = {}): Promise<TestServer> {
    if (TestServer.postgres) env = { ...env, DATABASE_URL: await databaseOn(TestServer.postgres) }
    const folder = beside?.folder ?? mkdtempSync(join(tmpdir(), 'oak-pinch-e2e-'))
    if (demo) {
      execFileSync(
        'npx',
        ['tsx', '--tsconfig', 'tsconfig.tests.json', 'scripts/demo-data.ts', folder],
        {
          cwd: root,
          env: { ...process.env, ...env },
        },
      )
    }
    const server = new TestServer(folder, await freePort())
    server.env = env
    await server.start()
    return server
  }

  get url() {
    return `http://127.0.0.1:${this.port}`
  }

  /** What the process gets besides. */
  env: Record<string, string> = {}

  /** Starts a process on the folder and gives back what it does; for a second one beside the first, too. */
  spawn(port: number, { mayBegin = true, by = [] as string[] } = {}) {
    const [command, ...args] = [...by, process.execPath, entry]
    return spawn(command!, args, {
      env: {
        ...process.env,
        OAK_PINCH_DATA: this.folder,
        OAK_PINCH_NEW: mayBegin ? '1' : '0',
        NITRO_HOST: '127.0.0.1',
        NITRO_PORT: String(port),
        ...this.env,
      },
    })
  }

  /**
   * Starts the server and waits until it answers.
   *
   * @param anyAnswer also where the record cannot be opened
   * @param mayBegin whether an empty folder may become a record unasked
   * @returns what it has said on its terminal
   */
  async start({ anyAnswer = false, mayBegin = true } = {}): Promise<() => string> {
    this.process = this.spawn(this.port, { mayBegin })
    let said = ''
    this.process.stderr!.on('data', (chunk) => (said += chunk))
    this.process.stdout!.on('data', (chunk) => (said += chunk))
    for (const until = Date.now() + PATIENCE; Date.now() < until;) {
      const answered = await fetch(`${this.url}/api/health`).then(
        (r) => r.ok || anyAnswer,
        () => false,
      )
      if (answered) return () => said
      if (this.process.exitCode !== null) break
      await new Promise((wait) => setTimeout(wait, 200))
    }
    this.process.kill('SIGKILL')
    throw new Error(`The server did not start. ${said}`)
  }

  /** kill -9: no chance to tidy up. */
  async kill() {
    const gone = once(this.process!, 'exit')
    this.process!.kill('SIGKILL')
    await gone
  }

  /** A stop in good order. */
  async stop() {
    if (this.process?.exitCode !== null || this.process.signalCode !== null) return
    const gone = once(this.process!, 'exit')
    this.process!.kill('SIGTERM')
    await gone
  }

  async remove() {
    if (this.process?.exitCode === null && this.process.signalCode === null) await this.kill()
    rmSync(this.folder, { recursive: true, force: true })
  }

  async get<T>(path: string): Promise<T> {
    return (await fetch(`${this.url}${path}`)).json() as Promise<T>
  }

  post<T>(path: string, body: unknown): Promise<T> {
    return this.send('POST', path, body)
  }

  patch<T>(path: string, body: unknown): Promise<T> {
    return this.send('PATCH', path, body)
  }

  private async send<T>(method: string, path: string, body: unknown): Promise<T> {
    const response = await fetch(`${this.url}${path}`, {
      method,
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    })
    if (!response.ok) throw new Error(`${path}: ${response.status} ${await response.text()}`)
    return response.json() as Promise<T>
  }

  /**
   * Starts a second process on the same folder and gives back how it ended.
   *
   * @param by what starts it, with its arguments
   */
  async second(by: string[] = []): Promise<{ code: number | null; stderr: string }> {
    const other = this.spawn(await freePort(), { by })
    let stderr = ''
    other.stderr.on('data', (chunk) => (stderr += chunk))
    const [code] = (await once(other, 'exit')) as [number | null]
    return { code, stderr }
  }
}
