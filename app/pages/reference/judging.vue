<script setup lang="ts">
import {
  assumedIn,
  GIRTH_IDS,
  isSkinfold,
  nameOf,
  SKINFOLD_IDS,
  USUAL_FIGURES,
  usualRepeatError,
} from '#core'

/** What the judgement of a record rests on, with where each figure comes from. */
const parts = assumedIn(USUAL_FIGURES)
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
          <span class="figure text-[20px]">{{ row.value }}</span>
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
