/**
 * `npm run docs`: writes the generated parts of docs/how-it-computes.md from the registry and the simulation, and the
 * schemas of an archive and of the exchange format.
 */
import { readFileSync, writeFileSync } from 'node:fs'
import { format } from 'prettier'
import { fileURLToPath } from 'node:url'
import { publishedSchema } from '../server/archive/published-schema'
import { openDatabase } from '../server/database/driver'
import { exchangeJsonSchema } from '../shared/exchange/json-schema'
import { generatedParts, withParts } from '../tests/core/docs-parts'

const path = new URL('../docs/how-it-computes.md', import.meta.url)
const text = withParts(readFileSync(path, 'utf8'), generatedParts())
writeFileSync(
  path,
  await format(text, { parser: 'markdown', semi: false, singleQuote: true, printWidth: 100 }),
)

const migrations = fileURLToPath(new URL('../server/database/migrations', import.meta.url))
const { db, close } = await openDatabase(undefined, migrations)
const schema = JSON.stringify(await publishedSchema(db))
await close()
writeFileSync(
  new URL('../docs/record.schema.json', import.meta.url),
  await format(schema, { parser: 'json', printWidth: 100 }),
)
writeFileSync(
  new URL('../docs/record-exchange.schema.json', import.meta.url),
  await format(JSON.stringify(exchangeJsonSchema()), { parser: 'json', printWidth: 100 }),
)
