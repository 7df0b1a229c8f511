<script setup lang="ts">
import type { SiteStep } from '#core'
import type { SiteKind } from '~/features/check-in/useSiteEntry'

const props = defineProps<{ kind: SiteKind; step: SiteStep | undefined }>()
const emit = defineEmits<{ pick: [box: SiteStep] }>()

const { rows, scheme, sumOf, sinceLast, shownUnit, show } = useSiteSheet(props.kind)
const rounds = computed(() => rows.value[0]?.trials.length ?? 0)

const isOpen = (site: string, trial: number) =>
  props.step?.site === site && props.step.trial === trial
</script>

<template>
  <div class="flex h-full flex-col">
    <table class="w-full border-collapse">
      <caption class="sr-only">
        {{
          t('checkIn.lastTimeTrialsThisCheck', { shownUnit })
        }}
      </caption>
      <thead>
        <tr class="border-b-2 border-ink text-faded">
          <th scope="col" class="py-2 text-left font-normal">{{ shownUnit }}</th>
          <th scope="col" class="px-1 text-right font-normal">{{ t('checkIn.last') }}</th>
          <th v-if="scheme.dropsFirst" scope="col" class="px-1 text-right font-normal">
            {{ t('checkIn.first2') }}
          </th>
          <th v-for="trial in rounds" :key="trial" scope="col" class="px-1 text-right font-normal">
            {{ trial }}
          </th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="row in rows"
          :key="row.site"
          class="h-[43px] border-b border-line"
          :class="{ 'bg-white': row.site === step?.site }"
        >
          <th
            scope="row"
            class="border-l-4 pl-1.5 text-left"
            :class="row.site === step?.site ? 'border-leaf' : 'border-transparent'"
          >
            <span :class="{ 'text-faded line-through': row.skipped }">{{ row.name }}</span>
            <span v-if="row.skipped" class="block text-sm font-normal">{{ row.skipped }}</span>
            <span v-if="row.asked" class="font-bold text-clay" :title="row.asked" data-test="asked"
              >&nbsp;?<span class="sr-only">: {{ row.asked }}</span></span
            >
          </th>
          <td class="figure w-14 px-1 text-right text-[21px] text-faded">
            {{ show(row.last) }}
          </td>
          <td v-if="scheme.dropsFirst" class="w-[52px] p-0 text-right">
            <button
              v-if="row.thrownAway !== undefined"
              type="button"
              class="figure h-[40px] w-full px-1 text-right text-[21px] text-faded line-through"
              :class="{ 'outline-3 outline-leaf': isOpen(row.site, 0) }"
              @click="emit('pick', { site: row.site, trial: 0 })"
            >
              <span class="sr-only"
                >{{ t('checkIn.nameFirstReadingThrownAway', { name: row.name }) }}
              </span>
              {{ show(row.thrownAway) }}
            </button>
            <span
              v-else-if="isOpen(row.site, 0)"
              class="ml-1 block h-[38px] border-3 border-leaf bg-white"
            />
          </td>
          <td v-for="(trial, i) in row.trials" :key="i" class="w-[52px] p-0 text-right">
            <button
              v-if="trial !== undefined"
              type="button"
              class="figure h-[40px] w-full px-1 text-right text-[21px]"
              :class="[
                row.apart ? 'font-bold text-clay underline decoration-dotted' : '',
                isOpen(row.site, i + 1) ? 'outline-3 outline-leaf' : '',
              ]"
              @click="emit('pick', { site: row.site, trial: i + 1 })"
            >
              <span class="sr-only"
                >{{ t('checkIn.correctNameTrialTrial', { name: row.name, trial: i + 1 }) }}
              </span>
              {{ show(trial) }}
            </button>
            <span
              v-else-if="isOpen(row.site, i + 1)"
              class="ml-1 block h-[38px] border-3 border-leaf bg-white"
            />
          </td>
        </tr>
      </tbody>
      <tfoot v-if="kind === 'folds'">
        <tr class="h-[43px] border-t-2 border-ink">
          <th scope="row" class="pl-2.5 text-left">{{ t('checkIn.sum') }}</th>
          <td class="figure px-1 text-right text-[21px] text-faded">
            {{ show(sumOf((r) => r.last)) }}
          </td>
          <td v-if="scheme.dropsFirst" />
          <td v-for="trial in rounds" :key="trial" class="figure px-1 text-right text-[21px]">
            {{ show(sumOf((r) => r.trials[trial - 1])) }}
          </td>
        </tr>
      </tfoot>
    </table>
    <!-- The sum itself stands in the foot above. -->
    <RunningSum v-if="kind === 'folds'" class="mt-auto" :since="sinceLast" />
  </div>
</template>
