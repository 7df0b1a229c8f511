<script setup lang="ts">
import type { IndexFigure } from '#core'

/** Indices of one body, each with its class by the table made for it, and by the others on demand. */
const props = defineProps<{ figures: IndexFigure[] }>()

const lengthUnit = useLengthUnit()

const rows = computed(() =>
  props.figures.map((figure) => {
    const [first, ...others] = figure.classes
    const id = figure.waist ? `${figure.id}-${figure.waist}` : figure.id
    const { fewer } = figure
    return {
      ...{ id, ...indexWords(figure, lengthUnit.value), first, others },
      // Nobody is the first or the last of a hundred by a table.
      share: fewer === undefined ? undefined : whole(Math.min(99, Math.max(1, fewer))),
    }
  }),
)
const others = computed(() =>
  rows.value.flatMap((row) => row.others.map((other) => ({ ...other, of: row.name }))),
)
</script>

<template>
  <div>
    <table class="w-full max-w-4xl border-collapse text-left" data-test="indices">
      <caption class="sr-only">
        {{
          t('reference.indicesTheirClasses')
        }}
      </caption>
      <thead class="sr-only">
        <tr>
          <th scope="col">{{ t('reference.index') }}</th>
          <th scope="col">{{ t('reference.value') }}</th>
          <th scope="col">{{ t('reference.class') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.id" class="border-b border-line align-baseline">
          <th scope="row" class="min-w-20 py-1.5 pr-3 font-normal wrap-anywhere">{{ row.name }}</th>
          <td class="figure pr-5 text-right text-[24px] whitespace-nowrap" :data-test="row.id">
            {{ row.value }}
          </td>
          <td class="py-1.5 wrap-anywhere">
            <template v-if="row.first">
              <strong :data-test="`${row.id}-class`">{{ tell(row.first.band.name) }}</strong>
              <span class="block text-faded">
                {{ tell(row.first.table.name) }}.
                {{ tell(row.first.girthNote) }}
                <template v-if="row.share">
                  {{ t('reference.fewerOfAge', { share: row.share }) }}
                </template>
              </span>
            </template>
            <span v-else class="text-faded">{{ t('reference.noTableThisAge') }}</span>
          </td>
        </tr>
      </tbody>
    </table>
    <FoldOut v-if="others.length" :title="t('reference.otherTablesTheirSources')" class="pt-2">
      <ul class="max-w-4xl space-y-1 pt-1" data-test="other-classes">
        <li v-for="other in others" :key="`${other.of} ${other.table.id}`">
          {{ other.of }}: <strong>{{ tell(other.band.name) }}</strong> ({{
            tell(other.table.name)
          }}). {{ tell(other.table.note) }} {{ tell(other.girthNote) }}
          <span class="text-faded">{{ tell(other.table.source) }}.</span>
        </li>
      </ul>
    </FoldOut>
    <p class="pt-2 text-faded">
      {{ t('reference.classesDescribeGroupsPeopleOnly') }}
    </p>
  </div>
</template>
