/** The verb `equations`: every published form there is, with what it wants and what it gives. */
import { parseArgs } from 'node:util'
import { countsAge, countsGroup } from '../core/equations/counts'
import { EQUATIONS } from '../core/equations/registry'
import { GROUP_TERMS, PUBERTY_STAGES, type Equation, type Variant } from '../core/equations/types'
import { tell } from '../shared/words/tell'
import { write } from './files'
import { UsageError, type Verb } from './verb'
import { voice } from './voice'

/** Something that a form wants. */
interface Input {
  id: string
  unit: string | null
  /** The landmark standard of a fold. */
  standard?: string
  accepted?: readonly string[]
  /** Used where it is there. */
  optional?: true
}

const BODY: Record<Variant['needs'][number], Input> = {
  heightCm: { id: 'height', unit: 'cm' },
  massKg: { id: 'mass', unit: 'kg' },
  puberty: { id: 'puberty', unit: null, accepted: PUBERTY_STAGES },
}

/** What the batch takes in its column of this name; a source has no term for some of them. */
const GROUP: Input = { id: 'group_term', unit: null, accepted: GROUP_TERMS, optional: true }

function inputsOf({ standard }: Equation, variant: Variant): Input[] {
  return [
    ...variant.folds.map((id) => ({ id, unit: 'mm', ...(standard ? { standard } : {}) })),
    ...variant.girths.map((id) => ({ id, unit: 'cm' })),
    ...(variant.optionalGirths ?? []).map(({ girth: id }): Input => ({
      ...{ id, unit: 'cm', optional: true },
    })),
    ...(countsAge(variant) ? [{ id: 'age', unit: 'years' }] : []),
    ...variant.needs.map((need) => BODY[need]),
    ...(countsGroup(variant) ? [GROUP] : []),
  ]
}

/** Every form, one for each sex that its source has it for. */
function forms() {
  return EQUATIONS.flatMap((equation) =>
    equation.variants.map((variant) => ({
      ...{ id: equation.id, name: tell(equation.name, voice()), sex: variant.sex },
      ages: variant.ages && {
        from: variant.ages.youngest,
        to: Number.isFinite(variant.ages.oldest) ? variant.ages.oldest : null,
      },
      population: tell(variant.population, voice()),
      madeOn: variant.madeOn ?? null,
      contextOnly: equation.contextOnly ?? false,
      inputs: inputsOf(equation, variant),
      output:
        variant.gives === 'density'
          ? { of: 'body density', unit: 'g/cm3' }
          : { of: 'fat', unit: '%' },
      error: variant.standardError && {
        ...{ value: variant.standardError.value },
        unit: variant.standardError.of === 'density' ? 'g/cm3' : 'points of fat %',
      },
      ...{ grade: variant.grade, source: variant.citation, fromMemory: true },
    })),
  )
}

const years = (ages: ReturnType<typeof forms>[number]['ages']) =>
  ages ? `${ages.from}-${ages.to ?? ''}` : '?'

export const equations: Verb = {
  summary: 'every equation, with what it wants, gives and was made on',
  help: `[--json]

  Lists each published form: its id, sex, ages, and inputs. With --json also units, what it gives, its standard error, the
  grade of its coefficients and its source; all coefficients are from memory of the source named.`,
  async run(args) {
    let json: boolean | undefined
    try {
      ;({ json } = parseArgs({ args: [...args], options: { json: { type: 'boolean' } } }).values)
    } catch (error) {
      throw new UsageError((error as Error).message)
    }
    const all = forms()
    await write(
      json
        ? `${JSON.stringify(all, null, 2)}\n`
        : all
            .map(
              ({ id, sex, ages, inputs }) =>
                `${id.padEnd(24)} ${sex.padEnd(7)} ${years(ages).padEnd(6)} ${inputs.map((input) => input.id).join(' ')}\n`,
            )
            .join(''),
    )
    return 0
  },
}
