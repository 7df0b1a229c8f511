/** `npm run simulate [PEOPLE]`: the model of the record on made-up people, in every world, as a table. */
import { FIGURES_MEASURED, measureWorld, WORLDS, type WorldName } from '../tests/core/worlds'

const people = Number(process.argv[2] ?? 200)
if (!Number.isInteger(people) || people < 10) {
  process.stderr.write(`People: got "${process.argv[2]}". Accepted: a whole number from 10 on.\n`)
  process.exit(2)
}

const names = Object.keys(WORLDS) as WorldName[]
process.stdout.write(`| ${people} people a course | ${names.join(' | ')} |\n`)
process.stdout.write(`|---|${names.map(() => '---').join('|')}|\n`)
const measured = names.map((name) => measureWorld(name, people))
for (const [id, { says, digits }] of Object.entries(FIGURES_MEASURED)) {
  const cells = measured.map((of) => of[id as keyof typeof FIGURES_MEASURED].toFixed(digits))
  process.stdout.write(`| ${says} | ${cells.join(' | ')} |\n`)
}
