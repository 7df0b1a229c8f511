import {
  equationById,
  equationSumName,
  fixed,
  foldSumName,
  foldSumOf,
  formatFold,
  formatLength,
  formatMass,
  isSkinfold,
  massIn,
  siteNameIn,
  signed,
  signedLength,
  variantFor,
  type Estimate,
  type Judgement,
  type Outcome,
  type Quantity,
  type Sex,
  type Sheet,
} from '#core'

/** One line of the result: what it is now, and what changed. */
interface ResultRow {
  id: string
  label: string
  value: string
  change: string
  /** Change since the first check-in. */
  first: string
  /** The smallest detectable change, in the unit of the change. */
  reach: string
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
  /** What changed since the check-in before, and since the first. */
  judgement: Ref<Judgement | undefined>
  sinceFirst: Ref<Judgement | undefined>
}

/** Every figure of a check-in in words: the estimate, the sums, body mass, then each fold and girth. */
export function useResultRows(source: ResultSource) {
  const unit = useMassUnit()
  const lengthUnit = useLengthUnit()

  return computed<ResultRow[]>(() => {
    const [sheet, judged, start] = [
      source.sheet.value,
      source.judgement.value,
      source.sinceFirst.value,
    ]
    const estimated = source.result.value.ok ? source.result.value.value : undefined
    const mass = (kg: number | undefined) => (kg === undefined ? '' : formatMass(kg, unit.value, 2))
    const massChange = (kg: number | undefined) =>
      kg === undefined ? '' : `${signed(massIn(kg, unit.value), 2)} ${unit.value}`
    const massReach = (kg: number) => fixed(massIn(kg, unit.value), 1)
    const points = (value: number | undefined) =>
      value === undefined ? '' : `${signed(value, 2)} points`
    const millimetres = (value: number | undefined) =>
      value === undefined ? '' : `${signed(value, 1)} mm`
    const length = (cm: number | undefined) =>
      cm === undefined ? '' : `${signedLength(cm, lengthUnit.value)} ${lengthUnit.value}`
    const tenths = (value: number) => fixed(value, 1)
    const reach = (of: Quantity | 'mass', show = tenths) => {
      const error = judged?.quantities[of]?.minimalDetectableChange
      return error === undefined ? '' : show(error)
    }

    /** One of the two parts of body mass. */
    const part = (
      id: string,
      label: string,
      of: 'fatMass' | 'leanMass',
      tone: string,
    ): ResultRow => ({
      ...{ id, label, tone, level: true },
      value: mass(estimated?.[`${of}Kg`]),
      change: massChange(judged?.comparison?.[`${of}Kg`]),
      first: massChange(start?.comparison?.[`${of}Kg`]),
      reach: reach(of, massReach),
    })
    const ofEstimate: ResultRow[] = estimated
      ? [
          {
            ...{ id: 'fat-percent', label: 'Fat %', tone: 'text-amber', level: true },
            value:
              estimated.standardError === null
                ? `${fixed(estimated.fatPercent, 2)} %`
                : `${fixed(estimated.fatPercent, 2)} % ± ${fixed(estimated.standardError, 1)}`,
            change: points(judged?.comparison?.fatPercent),
            first: points(start?.comparison?.fatPercent),
            reach: reach('fatPercent'),
          },
          part('fat-mass', 'Fat mass', 'fatMass', 'text-amber'),
          part('lean-mass', 'Lean mass', 'leanMass', 'text-leaf'),
          {
            ...{ id: 'density', label: 'Body density', level: true },
            value: estimated.density === undefined ? '' : `${fixed(estimated.density, 5)} g/cm³`,
            ...{ change: '', first: '', reach: '' },
          },
        ]
      : []

    const whole = foldSumOf(sheet)
    /** The change of the sum, and how many folds it is of where they are not the whole of what was taken. */
    const sumChange = (of: Judgement | undefined) => {
      if (!whole || !of?.quantities.sum) return ''
      const shared =
        of.sumFolds.length < whole.folds.length ? ` (${of.sumFolds.length} shared)` : ''
      return millimetres(of.quantities.sum.change) + shared
    }
    const sums: ResultRow[] = whole
      ? [
          {
            ...{ id: 'sum', label: foldSumName(whole.folds, true) },
            value: `${fixed(whole.mm, 1)} mm`,
            ...{ change: sumChange(judged), first: sumChange(start), reach: reach('sum') },
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
        change: millimetres(judged?.comparison?.sumMm),
        first: millimetres(start?.comparison?.sumMm),
        reach: reach('equationSum'),
      })
    }

    const body: ResultRow = {
      ...{ id: 'mass', label: 'Body mass', value: mass(sheet.subject.massKg) },
      change: massChange(judged?.quantities.mass?.change),
      first: massChange(start?.quantities.mass?.change),
      reach: reach('mass', massReach),
    }
    const sites = sheet.measured.map(({ site, value }): ResultRow => {
      const fold = isSkinfold(site)
      const of = (since: Judgement | undefined) =>
        since?.[fold ? 'folds' : 'girths'].find((change) => change.site === site)
      const [now, first] = [of(judged), of(start)]
      const show = fold ? millimetres : length
      return {
        ...{ id: site, label: siteNameIn(sheet.protocol, site), small: fold },
        value: fold ? `${formatFold(value)} mm` : formatLength(value, lengthUnit.value),
        change: show(now && now.now - now.then),
        first: show(first && first.now - first.then),
        reach: fold && now ? tenths(now.verdict.minimalDetectableChange) : '',
      }
    })
    return [...ofEstimate, ...sums, body, ...sites].filter(
      (row) => row.value !== '' && (source.shown.value || !row.level),
    )
  })
}
