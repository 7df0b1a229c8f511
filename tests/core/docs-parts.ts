import {
  ADVICE,
  CONVERSIONS,
  countsAge,
  EQUATIONS,
  NORM_TABLES,
  PROTOCOLS,
  SAFETY_RULES,
  LANDMARK_STANDARD_NAMES,
  unrounded,
  nameOf,
  type AgeRow,
  type Equation,
  type Term,
  type Variant,
} from '#core'
import { tell, told } from '../support/words'
import { honestQuestioned, slipTrials } from './slip-trials'

/* The parts of docs/how-it-computes.md that are made from the registry and the simulation. */

const isRows = (terms: Term[] | AgeRow[]): terms is AgeRow[] => 'terms' in terms[0]!

function formula(terms: Term[]): string {
  return terms
    .map(({ coefficient, of }, i) => {
      const sign = coefficient < 0 ? (i ? ' − ' : '−') : i ? ' + ' : ''
      const size = unrounded(Math.abs(coefficient))
      return of.label === '1' ? `${sign}${size}` : `${sign}${size} ${tell(of.label)}`
    })
    .join('')
}

function ages({ ages: range }: Variant): string {
  if (!range) return 'not stated'
  return range.oldest === Infinity
    ? `${range.youngest} and over`
    : `${range.youngest} to ${range.oldest}`
}

function error({ standardError }: Variant): string {
  if (!standardError) return 'not known'
  return standardError.of === 'density'
    ? `${standardError.value} g/cm³`
    : `${standardError.value} points`
}

function card(variant: Variant): string[] {
  const { gives, terms, folds, girths, needs, turning, sampleSums } = variant
  const given = gives === 'density' ? 'BD' : 'fat %'
  const lines = isRows(terms)
    ? terms.map(
        (r) =>
          `${r.from} to ${r.to === Infinity ? 'older' : r.to} years: ${given} = ${formula(r.terms)}`,
      )
    : [`${given} = ${formula(terms)}`]
  const inputs = [...folds, ...girths].map((site) => tell(nameOf(site)).toLowerCase())
  const body = needs.map((need) => BODY[need])
  return [
    `**${variant.sex === 'male' ? 'Men' : 'Women'}.** ${lines.join('; ')}. Inputs: ${[...inputs, ...body].join(', ')}. Ages: ${ages(variant)}. Sample: ${tell(variant.population)}. Standard error: ${error(variant)}. ${turning ? `Turns over at ${turning.of === 'sum' ? `a sum of ${turning.at} mm` : `an abdomen of ${turning.at} cm`}: refused past it. ` : ''}${sampleSums ? `Sums of the sample: ${sampleSums.join(' to ')} mm. ` : ''}Grade ${variant.grade}. ${variant.citation}.`,
  ]
}

const SEXES = { male: 'm', female: 'f' } as const

/** Every form in a row. */
function equationTable(): string {
  const rows = EQUATIONS.flatMap(({ id, standard, contextOnly, variants }) =>
    variants.map((variant) => {
      const { sex, folds, girths, needs, gives, grade, madeOn, citation } = variant
      const sites = [...folds, ...girths].map((site) => tell(nameOf(site)).toLowerCase())
      const inputs = [
        ...sites,
        ...(countsAge(variant) ? ['age'] : []),
        ...needs.map((n) => BODY[n]),
      ]
      const on = [madeOn, contextOnly ? 'context only' : undefined].filter(Boolean).join(', ')
      return `| \`${id}\` | ${SEXES[sex]} | ${ages(variant)} | ${standard ?? ''} | ${inputs.join(', ')} | ${gives === 'density' ? 'density' : 'fat %'} | ${error(variant)} | ${grade} | ${on} | ${citation} |`
    }),
  )
  return [
    '| id | sex | ages | sites | inputs | gives | standard error | grade | made on | source |',
    '| --- | --- | --- | --- | --- | --- | --- | --- | --- | --- |',
    ...rows,
  ].join('\n')
}

const BODY = { heightCm: 'height', massKg: 'body mass', puberty: 'stage of puberty' } as const

function equationCards(): string {
  const cards = EQUATIONS.map((equation: Equation) => {
    const standard = equation.standard
      ? tell(LANDMARK_STANDARD_NAMES[equation.standard])
      : 'no folds'
    return [
      `### ${tell(equation.name)}`,
      `\`${equation.id}\` · ${standard}`,
      ...equation.variants.flatMap(card),
      ...equation.notes.map(tell),
    ].join('\n\n')
  }).join('\n\n')
  return `${equationTable()}\n\n${cards}`
}

function conversionList(): string {
  return Object.values(CONVERSIONS)
    .map(
      ({ id, name, a, b, citation }) =>
        `- ${tell(name)} (\`${id}\`): fat % = ${a}/BD − ${b}. ${citation}.`,
    )
    .join('\n')
}

function protocolTable(): string {
  const count = (both: Record<'male' | 'female', unknown[]>) =>
    both.male.length === both.female.length
      ? `${both.male.length}`
      : `${both.male.length} m, ${both.female.length} f`
  return [
    '| protocol | standard | folds | girths | bones | readings | tolerance | three give | when |',
    '| --- | --- | --- | --- | --- | --- | --- | --- | --- |',
    ...told(PROTOCOLS).map((p) => {
      const { count: readings, tolerance, value: gives } = p.foldTrials
      const { kind, value } = tolerance
      return `| ${p.name} (\`${p.id}\`) | ${p.standard} | ${count(p.folds)} | ${count(p.girths)} | ${count(p.bones)} | ${readings} | ${value} ${kind === 'percent' ? '%' : kind} | ${gives} | ${p.when} |`
    }),
  ].join('\n')
}

function rangeTable(): string {
  return [
    '| table | of | wants | source |',
    '| --- | --- | --- | --- |',
    ...told(NORM_TABLES).map(
      (t) =>
        `| ${t.name} (\`${t.id}\`) | ${t.of} | ${t.girths?.join(' or ') ?? ''} | ${t.source}. ${t.note ?? ''} |`,
    ),
  ].join('\n')
}

function ruleTable(): string {
  return [
    '| rule | when | what coaches usually do next |',
    '| --- | --- | --- |',
    ...told(ADVICE).map(
      ({ id, when, next }) => `| \`${id}\` | ${when} | ${next.map(({ what }) => what).join(' ')} |`,
    ),
  ].join('\n')
}

const percent = (share: number) => `${(100 * share).toFixed(1)} %`

function safetyTable(): string {
  return [
    '| rule | outcome | when | who decides | source |',
    '| --- | --- | --- | --- | --- |',
    ...told(SAFETY_RULES).map(
      ({ id, outcome, when, who, source }) =>
        `| \`${id}\` | ${outcome} | ${when} | ${who} | ${source} |`,
    ),
  ].join('\n')
}

function slipTable(): string {
  const worlds = honestQuestioned()
  return [
    `Of ${worlds[0]!.tried} honest sheets each:`,
    '',
    '| what is not as assumed | questioned | at most |',
    '| --- | --- | --- |',
    ...worlds.map((w) => `| ${w.world} | ${percent(w.questioned)} | ${percent(w.most)} |`),
    '',
    '| slip | tried | found, with the intended value offered | asked for | a right value changed |',
    '| --- | --- | --- | --- | --- |',
    ...slipTrials().map(
      (r) =>
        `| ${r.slip} | ${r.tried} | ${percent(r.found)} | ${percent(r.wanted)} | ${percent(r.misled)} |`,
    ),
  ].join('\n')
}

/** Every generated part by name. */
export function generatedParts(): Record<string, string> {
  return {
    conversions: conversionList(),
    equations: equationCards(),
    protocols: protocolTable(),
    safety: safetyTable(),
    ranges: rangeTable(),
    slips: slipTable(),
    rules: ruleTable(),
  }
}

/** The document with what stands between the marks of each part replaced. */
export function withParts(text: string, parts: Record<string, string>): string {
  return Object.entries(parts).reduce((all, [name, part]) => {
    const pattern = new RegExp(`(<!-- ${name} -->)[\\s\\S]*?(<!-- /${name} -->)`)
    if (!pattern.test(all)) throw new Error(`No place for ${name} in the document.`)
    return all.replace(
      pattern,
      (_match, open: string, close: string) => `${open}\n\n${part}\n\n${close}`,
    )
  }, text)
}
