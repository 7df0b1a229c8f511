import { createInjectionState } from '@vueuse/core'
import {
  BONE_IDS,
  CONVERSION_IDS,
  CONVERSIONS,
  estimateBySum,
  estimateEvery,
  fatPercentOf,
  foldSumOf,
  GIRTH_IDS,
  indicesOf,
  isSkinfold,
  otherPopulation,
  parseHeight,
  parseMass,
  servedValues,
  standardFor,
  SKINFOLD_IDS,
  summedSets,
  variantFor,
  working,
  attempt,
  type Conversion,
  type Puberty,
  type EquationResult,
  type GroupTerm,
  type LandmarkStandard,
  type LocatedValue,
  type Sex,
  type SiteId,
  type SkinfoldId,
  type SpecialPopulation,
  type Subject,
} from '#core'
import { numberField, quickField, readField, type FoldUnit, type QuickField } from './quick-values'

/** One equation's result by every conversion that is shown. */
export interface QuickRow {
  result: EquationResult & { ok: true }
  /** Fat % by each of them in turn; empty where the equation gives fat % at once. */
  by: { conversion: Conversion; fat: number }[]
  madeOn: string
  other?: SpecialPopulation | 'adults'
}

/** An estimate without a client: what is typed, and everything that follows from it. */
function quickEstimate(usual: LandmarkStandard) {
  const lengthUnit = useLengthUnit()
  const massUnit = useMassUnit()
  const foldUnit = ref<FoldUnit>('mm')
  const sex = ref<Sex>('female')
  const athlete = ref(false)
  /** As a guardian or a clinician says it; nothing where nobody did. */
  const puberty = ref<Puberty | ''>('')
  /** The sources' terms for a group, where the person wants them. */
  const groupTerm = ref<GroupTerm | ''>('')
  const standard = ref<LandmarkStandard>(usual)
  const conversion = useConversion(sex)
  const texts = reactive<Record<string, string>>({ age: '', height: '', mass: '', sum: '' })

  /** The standard that a fold is located by here: the chosen one, or another that knows it. */
  const standardOf = (site: SkinfoldId) => standardFor(site, standard.value)
  const folds = computed(() => SKINFOLD_IDS.filter((site) => standardOf(site) === standard.value))
  const otherFolds = computed(() => SKINFOLD_IDS.filter((site) => !folds.value.includes(site)))

  const fields = computed((): Record<string, QuickField> => {
    const sites: SiteId[] = [...SKINFOLD_IDS, ...GIRTH_IDS, ...BONE_IDS]
    return {
      age: numberField(texts.age ?? '', t('reference.age'), [0, 120], t('quick.completedYears')),
      sum: numberField(texts.sum ?? '', t('quick.sumFolds'), [5, 600], t('quick.numberMm')),
      height: readField(texts.height ?? '', parseHeight),
      mass: readField(texts.mass ?? '', (text) => parseMass(text, massUnit.value)),
      ...Object.fromEntries(
        sites.map((id) => [id, quickField(id, texts[id] ?? '', lengthUnit.value, foldUnit.value)]),
      ),
    }
  })
  const measured = computed<LocatedValue[]>(() =>
    [...folds.value, ...otherFolds.value, ...GIRTH_IDS, ...BONE_IDS].flatMap((site) => {
      const value = fields.value[site]?.value
      if (value === undefined) return []
      return [{ site, value, standard: isSkinfold(site) ? standardOf(site) : null }]
    }),
  )
  const subject = computed<Subject>(() => ({
    sex: sex.value,
    ageYears: fields.value.age!.value,
    heightCm: fields.value.height!.value,
    massKg: fields.value.mass!.value,
    ...(puberty.value ? { puberty: puberty.value } : {}),
    ...(groupTerm.value ? { groupTerm: groupTerm.value } : {}),
  }))

  /* A sum alone is of one of the sets that an equation sums. */
  const sets = computed(() => summedSets(sex.value))
  const setKey = ref('')
  const set = computed(
    () => sets.value.find(({ folds: of }) => of.join(' ') === setKey.value) ?? sets.value[0]!,
  )
  const sum = computed(() => {
    const typed = fields.value.sum!.value
    if (typed !== undefined) return { mm: typed, folds: set.value.folds.length }
    const whole = foldSumOf({ measured: measured.value })
    return whole && { mm: whole.mm, folds: whole.folds.length }
  })

  /** The two of anybody side by side, and one of a group where it is chosen. */
  const shownConversions = computed(() =>
    CONVERSION_IDS.filter((id) => id === conversion.value || CONVERSIONS[id].sex === undefined),
  )

  const results = computed(() => {
    const options = { conversion: conversion.value }
    const every = estimateEvery(subject.value, measured.value, options)
    const typed = fields.value.sum!.value
    if (typed === undefined) return every
    const bySum = estimateBySum(subject.value, typed, set.value, options)
    return [...bySum, ...every.filter((r) => bySum.every((s) => s.equation.id !== r.equation.id))]
  })
  const rows = computed(() =>
    results.value.flatMap((result): QuickRow[] => {
      if (!result.ok) return []
      const { density } = result.estimate
      const { population } = variantFor(result.equation, sex.value)
      return [
        {
          result,
          by: shownConversions.value.flatMap((one) =>
            density === undefined ? [] : [{ conversion: one, fat: fatPercentOf(density, one) }],
          ),
          madeOn: tell(population),
          other: otherPopulation(result.equation, subject.value, athlete.value),
        },
      ]
    }),
  )
  /** Made on people like this one, and made on others. */
  const fitting = computed(() => rows.value.filter(({ other }) => !other))
  const others = computed(() => rows.value.filter(({ other }) => other))
  /** Equations that are refused or lack a number besides the sites, with their words. */
  const refused = computed(() => results.value.flatMap((r) => (r.ok ? [] : [r])))

  const lead = computed(() => fitting.value[0] ?? others.value[0])
  const workedId = ref<string>()
  const worked = computed(
    () => rows.value.find(({ result }) => result.equation.id === workedId.value) ?? lead.value,
  )
  const steps = computed(() => {
    if (!worked.value) return undefined
    const { equation } = worked.value.result
    const { folds: summed } = variantFor(equation, sex.value)
    const typed = fields.value.sum!.value
    const bySum = typed !== undefined && set.value.equationIds.includes(equation.id)
    const values = bySum
      ? Object.fromEntries(summed.map((site) => [site, typed / summed.length]))
      : servedValues(equation, measured.value)
    const made = attempt(() =>
      working(equation.id, subject.value, values, { conversion: conversion.value }),
    )
    return made.ok ? made.value : undefined
  })

  const indices = computed(() =>
    indicesOf({
      ...subject.value,
      girths: Object.fromEntries(
        measured.value.flatMap(({ site, value }) => (isSkinfold(site) ? [] : [[site, value]])),
      ),
    }),
  )

  return {
    ...{ sex, athlete, puberty, groupTerm, standard, conversion, texts },
    ...{ foldUnit, lengthUnit, massUnit },
    ...{ folds, otherFolds, standardOf, fields, measured, subject, sets, setKey, sum },
    ...{ fitting, others, refused, lead, workedId, worked, steps, indices, shownConversions },
  }
}

const [provideEstimate, injectEstimate] = createInjectionState(quickEstimate)

/** Makes the estimate of the page; its parts take it by `useQuickEstimate`. */
export const provideQuickEstimate = provideEstimate
export const useQuickEstimate = () => injectEstimate()!
