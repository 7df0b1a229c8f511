<script setup lang="ts">
import type { ComingPerson } from '#shared/exchange/coming'

/** Everybody of the file, and whether they are on record. */
const { people } = defineProps<{ people: readonly ComingPerson[] }>()
const more = useMore(() => people)
const bornText = ({ birthDate, birthYear }: ComingPerson) =>
  birthDate ? formatDate(birthDate, true) : birthYear ? String(birthYear) : '–'
const daysText = ({ first, last }: ComingPerson) =>
  first && last && first !== last
    ? t('records.fromTo', { from: formatDate(first, true), to: formatDate(last, true) })
    : first
      ? formatDate(first, true)
      : ''
</script>

<template>
  <div class="space-y-3">
    <ScrollTable :label="t('records.everybody')" class="w-full" data-test="people">
      <thead>
        <tr class="border-b-2 border-ink text-faded">
          <th scope="col" class="py-1 font-normal">{{ t('records.name') }}</th>
          <th scope="col" class="pl-4 font-normal">{{ t('records.onRecord') }}</th>
          <th scope="col" class="pl-4 font-normal">{{ t('records.sex') }}</th>
          <th scope="col" class="pl-4 font-normal">{{ t('records.born') }}</th>
          <th scope="col" class="pl-4 text-right font-normal">{{ t('records.checkIns') }}</th>
          <th scope="col" class="pl-4 text-right font-normal">{{ t('records.weighIns') }}</th>
          <th scope="col" class="pl-4 font-normal">{{ t('records.days') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="(person, i) in more.shown.value"
          :key="i"
          class="border-b border-line whitespace-nowrap"
        >
          <th scope="row" class="py-1.5 font-bold">{{ person.name }}</th>
          <td class="pl-4" :class="person.isKnown ? 'text-faded' : 'font-bold text-leaf'">
            {{ person.isKnown ? t('records.known') : t('records.isNew') }}
          </td>
          <td class="pl-4">{{ sexText(person.sex) }}</td>
          <td class="pl-4">{{ bornText(person) }}</td>
          <td class="figure pl-4 text-right text-lg">{{ person.checkIns }}</td>
          <td class="figure pl-4 text-right text-lg">{{ person.weighIns }}</td>
          <td class="pl-4">{{ daysText(person) }}</td>
        </tr>
      </tbody>
    </ScrollTable>
    <MoreButton :more />
  </div>
</template>
