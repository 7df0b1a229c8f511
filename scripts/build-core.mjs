/** What `npm pack` of core/ runs: core/dist with one script and the types. With --clean, takes it away again. */
import { readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { root, run } from './tools.mjs'

const dist = join(root, 'core', 'dist')
rmSync(dist, { recursive: true, force: true })
if (!process.argv.includes('--clean')) {
  const { build } = await import('esbuild')
  await build({
    entryPoints: [join(root, 'core', 'index.ts')],
    outfile: join(dist, 'index.js'),
    bundle: true,
    packages: 'external',
    format: 'esm',
    target: 'es2023',
  })
  const types = ['--declaration', '--emitDeclarationOnly', '--noEmit', 'false', '--outDir', dist]
  run('npx', ['tsc', '-p', 'tsconfig.core.json', ...types])
  // The sources leave out the endings of files, which Node's own rules of resolving want.
  const folders = new Set([
    dist,
    ...readdirSync(dist, { recursive: true, withFileTypes: true })
      .filter((entry) => entry.isDirectory())
      .map((entry) => join(entry.parentPath, entry.name)),
  ])
  for (const name of readdirSync(dist, { recursive: true })) {
    if (!name.endsWith('.d.ts')) continue
    const file = join(dist, name)
    const ended = readFileSync(file, 'utf8').replace(
      /(from |import\()(['"])(\.[^'"]*)\2/g,
      (_, how, quote, path) => {
        const isFolder = folders.has(join(file, '..', path))
        return `${how}${quote}${path}${isFolder ? '/index.js' : '.js'}${quote}`
      },
    )
    writeFileSync(file, ended)
  }
}
