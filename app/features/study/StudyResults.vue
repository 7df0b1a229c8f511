<script setup lang="ts">
import { sitesToPractise, type SiteAgreement, type Skill } from '#core'

/** What readings taken twice say of a hand: by site, the sites to practise, and the pairs of one site. */
const {
  results,
  skill,
  names = undefined,
} = defineProps<{
  results: readonly SiteAgreement[]
  skill: Skill
  /** What each subject is called. */ names?: readonly string[]
  label: string
}>()
const practise = computed(() => sitesToPractise(results, skill))
const chosen = ref<string>()
const shown = computed(
  () =>
    results.find(({ site }) => site === chosen.value) ??
    results.find(({ site }) => site === practise.value[0]) ??
    results[0],
)
</script>

<template>
  <p class="pb-3 text-lg" data-test="practise">
    <strong v-if="practise.length">
      {{ t('study.toPractise', { sites: namesOf(practise), skill: t(`study.skills.${skill}`) }) }}
    </strong>
    <template v-else>{{
      t('study.nothingToPractise', { skill: t(`study.skills.${skill}`) })
    }}</template>
  </p>
  <AgreementTable :results :label :chosen="shown?.site" @choose="chosen = $event" />
  <template v-if="shown && shown.pairs > 1">
    <h3 class="pt-6 pb-2 text-xl">{{ t('study.pairsOf', { site: nameOf(shown.site) }) }}</h3>
    <AgreementChart :key="shown.site" :result="shown" :names />
  </template>
</template>
