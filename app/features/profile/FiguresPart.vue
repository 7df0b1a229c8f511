<script setup lang="ts">
import { waistName, Z95, type ProfileFigure, type ShapeFigure } from '#core'

/** Muscle, bone and shape: each figure with its errors and a line on what it is good for. */
defineProps<{ figures: ProfileFigure[]; shape: ShapeFigure[] }>()

const SHAPES: Record<ShapeFigure['id'], { name: string; digits: number }> = {
  bodyShape: { name: t('profile.bodyShape'), digits: 4 },
  roundness: { name: t('profile.roundness'), digits: 2 },
  conicity: { name: t('profile.conicity'), digits: 2 },
  waistToHeight: { name: t('profile.waistToHeight'), digits: 2 },
}
</script>

<template>
  <div class="grid gap-x-8 gap-y-4 lg:grid-cols-2">
    <section v-if="figures.length">
      <h2 class="pb-1 text-2xl">{{ t('profile.muscleBone') }}</h2>
      <ul data-test="muscle">
        <li
          v-for="{ equation, value, measuring, groupTerm } in figures"
          :key="equation.id"
          class="border-b border-line py-2"
        >
          <p class="flex justify-between gap-3">
            <span class="text-lg">{{ tell(equation.name) }}</span>
            <span class="figure text-[21px] whitespace-nowrap">
              {{ fixed(value, 1) }} {{ equation.gives }}
            </span>
          </p>
          <p class="text-faded">
            {{
              t('profile.measuringError', {
                error: fixed(Z95 * measuring, 1),
                unit: equation.gives,
              })
            }}
            ·
            {{
              equation.standardError === null
                ? t('profile.methodErrorUnknown')
                : t('profile.methodError', {
                    error: fixed(equation.standardError, 1),
                    unit: equation.gives,
                  })
            }}
          </p>
          <p>{{ tell(equation.goodFor) }}</p>
          <p v-if="groupTerm">
            {{ t('profile.groupTermIn', { term: signed(groupTerm, 1), unit: equation.gives }) }}
          </p>
          <p class="text-sm text-faded">{{ equation.source }}</p>
        </li>
      </ul>
    </section>
    <section v-if="shape.length">
      <h2 class="pb-1 text-2xl">{{ t('profile.shape') }}</h2>
      <ul data-test="shape">
        <li
          v-for="{ id, waist, value, measuring } in shape"
          :key="`${id} ${waist}`"
          class="flex justify-between gap-3 border-b border-line py-2"
        >
          <span>
            {{ t('profile.shapeBy', { name: SHAPES[id].name, waist: tell(waistName(waist)) }) }}
          </span>
          <span class="figure text-[21px] whitespace-nowrap">
            {{ fixed(value, SHAPES[id].digits) }}
            <span class="text-base text-faded">
              ± {{ fixed(Z95 * measuring, SHAPES[id].digits) }}</span
            >
          </span>
        </li>
      </ul>
      <p class="pt-1 text-faded">{{ t('profile.waistLimit') }}</p>
    </section>
  </div>
</template>
