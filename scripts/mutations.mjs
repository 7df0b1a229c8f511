/**
 * Faults that the tests have to see, each a small change of one place: file, what stands there, what it becomes, and the
 * tests that are nearest to it. What stands there has to stand there once.
 */
const CORE = (tests) => ({ project: 'core', tests: tests.map((t) => `tests/${t}.test.ts`) })
const APP = (tests) => ({ project: 'app', tests: tests.map((t) => `tests/app/${t}.test.ts`) })
const SERVER = (tests) => ({
  project: 'server',
  tests: tests.map((t) => `tests/server/${t}.test.ts`),
})

export const MUTATIONS = [
  // Readings
  [
    'core/readings/site-value.ts',
    '<= allowed + BINARY_TAIL',
    '<= allowed',
    CORE(['core/measuring', 'core/floor']),
  ],
  [
    'core/readings/site-value.ts',
    'tolerance.atLeast ?? 0',
    '0',
    CORE(['core/measuring', 'core/floor', 'core/protocols']),
  ],
  [
    'core/readings/site-value.ts',
    'lowGap < highGap',
    'lowGap > highGap',
    CORE(['core/measuring', 'core/floor']),
  ],
  [
    'core/readings/site-value.ts',
    '> BINARY_TAIL && someAgree',
    '> BINARY_TAIL || someAgree',
    CORE(['core/measuring', 'core/floor']),
  ],
  [
    'core/readings/site-value.ts',
    "value: median(sorted), method: 'median', used: sorted, taken, flagged: !someAgree",
    "value: mean(sorted), method: 'median', used: sorted, taken, flagged: !someAgree",
    CORE(['core/measuring', 'core/floor', 'core/protocols']),
  ],
  [
    'core/readings/trials.ts',
    'rounds < 2 || taken.length !== rounds',
    'rounds < 2 || taken.length < rounds',
    CORE(['core/measuring', 'core/floor', 'core/protocols']),
  ],

  [
    'core/readings/next.ts',
    'trial: rounds + 1 }',
    'trial: rounds }',
    CORE(['core/measuring', 'core/floor']),
  ],
  [
    'core/readings/reading.ts',
    'a.id > b.id',
    'a.id < b.id',
    CORE(['core/measuring', 'core/floor']),
  ],
  [
    'core/readings/values.ts',
    '.findLast((reading)',
    '.find((reading)',
    CORE(['core/measuring', 'core/floor', 'core/history']),
  ],
  // Errors of measurement
  [
    'core/measurement-error/site-error.ts',
    'return 1 / (at0 + slope * width)',
    'return taken',
    CORE(['core/error-bands', 'core/judgement', 'core/history']),
  ],
  [
    'core/measurement-error/site-error.ts',
    'graduation ** 2 / 12',
    'graduation ** 2 / 6',
    CORE(['core/error-bands', 'core/judgement']),
  ],
  [
    'core/measurement-error/site-error.ts',
    'Math.max(1, days)',
    '1',
    CORE(['core/error-bands', 'core/judgement', 'core/one-engine']),
  ],
  [
    'core/measurement-error/site-error.ts',
    'const CHANGED_SETUP = 1.5',
    'const CHANGED_SETUP = 1.25',
    CORE(['core/judgement', 'core/error-bands']),
  ],
  [
    'core/measurement-error/technical-error.ts',
    '(2 * pairs.length)',
    'pairs.length',
    CORE(['core/error-bands']),
  ],
  [
    'core/measurement-error/technical-error.ts',
    'Math.min(pairs / PAIRS_TO_TRUST, 1)',
    'pairs / PAIRS_TO_TRUST',
    CORE(['core/error-bands']),
  ],
  [
    'core/measurement-error/own-errors.ts',
    'other.standard === first.standard &&',
    '',
    SERVER(['rules']),
  ],
  // Change
  [
    'core/change/verdict.ts',
    'const LIKELY_AT = 1.64',
    'const LIKELY_AT = 1.28',
    CORE(['core/verdict', 'core/judgement']),
  ],
  [
    'core/change/verdict.ts',
    'p[i]! * (p.length - rank)',
    'p[i]! * p.length',
    CORE(['core/verdict']),
  ],
  [
    'core/change/verdict.ts',
    'Math.max(Math.abs(interval[0]), Math.abs(interval[1])) <= worthwhile',
    'Math.abs(change) <= worthwhile',
    CORE(['core/verdict', 'core/judgement']),
  ],
  [
    'core/change/situation.ts',
    "directionOf(quantities.mass) === 'down' &&\n      loss !== undefined",
    'loss !== undefined',
    CORE(['core/sentence', 'core/judgement']),
  ],
  [
    'core/change/situation.ts',
    'regions.size === 1 && all.size > 1',
    'regions.size === 1',
    CORE(['core/sentence', 'core/judgement']),
  ],
  [
    'core/change/judgement.ts',
    'factor ** 2 * (siteVariance',
    'factor * (siteVariance',
    CORE(['core/judgement', 'core/one-engine', 'core/history']),
  ],
  [
    'core/change/judgement.ts',
    '(Math.PI / 10) ** 2 * siteVariance(side, fold)',
    '(Math.PI / 10) * siteVariance(side, fold)',
    CORE(['core/judgement', 'core/tracking']),
  ],
  [
    'core/change/judgement.ts',
    'm.site === site && m.standard === standard',
    'm.site === site',
    CORE(['core/judgement', 'core/history', 'core/change']),
  ],
  [
    'core/change/judgement.ts',
    'if (folds.length < 2) return undefined',
    'if (folds.length < 1) return undefined',
    CORE(['core/sentence', 'core/judgement']),
  ],
  // Estimates
  [
    'core/composition/estimate.ts',
    'value > turning.at',
    'value > turning.at + 20',
    CORE(['core/estimate', 'checks/printed-forms', 'checks/jackson-pollock']),
  ],
  ['core/composition/estimate.ts', 'fatPercent < 0 ||', '', CORE(['core/estimate', 'checks/tape'])],
  [
    'core/composition/administrative.ts',
    'toHalfInch(values.neck, Math.ceil)',
    'toHalfInch(values.neck, Math.round)',
    CORE(['checks/tape', 'core/protocols', 'checks/practice']),
  ],
  [
    'core/composition/administrative.ts',
    '.toPrecision(10)',
    '.toPrecision(17)',
    CORE(['checks/tape', 'core/protocols', 'checks/practice']),
  ],
  ['core/equations/conversions.ts', 'a: 457', 'a: 475', CORE(['checks/conversions'])],
  [
    'core/equations/durnin-womersley.ts',
    'row(20, 29, 1.1631, 0.0632)',
    'row(20, 29, 1.1631, 0.0623)',
    CORE(['checks/durnin-womersley']),
  ],
  // Entry errors
  [
    'core/data-quality/find.ts',
    'mass.length ? { ...context, massKg: undefined } : context',
    'context',
    CORE(['core/slips', 'core/floor']),
  ],
  // Body mass and schedule
  [
    'core/weigh-ins/trend.ts',
    'half - spread / 2 - 1',
    'half - spread / 2',
    CORE(['core/tracking', 'core/history']),
  ],
  ['core/weigh-ins/trend.ts', '(2 * n + 5)) / 18', '(2 * n + 5)) / 12', CORE(['core/tracking'])],
  [
    'core/weigh-ins/weeks.ts',
    'own !== undefined && !there',
    'own !== undefined',
    CORE(['core/tracking', 'core/history', 'core/one-engine']),
  ],
  [
    'core/weigh-ins/weeks.ts',
    'addDays(on, 1 - WEEK)',
    'addDays(on, -WEEK)',
    CORE(['core/tracking', 'core/one-engine']),
  ],
  [
    'core/weigh-ins/odd-days.ts',
    'const ODD_BEYOND = 3.5',
    'const ODD_BEYOND = 7',
    CORE(['core/tracking']),
  ],
  [
    'core/schedule/due.ts',
    'daysPast >= LATE_AFTER_DAYS',
    'daysPast > LATE_AFTER_DAYS',
    CORE(['core/change', 'core/planning']),
  ],
  [
    'core/schedule/readable.ts',
    'pace * MM_PER_KG_OF_FAT',
    'pace',
    CORE(['core/sentence', 'core/planning']),
  ],
  [
    'core/schedule/cadence.ts',
    'readableDays <= days',
    'readableDays < days',
    CORE(['core/planning']),
  ],
  // The screen's store
  ['app/features/check-in/stamp.ts', 'girth: tapeId', 'girth: caliperId', APP(['stamp'])],
  [
    'app/features/check-in/stamp.ts',
    'readingsInForce(readings).find(',
    '[...readings].find(',
    APP(['stamp']),
  ],
  [
    'app/features/check-in/outbox.ts',
    'if (error instanceof Unreachable) throw error',
    '',
    APP(['outbox']),
  ],
  [
    'app/features/check-in/outbox.ts',
    'else apart = batch.length',
    'else troubled(first, error)',
    APP(['outbox']),
  ],
  // The server
  [
    'server/check-ins/readings.ts',
    'c.closed_at is null and c.voided_at is null',
    'c.voided_at is null',
    SERVER(['record', 'api']),
  ],
  [
    'server/check-ins/readings.ts',
    '&& old.site === reading.site\n',
    '\n',
    SERVER(['record', 'api', 'contract']),
  ],
  [
    'server/check-ins/readings.ts',
    "if (checkIn.closedAt && !reading.repair) return 'closed'",
    '',
    SERVER(['record', 'api']),
  ],
  [
    'server/check-ins/readings.ts',
    "return equal ? 'stored' : 'id-taken'",
    "return 'stored'",
    SERVER(['record', 'api']),
  ],
  [
    'server/check-ins/readings.ts',
    'if (checkIn.closedAt) await auditReading',
    'await auditReading',
    SERVER(['record', 'api']),
  ],
  ['server/check-ins/commands.ts', 'if (closedAt) return\n', '', SERVER(['record', 'api'])],
  [
    'server/check-ins/commands.ts',
    "conversion: last?.conversion ?? 'siri'",
    "conversion: 'siri'",
    SERVER(['record', 'api']),
  ],
  [
    'server/check-ins/commands.ts',
    'if (!(await isMeasured(tx, id))) {',
    'if (false) {',
    SERVER(['record', 'api', 'contract']),
  ],
  [
    'server/check-ins/commands.ts',
    'return tester?.id ?? inUse',
    'return inUse',
    SERVER(['record', 'api']),
  ],
  [
    'server/check-ins/change.ts',
    '?? 0) > seen',
    '?? 0) >= seen',
    SERVER(['record', 'api', 'contract']),
  ],
  [
    'server/check-ins/change.ts',
    'window === undefined || r.window !== window',
    'true',
    SERVER(['record', 'api', 'contract']),
  ],
  [
    'server/check-ins/queries.ts',
    'c.closed_at is not null and c.voided_at is null\n    and (c.measured_on',
    'c.closed_at is not null\n    and (c.measured_on',
    SERVER(['record', 'api']),
  ],
  [
    'server/check-ins/json.ts',
    'takenOn <= day) ?? others[0]',
    'takenOn < day) ?? others[0]',
    SERVER(['record', 'api']),
  ],
  [
    'server/equipment/queries.ts',
    'c.closed_at is not null and c.voided_at is null',
    'c.closed_at is not null',
    SERVER(['rules']),
  ],
  [
    'server/equipment/queries.ts',
    'group by t.tester_id, t.check_in_id, t.kind, t.site, t.standard',
    'group by t.tester_id, t.check_in_id, t.kind, t.site',
    SERVER(['rules']),
  ],
  [
    'server/clients/queries.ts',
    's.due_on + ${LATE_AFTER_DAYS}::int <= ',
    's.due_on + ${LATE_AFTER_DAYS}::int < ',
    SERVER(['rules']),
  ],
  [
    'server/clients/queries.ts',
    'where client_id = ${clientId}\n      order by site, standard, position desc',
    'where client_id = ${clientId}\n      order by site, standard, position',
    SERVER(['record', 'api']),
  ],
  [
    'server/clients/commands.ts',
    'if (client.name !== name) {',
    'if (false) {',
    SERVER(['record', 'api', 'contract']),
  ],
  [
    'server/audit/log.ts',
    '!isDeepStrictEqual(change.old, change.new)',
    'true',
    SERVER(['record', 'api']),
  ],
  [
    'server/leaderboards/queries.ts',
    'showsComposition(measure) && !client.showPercentages',
    'false',
    SERVER(['tracking', 'plans', 'demo']),
  ],
]
