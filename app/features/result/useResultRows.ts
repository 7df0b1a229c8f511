import {
  equationById,
  foldSumOf,
  isSkinfold,
  massIn,
  pointsOfFat,
  variantFor,
  Z95,
  type Estimate,
  type Look,
  type Outcome,
  type ReadDifferences,
  type RecordQuantity,
  type Sex,
  type Sheet,
} from '#core'
import { reachOf, signedQuantity } from '~/features/client/record-words'

/** One line of the result: what it is now, and what changed. */
interface ResultRow {
  id: string
  label: string
  value: string
  /** What was read, less what the check-in before read. */
  change: string
  /** The same by the whole record, and since the first check-in; with how far it may be off. */
  last: string
  first: string
  tone?: string
  /** Not for a client who sees sums and girths only. */
  level?: boolean
  /** One of many: set smaller than what it adds up to. */
  small?: boolean
}

/** What the rows are made of; reactive. */
interface ResultSource {
  sex: () => Sex
  /** False where the client sees sums and girths only. */
  shown: Ref<boolean>
  sheet: Ref<Sheet>
  result: Ref<Outcome<Estimate>>
  /** What the check-in before read differently, and what the whole record says. */
  read: Ref<ReadDifferences | undefined>
  look: Ref<Look | undefined>
}

/** Every figure of a check-in in words: the estimate, the sums, body mass, then each fold and girth. */
export function useResultRows(source: ResultSource) {
  const unit = useMassUnit()
  const lengthUnit = useLengthUnit()

  return computed<ResultRow[]>(() => {
    const [sheet, read] = [source.sheet.value, source.read.value]
    const horizons = source.look.value?.horizons
    const estimated = source.result.value.ok ? source.result.value.value : undefined
    const units = { mass: unit.value, length: lengthUnit.value }
    const mass = (kg: number | undefined) => (kg === undefined ? '' : formatMass(kg, unit.value, 2))
    const massChange = (kg: number | undefined) =>
      kg === undefined ? '' : `${signed(massIn(kg, unit.value), 2)} ${unit.value}`
    const points = (value: number | undefined) =>
      value === undefined ? '' : t('result.points', { points: signed(value, 2) })
    const millimetres = (value: number | undefined) =>
      value === undefined ? '' : `${signed(value, 1)} mm`
    const length = (cm: number | undefined) =>
      cm === undefined ? '' : `${signedLength(cm, lengthUnit.value)} ${lengthUnit.value}`
    /** A change of the record with how far it may be off. */
    const judged = (horizon: 'last' | 'first', quantity: RecordQuantity) => {
      const found = horizons?.[horizon]?.changes[quantity]
      if (!found) return ''
      return `${signedQuantity(quantity, found.change, units)} ± ${reachOf(quantity, found.sd, units)}`
    }
    const byRecord = (quantity: RecordQuantity) => ({
      last: judged('last', quantity),
      first: judged('first', quantity),
    })
    /** The same of fat %, in points. */
    const pointsBy = (horizon: 'last' | 'first') => {
      const { fatMassKg: fatKg, leanMassKg: leanKg } = estimated ?? {}
      const changes = horizons?.[horizon]?.changes
      if (!changes || fatKg === undefined || leanKg === undefined) return ''
      const found = pointsOfFat(changes, { fatKg, massKg: fatKg + leanKg })
      return found ? `${signed(found.change, 1)} ± ${fixed(Z95 * found.sd, 1)}` : ''
    }

    /** One of the two parts of body mass. */
    const part = (id: string, label: string, of: 'fat' | 'lean', tone: string): ResultRow => ({
      ...{ id, label, tone, level: true, value: mass(estimated?.[`${of}MassKg`]) },
      change: massChange(read?.comparison?.[`${of}MassKg`]),
      ...byRecord(of),
    })
    const ofEstimate: ResultRow[] = estimated
      ? [
          {
            ...{ id: 'fat-percent', label: t('result.fat'), tone: 'text-amber', level: true },
            value:
              estimated.standardError === null
                ? `${fixed(estimated.fatPercent, 2)}%`
                : `${fixed(estimated.fatPercent, 2)}% ± ${fixed(estimated.standardError, 1)}`,
            change: points(read?.comparison?.fatPercent),
            ...{ last: pointsBy('last'), first: pointsBy('first') },
          },
          part('fat-mass', t('result.fatMass'), 'fat', 'text-amber'),
          part('lean-mass', t('result.leanMass'), 'lean', 'text-leaf'),
          {
            ...{ id: 'density', label: t('result.bodyDensity'), level: true },
            value:
              estimated.density === undefined
                ? ''
                : t('result.density', { density: fixed(estimated.density, 5) }),
            ...{ change: '', last: '', first: '' },
          },
        ]
      : []

    const whole = foldSumOf(sheet)
    /** The change of the sum, and how many folds it is of where they are not the whole of what was taken. */
    const sumChange = () => {
      if (!whole || !read?.sum) return ''
      const { mm, folds } = read.sum
      return (
        millimetres(mm) +
        (folds.length < whole.folds.length
          ? ` ${t('result.countShared', { count: folds.length })}`
          : '')
      )
    }
    const sums: ResultRow[] = whole
      ? [
          {
            ...{ id: 'sum', label: foldSumName(whole.folds, true) },
            ...{ value: `${fixed(whole.mm, 1)} mm`, change: sumChange(), ...byRecord('sum') },
          },
        ]
      : []
    const added = estimated
      ? variantFor(equationById(estimated.equationId), source.sex()).folds.length
      : 0
    if (whole && estimated?.sumMm !== undefined && added < whole.folds.length) {
      sums.push({
        ...{ id: 'equation-sum', label: equationSumName(added), level: true },
        value: `${fixed(estimated.sumMm, 1)} mm`,
        change: millimetres(read?.comparison?.sumMm),
        ...byRecord('equationSum'),
      })
    }

    const body: ResultRow = {
      ...{ id: 'mass', label: t('result.bodyMass'), value: mass(sheet.subject.massKg) },
      ...{ change: massChange(read?.massKg), ...byRecord('mass') },
    }
    const sites = sheet.measured.map(({ site, value }): ResultRow => {
      const fold = isSkinfold(site)
      const then = read?.[fold ? 'folds' : 'girths'].find((change) => change.site === site)
      return {
        ...{ id: site, label: siteNameIn(sheet.protocol, site), small: fold },
        value: fold ? `${formatFold(value)} mm` : formatLength(value, lengthUnit.value),
        change: (fold ? millimetres : length)(then && then.now - then.then),
        ...byRecord(site),
      }
    })
    return [...ofEstimate, ...sums, body, ...sites].filter(
      (row) => row.value !== '' && (source.shown.value || !row.level),
    )
  })
}
