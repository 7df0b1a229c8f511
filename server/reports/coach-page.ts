import {
  adviceOn,
  correctionsSaid,
  dayValue,
  equationById,
  fixed,
  headlineText,
  isSkinfold,
  LANDMARK_STANDARD_NAMES,
  nameOf,
  readingsInForce,
  resultOf,
  say,
  sheetOf,
  trialsOf,
  unrounded,
  variantFor,
  workingOf,
  Z95,
  type RecordQuantity,
  type SiteId,
} from '#core'
import { FADED, head, small, table, type Paper, type Part } from './paper'
import { figuresOn, titleOf, type ReadRecord } from './record'

/* The page for the coach or a clinician: every reading with how it was taken, the estimate with its working, the judgement. */

function judgementOf({ look, headline }: ReadRecord, paper: Paper): Part[] {
  const { told, units, today } = paper
  if (!look || !headline) return [{ text: told(say('reports.oneToCompare')) }]
  const write = figuresOn(paper)
  const names = { first: say('reports.sinceFirst'), phase: say('reports.sincePhase') }
  const verdicts = {
    ...{ clear: say('reports.clear'), likely: say('reports.likely') },
    ...{ 'no-change': say('reports.noChange'), 'not-yet': say('reports.notYet') },
  }
  const rows = (['first', 'phase'] as const).flatMap((horizon) => {
    const judged = look.horizons[horizon]
    if (!judged || judged.weeks === 0) return []
    if (horizon === 'phase' && judged.since === look.horizons.first?.since) return []
    const since = told(
      say('reports.since', { what: names[horizon], day: dayValue(judged.since, true) }),
    )
    return (Object.keys(judged.changes) as RecordQuantity[]).map((quantity) => {
      const { change, sd, verdict } = judged.changes[quantity]!
      return [
        since,
        titleOf(quantity, paper),
        told(verdicts[verdict]),
        write.change(quantity, change),
        `± ${write.value(quantity, Z95 * sd)}`,
      ]
    })
  })
  const advice = adviceOn(headline).next.map(({ what, why, caution }) => ({
    text: [told(what), ' ', told(why), caution ? ` ${told(caution)}` : ''].join(''),
    margin: [0, 2, 0, 0],
  }))
  return [
    { text: told(headlineText(headline, { ...units, today })), bold: true, fontSize: 12 },
    table(
      [
        told(say('reports.span')),
        told(say('reports.what')),
        told(say('reports.sure')),
        told(say('reports.change')),
        told(say('reports.mayBeOff')),
      ],
      rows,
      { words: 3, widths: ['*', 'auto', 'auto', 60, 70] },
    ),
    ...advice,
  ]
}

function readingsOf({ record, newest, before }: ReadRecord, paper: Paper): Part[] {
  const { told } = paper
  const { client } = record
  const write = figuresOn(paper)
  const sheet = sheetOf(client, newest!)
  const then = before && sheetOf(client, before)
  const inForce = readingsInForce(newest!.readings)
  const shown = (site: SiteId, value: number) =>
    isSkinfold(site) ? write.tenth(value) : write.value(site as RecordQuantity, value)
  const standards = new Set(inForce.flatMap(({ standard }) => standard ?? []))
  const rows = (Object.keys(sheet.sites) as SiteId[]).map((site) => {
    const trials = trialsOf(inForce, site, sheet.protocol).filter((one) => one !== undefined)
    const value = sheet.sites[site]!.value
    const was = then?.sites[site]?.value
    const standard = inForce.find((one) => one.site === site)?.standard
    return [
      // Named by the site where not all were found by one.
      standard && standards.size > 1
        ? `${told(nameOf(site))} (${told(LANDMARK_STANDARD_NAMES[standard])})`
        : told(nameOf(site)),
      trials.map((one) => shown(site, one)).join('  '),
      shown(site, value),
      was === undefined ? '–' : shown(site, was),
    ]
  })
  const [only] = standards
  const corrections = correctionsSaid(newest!.readings)
  return [
    ...(only && standards.size === 1
      ? [{ text: told(say('reports.standardIs', { standard: LANDMARK_STANDARD_NAMES[only] })) }]
      : []),
    table(
      [
        told(say('reports.site')),
        told(say('reports.readings')),
        told(say('reports.value')),
        told(say('reports.before')),
      ],
      rows,
      { widths: ['*', 120, 60, 60] },
    ),
    ...(corrections ? [small(told(corrections))] : []),
  ]
}

function estimateOf({ record, newest, shown }: ReadRecord, paper: Paper): Part[] {
  const { told } = paper
  const { client } = record
  const found = resultOf(client, newest!)
  if (!shown) return [{ text: told(say('reports.percentagesHidden')) }]
  if (!found.ok) return [{ text: told(found.error.said) }]
  const write = figuresOn(paper)
  const { equationId, fatPercent, standardError, fatMassKg, leanMassKg, warnings } = found.value
  const equation = equationById(equationId)
  const variant = variantFor(equation, client.sex)
  const steps = workingOf(client, newest!)
  return [
    {
      text: [
        { text: `${told(equation.name)}. `, bold: true },
        told(say('reports.source', { source: variant.citation })),
      ],
    },
    {
      text:
        standardError === null
          ? told(say('reports.fatIs', { percent: write.tenth(fatPercent) }))
          : told(
              say('reports.fatWithin', {
                ...{ percent: write.tenth(fatPercent), error: write.tenth(standardError) },
              }),
            ),
      fontSize: 12,
    },
    ...(fatMassKg === undefined
      ? []
      : [
          told(
            say('reports.massesAre', {
              fat: write.value('fat', fatMassKg),
              lean: write.value('lean', leanMassKg!),
            }),
          ),
        ]),
    ...warnings.map((warning) => ({ text: told(warning), margin: [0, 2, 0, 0] })),
    ...(steps.ok
      ? [
          head(told(say('reports.working'))),
          table(
            [told(say('reports.step')), told(say('reports.how')), told(say('reports.value'))],
            steps.value.map(({ label, formula, value, unit }) => [
              told(label),
              typeof formula === 'string' ? formula : told(formula as never),
              `${write.local(unrounded(value))} ${unit}`.trim(),
            ]),
            { words: 2, widths: ['auto', '*', 'auto'] },
          ),
        ]
      : []),
  ]
}

export function coachPage(read: ReadRecord, paper: Paper): Part[] {
  const { record, newest, checkIns } = read
  const { told } = paper
  const { client, testers, instruments } = record
  if (!newest) return [head(told(say('reports.nothingYet', { name: client.name })), 1)]
  const write = figuresOn(paper)
  const named = (id: string | null) => instruments.find((one) => one.id === id)
  const caliper = named(newest.caliperId)
  const tape = named(newest.tapeId)
  const sheet = sheetOf(client, newest)
  const { subject, protocol } = sheet
  const facts = [
    told(
      say('reports.checkInOf', { day: dayValue(newest.measuredOn, true), count: checkIns.length }),
    ),
    subject.ageYears === undefined ? '' : told(say('reports.age', { years: subject.ageYears })),
    subject.heightCm === undefined
      ? ''
      : told(say('reports.height', { cm: fixed(subject.heightCm, 1) })),
    subject.massKg === undefined
      ? ''
      : told(say('reports.mass', { mass: write.value('mass', subject.massKg) })),
    told(
      say('reports.tester', {
        name: testers.find(({ id }) => id === newest.testerId)?.name ?? '–',
      }),
    ),
    caliper
      ? caliper.graduation
        ? told(say('reports.caliperOf', { name: caliper.name, mm: fixed(caliper.graduation, 1) }))
        : told(say('reports.caliper', { name: caliper.name }))
      : '',
    tape ? told(say('reports.tape', { name: tape.name })) : '',
    told(say('reports.protocol', { name: protocol.name })),
  ]
  return [
    head(client.name, 1),
    { text: facts.filter(Boolean).join(' · '), color: FADED },
    head(told(say('reports.judgement'))),
    ...judgementOf(read, paper),
    head(told(say('reports.readings'))),
    ...readingsOf(read, paper),
    head(told(say('reports.estimate'))),
    ...estimateOf(read, paper),
    small(told(say('reports.coachCaution')), [0, 14, 0, 0]),
  ]
}
