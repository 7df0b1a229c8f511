<script setup lang="ts">
import {
  assumedIn,
  figuresWith,
  formatDate,
  GIRTH_IDS,
  isSkinfold,
  nameOf,
  REFIT_CHECK_INS,
  REFIT_PEOPLE,
  SKINFOLD_IDS,
  USUAL_FIGURES,
  usualRepeatError,
} from '#core'
import { gym as gymRoutes } from '~/contract'

/** What the judgement of a record rests on, with where each figure comes from. */
const { data: gym } = await useAsyncData('gym', () => callApi(gymRoutes.view, {}))
const own = computed(() => gym.value?.figures ?? null)
const parts = computed(() => {
  const here = assumedIn(figuresWith(own.value?.own))
  return assumedIn(USUAL_FIGURES).map(({ title, rows }, part) => ({
    title,
    rows: rows.map((row, i) => {
      const ofGym = here[part]!.rows[i]!.value
      return { ...row, here: ofGym === row.value ? null : ofGym }
    }),
  }))
})
const sites = [...SKINFOLD_IDS, ...GIRTH_IDS].map((site) => ({
  ...{ site, name: nameOf(site), unit: isSkinfold(site) ? 'mm' : 'cm' },
  ...{ trained: usualRepeatError(site, 'trained'), novice: usualRepeatError(site, 'novice') },
}))
</script>

<template>
  <ReferencePage title="How changes are judged" class="max-w-4xl">
    <p class="py-3 text-lg">
      A client’s page says “clear”, “likely” or “not yet clear” of the whole record and not of two
      check-ins. These are the figures that it rests on. They are judgement, with no published
      source: chosen so that made-up people of whom the truth is known are told what is true of
      them. Nothing here is said of one person’s health.
    </p>
    <p class="border-y border-line py-3" data-test="own-figures">
      <template v-if="own">
        <strong>Figures marked “here” are this gym’s own,</strong> read off
        {{ own.checkIns }} check-ins of {{ own.people }} people on
        {{ formatDate(own.fittedOn, true) }}: those that make what was read most likely, held near
        the usual ones until there is enough to say otherwise. They are read anew whenever there are
        a quarter more check-ins.
      </template>
      <template v-else>
        As soon as {{ REFIT_PEOPLE }} people have {{ REFIT_CHECK_INS }} check-ins each, how steady
        this gym’s scale, hands and days are is read off its own records and takes the place of the
        usual figures.
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
            <span class="figure">{{ row.here }}</span> <span class="text-base">here</span>
            <span class="block text-base text-faded"
              >usually <span class="figure">{{ row.value }}</span></span
            >
          </span>
          <span v-else class="figure text-[20px]">{{ row.value }}</span>
        </li>
      </ul>
    </section>
    <section class="pb-5">
      <h2 class="border-b-2 border-ink pb-1 text-xl">The error of one reading, site by site</h2>
      <p class="py-2">
        How far two readings at one mark usually are apart (the technical error of measurement), for
        a trained hand and for a new one. Finding the mark again on another day adds three quarters
        of it. A tester’s own error takes its place as their duplicates come in:
        <NuxtLink to="/equipment" class="underline">Equipment</NuxtLink> has it.
      </p>
      <ScrollTable label="The error of one reading" class="w-full max-w-xl" caption="By site">
        <TableHead :columns="['trained', 'new']" wide />
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
