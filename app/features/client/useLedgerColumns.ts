import {
  foldSumOf,
  isGirth,
  isSkinfold,
  massIn,
  protocolOf,
  trialsOf,
  type Look,
  type MassUnit,
  type Measured,
  type RecordQuantity,
  type SiteId,
} from '#core'
import type { CheckInWithReadings } from '#shared/contract/check-ins'
import type { ClientRecord } from '#shared/contract/record'
import type { LedgerColumn } from './LedgerCells.vue'
import type { Ledger } from './useLedger'

/** Width of a column, px. */
export const COLUMN_WIDTH = 78

/** What the sheet is made of, besides the ledger itself; reactive. */
export interface LedgerSource {
  view: ClientRecord
  unit: MassUnit
  /** False where the client sees sums and girths only. */
  percentages: boolean
  /** Every site by itself, with its trials and what was corrected. */
  showSites: boolean
  showTrials: boolean
  showSuperseded: boolean
  /** What changed since last time and since the first, as the record has it. */
  look?: Look
  /** The two that are compared. */
  thenId?: string
  nowId?: string
}

/** A change of every line over a horizon; a line that is not followed has none. */
export interface LedgerChange {
  horizon: 'last' | 'first'
  title: string
  span: string
  cells: ({ text: string; shape: string; sure: string; clear: boolean } | undefined)[]
}

/** Every fold of each check-in, those that all have in common, and those that the equation adds up. */
type SumLine = 'sum' | 'common-sum' | 'equation-sum'

interface Line {
  id: SiteId | SumLine | 'mass' | 'fat-percent' | 'fat' | 'lean'
  label: string
  strong?: boolean
  /** Not for a client who sees sums and girths only. */
  level?: boolean
}

/** The lines and columns of the ledger in words, and what changed in each line. */
export function useLedgerColumns(
  {
    columns,
    series,
    sheets,
    followed,
    equationFolds,
    sites,
    nameOfSite,
    supersededOf,
  }: Ledger<Measured & CheckInWithReadings>,
  source: Readonly<LedgerSource>,
) {
  const lengthUnit = useLengthUnit()

  /** Each check-in's own sum, and that of the folds that all have in common. */
  const sums = computed(() => sheets.value.map((sheet) => foldSumOf(sheet)))
  const commonSums = computed(() =>
    sheets.value.map((sheet) => foldSumOf(sheet, followed.value?.folds)),
  )
  const estimated = computed(() => series.value.some(({ estimate }) => estimate))
  const sumLines = computed<Line[]>(() => {
    const counts = new Set(sums.value.flatMap((sum) => sum?.folds.length ?? []))
    const [count] = counts
    const shared = followed.value && !followed.value.whole && followed.value.folds.length
    const own =
      counts.size === 1 && !shared ? t('record.sumCountFolds', { count }) : t('record.sumAllFolds')
    const ofEquation = estimated.value && equationFolds.value
    return [
      ...(count ? [{ id: 'sum' as const, label: own, strong: true }] : []),
      ...(shared
        ? [
            {
              id: 'common-sum' as const,
              label: t('record.sumShared', { count: shared }),
              strong: true,
            },
          ]
        : []),
      ...(ofEquation
        ? [{ id: 'equation-sum' as const, label: equationSumName(ofEquation), level: true }]
        : []),
    ]
  })

  const siteLines = computed<Line[]>(() =>
    sites.value.map((id) => ({
      id,
      label: isSkinfold(id) ? nameOfSite(id) : `${nameOfSite(id)}, ${lengthUnit.value}`,
    })),
  )
  /** Who is followed by girths has nothing shorter than these. */
  const girthsAlone = computed(() => !sites.value.some(isSkinfold))
  const lines = computed<Line[]>(() =>
    [
      ...(girthsAlone.value ? siteLines.value : []),
      ...sumLines.value,
      { id: 'mass' as const, label: t('record.bodyMassUnit', { unit: source.unit }) },
      { id: 'fat-percent' as const, label: t('client.fat'), level: true },
      { id: 'fat' as const, label: t('record.fatUnit', { unit: source.unit }), level: true },
      { id: 'lean' as const, label: t('record.leanUnit', { unit: source.unit }), level: true },
      ...(source.showSites && !girthsAlone.value ? siteLines.value : []),
    ].filter((line: Line) => source.percentages || !line.level),
  )

  /** What a line is called where the record is judged. */
  function quantityOf(id: Line['id']): RecordQuantity | undefined {
    if (id === 'fat' || id === 'lean' || id === 'mass') return id
    if (id === 'equation-sum') return 'equationSum'
    const whole = followed.value?.whole
    if (id === (whole ? 'sum' : 'common-sum')) return 'sum'
    return isGirth(id) ? id : undefined
  }
  /** The changes that matter, by line: since last time, and since the first check-in. */
  const changes = computed<LedgerChange[]>(() => {
    const units = { mass: source.unit, length: lengthUnit.value }
    return (['last', 'first'] as const).flatMap((horizon) => {
      const judged = source.look?.horizons[horizon]
      if (!judged || judged.weeks === 0) return []
      const cells = lines.value.map(({ id }) => {
        const quantity = quantityOf(id)
        const change = quantity && judged.changes[quantity]
        return change
          ? {
              text: signedQuantity(quantity, change.change, units),
              shape: shapeOf(change),
              sure: verdictWords(change.verdict),
              clear: change.verdict === 'clear',
            }
          : undefined
      })
      return [
        {
          horizon,
          title: horizon === 'last' ? t('record.last') : t('record.all'),
          span: spanText(judged.weeks),
          cells,
        },
      ]
    })
  })

  /** A column in words. */
  const columnAt = computed(() => {
    // Read here, so that a change of any makes all columns anew.
    const { unit, showTrials: withTrials, showSuperseded: withSuperseded, thenId, nowId } = source
    const length = lengthUnit.value
    const sameFolds = new Set(sums.value.map((sum) => sum?.folds.length)).size === 1
    const all = columns.value.map((checkIn, i) => ({
      checkIn,
      ...{ point: series.value[i]!, sheet: sheets.value[i]! },
      ...{ sum: sums.value[i], commonSum: commonSums.value[i] },
    }))
    const rows = lines.value.map(({ id }) => id)
    const ofSite = new Set<string>(sites.value)

    const mass = (kg: number | undefined) => (kg === undefined ? '–' : fixed(massIn(kg, unit), 1))
    const fold = (mm: number | undefined) => (mm === undefined ? '–' : formatFold(mm))
    const site = (id: SiteId, value: number) =>
      isSkinfold(id) ? formatFold(value) : lengthText(value, length)
    function text(id: Line['id'], { point, sheet, sum, commonSum }: (typeof all)[number]) {
      const { estimate } = point
      if (id === 'mass') return mass(sheet.subject.massKg)
      if (id === 'fat') return mass(estimate?.fatMassKg)
      if (id === 'lean') return mass(estimate?.leanMassKg)
      if (id === 'fat-percent') return estimate ? fixed(estimate.fatPercent, 1) : '–'
      if (id === 'sum') return fold(sum?.mm)
      if (id === 'common-sum') return fold(commonSum?.mm)
      if (id === 'equation-sum') return fold(estimate?.sumMm)
      const taken = sheet.sites[id]
      return taken ? site(id, taken.value) : '–'
    }
    const trials = (id: Line['id'], { checkIn, sum }: (typeof all)[number]) => {
      // Sums of different folds side by side say of how many each is.
      if (id === 'sum' && !sameFolds) return t('record.ofFolds', { count: sum?.folds.length ?? 0 })
      return withTrials && ofSite.has(id)
        ? trialsOf(checkIn.readings, id as SiteId, protocolOf(checkIn))
            .filter((trial) => trial !== undefined)
            .map((trial) => site(id as SiteId, trial))
            .join(' ')
        : ''
    }
    const superseded = (id: Line['id'], { checkIn }: (typeof all)[number]) =>
      withSuperseded && (ofSite.has(id) || id === 'mass')
        ? supersededOf(checkIn, id as SiteId | 'mass').map((r) =>
            id === 'mass' ? mass(r.value) : site(id as SiteId, r.value),
          )
        : []
    return (index: number): LedgerColumn => {
      const column = all[index]!
      const { id, measuredOn } = column.checkIn
      return {
        index,
        id,
        day: formatDate(measuredOn),
        year: measuredOn.slice(0, 4),
        longDate: formatDate(measuredOn, true),
        role: id === thenId ? 'then' : id === nowId ? 'now' : undefined,
        gap: tell(column.point.gap) || undefined,
        cells: rows.map((row) => ({
          text: text(row, column),
          trials: trials(row, column),
          superseded: superseded(row, column),
        })),
      }
    }
  })

  return { lines, girthsAlone, changes, columnAt }
}
