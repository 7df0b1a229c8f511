import {
  isOwnSite,
  LANDMARKS,
  ownCopyOf,
  ownProtocol,
  ownSiteId,
  plainText,
  PROTOCOLS,
  standardWithin,
  techniquesOf,
  typedNumber,
  usualRules,
  isSkinfold,
  type BoneId,
  type GirthId,
  type LandmarkStandard,
  type OwnProtocol,
  type SiteId,
  type SkinfoldId,
  type TrialOrder,
  type TrialScheme,
  type TrialValue,
} from '#core'

/** A trial scheme as it is typed. */
export interface SchemeDraft {
  order: TrialOrder
  count: string
  most: string
  tolerance: string
  toleranceIn: 'length' | 'percent'
  /** Of a percentage: the least it asks for, which is not on the form. */
  atLeast?: number
  value: TrialValue
  dropsFirst: boolean
}

/** What a set calls a site, where it lies and how it is taken, as it is typed; empty for the standard's own. */
export interface WordingDraft {
  name: string
  landmark: string
  technique: string
}

interface Draft {
  id: string
  name: string
  standard: LandmarkStandard
  folds: SkinfoldId[]
  girths: GirthId[]
  bones: BoneId[]
  foldTrials: SchemeDraft
  girthTrials: SchemeDraft
  /** Seconds, or `none`. */
  delay: string
  wording: Partial<Record<SiteId, WordingDraft>>
}

const numberIn = (text: string) => typedNumber(plainText(text)) ?? NaN

const schemeDraft = ({ count, most, tolerance, ...rest }: TrialScheme): SchemeDraft => ({
  ...rest,
  count: String(count),
  most: String(most),
  tolerance: String(tolerance.value),
  toleranceIn: tolerance.kind === 'percent' ? 'percent' : 'length',
  ...(tolerance.kind === 'percent' ? { atLeast: tolerance.atLeast } : {}),
})

function schemeOf(draft: SchemeDraft, unit: 'mm' | 'cm'): TrialScheme {
  const { count, most, tolerance, toleranceIn, atLeast, ...rest } = draft
  const value = numberIn(tolerance)
  return {
    ...rest,
    count: numberIn(count),
    most: numberIn(most),
    tolerance:
      toleranceIn === 'percent'
        ? { kind: 'percent', value, ...(atLeast === undefined ? {} : { atLeast }) }
        : { kind: unit, value },
  }
}

/** Every site that a standard lands, and the lower back, which is gym practice alone. */
const foldsOf = (standard: LandmarkStandard): SkinfoldId[] =>
  LANDMARKS.filter((l) => l.standard === standardWithin(l.site, standard)).map(({ site }) => site)

/** A set of the coach's own while it is made. */
export function useOwnSetDraft(usualStandard: () => LandmarkStandard) {
  const draft = ref<Draft>()

  function begin(from?: Omit<OwnProtocol, 'id'> & { id?: string }): void {
    const standard = from?.standard ?? usualStandard()
    const rules = { ...usualRules(standard), ...from }
    draft.value = {
      id: from?.id ?? '',
      name: from?.name ?? '',
      standard,
      folds: [...(from?.folds ?? [])],
      girths: [...(from?.girths ?? [])],
      bones: [...(from?.bones ?? [])],
      foldTrials: schemeDraft(rules.foldTrials),
      girthTrials: schemeDraft(rules.girthTrials),
      delay: rules.readingDelaySeconds === null ? 'none' : String(rules.readingDelaySeconds),
      wording: Object.fromEntries(
        Object.entries(rules.wording).map(([site, words]) => [
          site,
          { name: '', landmark: '', technique: '', ...words },
        ]),
      ),
    }
  }

  /** Takes a named set over, to change it. */
  function copy(id: string): void {
    const named = PROTOCOLS.find((p) => p.id === id)
    if (named)
      begin({ ...ownCopyOf(named, 'female'), name: t('settings.nameMyWay', { name: named.name }) })
  }

  const ownOf = <S extends SiteId>(sites: readonly S[]) => sites.filter(isOwnSite) as S[]
  /** Folds to choose from: those of the standard, and the set's own. */
  const folds = computed(() =>
    draft.value ? [...foldsOf(draft.value.standard), ...ownOf(draft.value.folds)] : [],
  )
  watch(
    () => draft.value?.standard,
    () => {
      const now = draft.value
      if (now) now.folds = now.folds.filter((fold) => folds.value.includes(fold))
    },
  )

  /** Adds a site of the coach's own; false where its name is none or is there already. */
  function addSite(kind: 'fold' | 'girth', name: string): boolean {
    const id = ownSiteId(kind, name)
    const now = draft.value
    if (!id || !now || [...now.folds, ...now.girths].some((site) => site === id)) return false
    if (isSkinfold(id)) now.folds.push(id)
    else now.girths.push(id)
    return true
  }

  /** The sites of the set with their words, made when they are first looked at. */
  const sites = computed(() => {
    const now = draft.value
    return [...(now?.folds ?? []), ...(now?.girths ?? []), ...(now?.bones ?? [])].map((site) => ({
      site,
      name: nameOf(site),
      own: isOwnSite(site),
      techniques: isSkinfold(site)
        ? techniquesOf(site, standardWithin(site, now!.standard)!).map(({ id, name }) => ({
            id,
            name: tell(name),
          }))
        : [],
    }))
  })
  watch(sites, (now) => {
    for (const { site } of now) {
      draft.value!.wording[site] ??= { name: '', landmark: '', technique: '' }
    }
  })

  /** Sites are taken in the order in which they are chosen. */
  const definition = computed<OwnProtocol | undefined>(() => {
    if (!draft.value) return undefined
    const { id, name, standard, foldTrials, girthTrials, delay, wording } = draft.value
    const slug = name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '')
      .slice(0, 40)
    const words = sites.value.flatMap(({ site }) => {
      const said = Object.entries(wording[site] ?? {}).filter(([, text]) => text.trim() !== '')
      return said.length ? [[site, Object.fromEntries(said)] as const] : []
    })
    return {
      ...{ name, standard, folds: draft.value.folds, girths: draft.value.girths },
      bones: draft.value.bones,
      id: id || `own-${slug || 'set'}`,
      foldTrials: schemeOf(foldTrials, 'mm'),
      girthTrials: schemeOf(girthTrials, 'cm'),
      readingDelaySeconds: delay === 'none' ? null : Number(delay),
      wording: Object.fromEntries(words),
    }
  })

  /** How many equations a set would feed, for both sexes. */
  function fedBy(own: OwnProtocol): number {
    const { equations } = ownProtocol(own)
    return new Set([...equations.male, ...equations.female]).size
  }

  return { draft, begin, copy, folds, sites, addSite, definition, fedBy }
}
