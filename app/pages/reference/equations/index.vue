<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import { EQUATIONS, GIRTH_IDS, plainName, SKINFOLD_IDS, type SiteId } from '#core'
import EquationLine from '~/features/reference/EquationLine.vue'

/* Every equation: by family, by words, and by what was measured. */

interface Listed {
  id: string
  name: string
  family: string
  /** Sites that any of its forms is made of, by sex. */
  forms: SiteId[][]
  words: string
}
const equations = EQUATIONS.map(({ id, name, family, variants }): Listed => {
  const forms = variants.map(({ folds, girths }): SiteId[] => [...folds, ...girths])
  const people = variants.map(({ population }) => tell(population))
  const sites = [...new Set(forms.flat())].map((site) => nameOf(site))
  return {
    ...{ id, name: tell(name), family: tell(family), forms },
    words: plainName([tell(name), tell(family), id, ...people, ...sites].join(' ')),
  }
})

const search = ref('')
const found = computed(() => {
  const words = plainName(search.value).split(' ').filter(Boolean)
  return equations.filter((equation) => words.every((word) => equation.words.includes(word)))
})
const families = computed(() => [...new Set(found.value.map(({ family }) => family))])

/** Kept in this browser. */
const favourites = useLocalStorage<string[]>('oak-pinch-favourite-equations', [], {
  initOnMounted: true,
})
const kept = computed(() => equations.filter(({ id }) => favourites.value.includes(id)))
function turn(id: string) {
  favourites.value = favourites.value.includes(id)
    ? favourites.value.filter((one) => one !== id)
    : [...favourites.value, id]
}

/* By what was measured: what that gives, and what one more site would. */
const sites: SiteId[] = [...SKINFOLD_IDS, ...GIRTH_IDS, 'humerus']
const measured = ref<SiteId[]>([])
const missing = ({ forms }: Listed) =>
  forms
    .filter((form) => form.length > 0)
    .map((form) => form.filter((site) => !measured.value.includes(site)))
const fromThese = computed(() =>
  equations.filter((one) => missing(one).some((left) => left.length === 0)),
)
const withOneMore = computed(() => {
  const by = new Map<SiteId, Listed[]>()
  for (const one of equations) {
    if (fromThese.value.includes(one)) continue
    const [site] = missing(one).find((left) => left.length === 1) ?? []
    if (site) by.set(site, [...(by.get(site) ?? []), one])
  }
  return [...by].sort(([, a], [, b]) => b.length - a.length)
})
</script>

<template>
  <ReferencePage :title="t('equations.equations')" class="max-w-4xl">
    <p class="pb-4 text-lg">{{ t('equations.eachItsSourceItsPeople') }}</p>
    <FieldRow id="equation-search" :label="t('equations.search')" class="max-w-sm pb-2">
      <RestingInput
        id="equation-search"
        v-model="search"
        type="search"
        :placeholder="t('equations.searchHelp')"
      />
    </FieldRow>
    <p role="status" class="pb-3 text-faded" data-test="found">
      {{
        found.length ? t('equations.found', { count: found.length }) : t('equations.nothingFound')
      }}
    </p>
    <FoldOut :title="t('equations.whatFrom')" class="pb-4" data-test="what-from">
      <SiteToggles v-model="measured" :label="t('equations.measured2')" :sites />
      <div v-if="measured.length" class="pt-3" role="status">
        <h2 class="text-xl">{{ t('equations.from') }}</h2>
        <p v-if="fromThese.length === 0" class="text-faded">{{ t('equations.nothingFrom') }}</p>
        <ul data-test="from-these">
          <EquationLine
            v-for="{ id } in fromThese"
            :id
            :key="id"
            :kept="favourites.includes(id)"
            @turn="turn(id)"
          />
        </ul>
        <template v-for="[site, all] in withOneMore" :key="site">
          <h2 class="pt-3 text-xl">{{ t('equations.oneMore', { site: nameOf(site) }) }}</h2>
          <ul>
            <EquationLine
              v-for="{ id } in all"
              :id
              :key="id"
              :kept="favourites.includes(id)"
              @turn="turn(id)"
            />
          </ul>
        </template>
      </div>
    </FoldOut>
    <section v-if="kept.length && search === ''" class="pb-5" data-test="favourites">
      <h2 class="border-b-2 border-ink pb-1 text-2xl">{{ t('equations.favourites') }}</h2>
      <ul>
        <EquationLine v-for="{ id } in kept" :id :key="id" kept @turn="turn(id)" />
      </ul>
    </section>
    <section v-for="family in families" :key="family" class="pb-5">
      <h2 class="border-b-2 border-ink pb-1 text-2xl">{{ family }}</h2>
      <ul>
        <EquationLine
          v-for="{ id } in found.filter((e) => e.family === family)"
          :id
          :key="id"
          :kept="favourites.includes(id)"
          @turn="turn(id)"
        />
      </ul>
    </section>
  </ReferencePage>
</template>
