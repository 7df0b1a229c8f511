<script setup lang="ts">
import { unitOfSite, type SiteAgreement } from '#core'

/** How well the two readings of a site agree, against what is asked; a site's name shows its pairs. */
const { results, chosen = undefined } = defineProps<{
  results: readonly SiteAgreement[]
  /** The site whose pairs are shown. */ chosen?: string
  label: string
}>()
const emit = defineEmits<{ choose: [site: SiteAgreement['site']] }>()
const columns = [
  ...[t('study.pairs'), t('study.tem'), t('study.temPercent'), t('study.asked')],
  ...[t('study.icc'), t('study.bias'), t('study.limits')],
]
const verdict = ({ meets }: SiteAgreement) =>
  meets === 'skilled'
    ? t('study.meetsSkilled')
    : meets === 'beginner'
      ? t('study.meetsBeginner')
      : t('study.overAsked')
</script>

<template>
  <ScrollTable :label class="w-full">
    <TableHead :columns :last="t('study.judgement')" />
    <tbody>
      <tr
        v-for="one in results"
        :key="one.site"
        class="border-b border-line"
        :class="{ 'bg-white': one.site === chosen }"
      >
        <th scope="row" class="py-1 pr-2 font-normal">
          <button
            type="button"
            class="min-h-11 text-left font-bold underline decoration-line decoration-2 underline-offset-4"
            :aria-pressed="one.site === chosen"
            @click="emit('choose', one.site)"
          >
            {{ nameOf(one.site) }}
          </button>
        </th>
        <td class="figure pl-3 text-right text-[19px]">{{ one.pairs }}</td>
        <td class="figure pl-3 text-right text-[19px] whitespace-nowrap">
          {{ fixed(one.tem, 2) }} {{ unitOfSite(one.site) }}
        </td>
        <td class="figure pl-3 text-right text-[19px]">{{ fixed(one.temPercent, 1) }}</td>
        <td class="figure pl-3 text-right text-[19px] whitespace-nowrap text-faded">
          {{ fixed(one.targets.skilled, 1) }} / {{ fixed(one.targets.beginner, 1) }}
        </td>
        <td class="figure pl-3 text-right text-[19px]">
          {{ one.icc === undefined ? '' : fixed(one.icc, 3) }}
        </td>
        <td class="figure pl-3 text-right text-[19px]">{{ signed(one.bias, 1) }}</td>
        <td class="figure pl-3 text-right text-[19px] whitespace-nowrap">
          <template v-if="one.limits">
            {{
              t('study.range', { low: signed(one.limits[0], 1), high: signed(one.limits[1], 1) })
            }}
          </template>
        </td>
        <td
          class="pl-6 whitespace-nowrap"
          :class="one.meets ? (one.meets === 'skilled' ? 'text-leaf' : '') : 'font-bold text-clay'"
        >
          {{ verdict(one) }}
        </td>
      </tr>
    </tbody>
  </ScrollTable>
</template>
