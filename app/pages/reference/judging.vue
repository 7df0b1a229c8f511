<script setup lang="ts">
import {
  assumedIn,
  figuresWith,
  GIRTH_IDS,
  unitOfSite,
  REFIT_CHECK_INS,
  REFIT_PEOPLE,
  SKINFOLD_IDS,
  USUAL_FIGURES,
  usualRepeatError,
} from '#core'
import { gym as gymRoutes } from '~/contract'

/** What the judgement of a record rests on, with where each figure comes from. */
const { data: gym, error } = await useAsyncData('gym', () => callApi(gymRoutes.view, {}))
const own = computed(() => gym.value?.figures ?? null)
const parts = computed(() => {
  const here = tellAll(assumedIn(figuresWith(own.value?.own)))
  return tellAll(assumedIn(USUAL_FIGURES)).map(({ title, rows }, part) => ({
    title,
    rows: rows.map((row, i) => {
      const ofGym = here[part]!.rows[i]!.value
      return { ...row, here: ofGym === row.value ? null : ofGym }
    }),
  }))
})
const sites = [...SKINFOLD_IDS, ...GIRTH_IDS].map((site) => ({
  ...{ site, name: nameOf(site), unit: unitOfSite(site) },
  ...{ trained: usualRepeatError(site, 'trained'), novice: usualRepeatError(site, 'novice') },
}))
</script>

<template>
  <ReferencePage :title="t('reference.howChangesJudged')" class="max-w-4xl">
    <p class="py-3 text-lg">
      {{ t('judging.clientSPageSaysClear') }}
    </p>
    <LoadTrouble :error />
    <p v-if="gym" class="border-y border-line py-3" data-test="own-figures">
      <template v-if="own">
        <strong>{{ t('judging.figuresMarkedHereThisGym') }}</strong>
        {{
          t('judging.readOffCheckinsCheckIns', {
            checkIns: own.checkIns,
            people: own.people,
            fittedOn: formatDate(own.fittedOn, true),
          })
        }}
      </template>
      <template v-else>
        {{ t('judging.asSoonAsRefitPeople', { REFIT_PEOPLE, REFIT_CHECK_INS }) }}
      </template>
    </p>
    <section v-for="{ title, rows } in parts" :key="title" class="pb-5">
      <h2 class="border-b-2 border-ink pb-1 text-xl">{{ title }}</h2>
      <ul>
        <li
          v-for="row in rows"
          :key="row.what"
          class="grid gap-x-5 border-b border-line py-1.5 sm:grid-cols-[1fr_1fr]"
        >
          <span>
            <strong>{{ row.what }}</strong>
            <span class="block text-faded">{{ row.why }}</span>
          </span>
          <span v-if="row.here" class="text-[20px]" data-test="own-figure">
            <span class="figure">{{ row.here }}</span>
            <span class="text-base">{{ t('judging.here') }}</span>
            <span class="block text-base text-faded"
              >{{ t('judging.usually') }} <span class="figure">{{ row.value }}</span></span
            >
          </span>
          <span v-else class="figure text-[20px]">{{ row.value }}</span>
        </li>
      </ul>
    </section>
    <section class="pb-5">
      <h2 class="border-b-2 border-ink pb-1 text-xl">
        {{ t('judging.errorOneReadingSiteSite') }}
      </h2>
      <p class="py-2">
        {{ t('judging.howFarTwoReadingsAt') }}
        <NuxtLink to="/equipment" class="underline">{{ t('judging.ownErrors') }}</NuxtLink>
      </p>
      <ScrollTable
        :label="t('judging.errorOneReading')"
        class="w-full max-w-xl"
        :caption="t('judging.site')"
      >
        <TableHead :columns="[t('judging.trained'), t('judging.novice')]" wide />
        <tbody>
          <tr v-for="row in sites" :key="row.site" class="border-b border-line">
            <th scope="row" class="py-1 pr-3">{{ row.name }}</th>
            <td class="figure pl-6 text-right text-[19px]">{{ row.trained }} {{ row.unit }}</td>
            <td class="figure pl-6 text-right text-[19px]">{{ row.novice }} {{ row.unit }}</td>
          </tr>
        </tbody>
      </ScrollTable>
    </section>
  </ReferencePage>
</template>
