/** `npm run docs`: writes the generated parts of docs/how-it-computes.md from the registry and the simulation. */
import { readFileSync, writeFileSync } from 'node:fs'
import { format } from 'prettier'
import { generatedParts, withParts } from '../tests/core/docs-parts'

const path = new URL('../docs/how-it-computes.md', import.meta.url)
const text = withParts(readFileSync(path, 'utf8'), generatedParts())
writeFileSync(
  path,
  await format(text, { parser: 'markdown', semi: false, singleQuote: true, printWidth: 100 }),
)
