<script setup lang="ts">
import { measureName, type SiteId } from '#core'

/** Each measure with the height taken out, beside one unisex build. */
const props = defineProps<{ scores: { id: SiteId | 'mass'; z: number }[] }>()

/** As wide as the picture is, in standard deviations to each side. */
const WIDE = 5
const rows = computed(() =>
  props.scores.map(({ id, z }) => {
    const shown = Math.max(-WIDE, Math.min(WIDE, z))
    return {
      ...{ id, z, name: tell(measureName(id)) },
      left: 50 + (50 * Math.min(0, shown)) / WIDE,
      width: (50 * Math.abs(shown)) / WIDE,
    }
  }),
)
</script>

<template>
  <FoldOut :title="t('profile.phantom')">
    <p class="pb-2 text-faded">{{ t('profile.phantomHelp') }}</p>
    <ScrollTable
      class="w-full max-w-2xl"
      :label="t('profile.phantom')"
      :caption="t('profile.phantom')"
      data-test="phantom"
    >
      <tbody>
        <tr v-for="{ id, name, z, left, width } in rows" :key="id" class="border-b border-line">
          <th scope="row" class="py-1 pr-3 font-normal whitespace-nowrap">{{ name }}</th>
          <td class="w-full min-w-32">
            <div class="relative h-3 bg-white">
              <div class="absolute inset-y-0 left-1/2 w-px bg-faded"></div>
              <div
                class="absolute inset-y-0.5 bg-leaf"
                :style="{ left: `${left}%`, width: `${width}%` }"
              ></div>
            </div>
          </td>
          <td class="figure pl-3 text-right text-[19px]">{{ signed(z, 1) }}</td>
        </tr>
      </tbody>
    </ScrollTable>
  </FoldOut>
</template>
