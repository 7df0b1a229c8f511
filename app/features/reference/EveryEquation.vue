<script setup lang="ts">
import type { EquationResult } from '#core'

/** Fat % by every equation that the readings allow, the first one chosen, with the spread between them; those that are too rough for a level are in no spread. */
const props = defineProps<{ results: EquationResult[] }>()

const spread = computed(() => {
  const fat = props.results.flatMap((r) =>
    r.ok && !r.equation.contextOnly ? [r.estimate.fatPercent] : [],
  )
  return fat.length > 1 ? Math.max(...fat) - Math.min(...fat) : undefined
})
</script>

<template>
  <table class="w-full max-w-2xl border-collapse text-left" data-test="every">
    <caption class="sr-only">
      {{
        t('reference.fatEveryEquation')
      }}
    </caption>
    <tbody>
      <tr v-for="r in results" :key="r.equation.id" class="border-b border-line">
        <th scope="row" class="py-1.5 pr-3 font-normal">
          <NuxtLink
            :to="`/reference/equations/${r.equation.id}`"
            class="underline decoration-line underline-offset-4"
            >{{ tell(r.equation.name) }}</NuxtLink
          >
          <span v-if="r.equation.contextOnly" class="text-faded">
            · {{ t('reference.contextOnly') }}</span
          >
          <span v-if="!r.ok" class="block text-faded">{{ wordsOf(r.error) }}</span>
          <template v-else>
            <span
              v-for="warning in r.estimate.warnings"
              :key="tell(warning)"
              class="block text-clay"
            >
              {{ tell(warning) }}
            </span>
          </template>
        </th>
        <td class="figure text-right text-[21px] sm:whitespace-nowrap">
          <template v-if="r.ok">
            {{ fixed(r.estimate.fatPercent, 1) }}%
            <span class="text-faded">
              {{
                r.estimate.standardError === null
                  ? t('reference.errorNotStated')
                  : `± ${fixed(r.estimate.standardError, 1)}`
              }}
            </span>
          </template>
          <template v-else>–</template>
        </td>
      </tr>
    </tbody>
  </table>
  <p v-if="spread !== undefined" class="pt-1 text-faded">
    {{ t('reference.spreadPointsBetweenLowestHighest', { spread: fixed(spread, 1) }) }}
  </p>
</template>
