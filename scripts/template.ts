/**
 * `tsx scripts/template.ts FILE`: an empty database with every table, packed: what a first start begins with. Made with
 * the build.
 */
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join, relative, sep } from 'node:path'
import { fileURLToPath } from 'node:url'
import { gzipSync } from 'node:zlib'
import { zipSync, type Zippable } from 'fflate'
import { openDatabase } from '../server/database/driver'

const [file] = process.argv.slice(2)
if (!file) {
  console.error('Usage: tsx scripts/template.ts FILE')
  process.exit(2)
}
const migrations = fileURLToPath(new URL('../server/database/migrations', import.meta.url))
const folder = mkdtempSync(join(tmpdir(), 'oak-pinch-template-'))
try {
  const { engine, close } = await openDatabase(folder, migrations)
  // What new databases are copied from: there will be no other, and they are two thirds of all files.
  await engine.exec('update pg_database set datistemplate = false')
  await engine.exec('drop database template0')
  await engine.exec('drop database template1')
  await engine.exec('checkpoint')
  await close()
  const database = join(folder, 'db')
  const files: Zippable = {}
  for (const entry of readdirSync(database, { withFileTypes: true, recursive: true })) {
    const path = join(entry.parentPath, entry.name)
    const name = relative(database, path).split(sep).join('/')
    if (name === 'postmaster.pid') continue
    if (entry.isDirectory()) files[`${name}/`] = new Uint8Array()
    else files[name] = readFileSync(path)
  }
  mkdirSync(dirname(file), { recursive: true })
  writeFileSync(file, gzipSync(zipSync(files, { level: 0 }), { level: 9 }))
} finally {
  rmSync(folder, { recursive: true, force: true })
}
