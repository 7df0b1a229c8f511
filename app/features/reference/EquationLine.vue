<script setup lang="ts">
import { equationById, type Variant } from '#core'

/** One equation in a list: whom it is for, what it is made of, and whether it is a favorite. */
const props = defineProps<{ id: string; kept?: boolean }>()
const emit = defineEmits<{ turn: [] }>()

const equation = computed(() => tellAll(equationById(props.id)))
const NEEDS: Record<Variant['needs'][number], string> = {
  heightCm: t('reference.height').toLowerCase(),
  massKg: t('equations.bodyMass'),
  puberty: t('equations.puberty'),
}
/** Of the form for men, or the only one there is. */
const inputs = computed(() => {
  const { folds, girths, needs } = equation.value.variants[0]!
  const sites = [...folds, ...girths].map((site) => nameOf(site).toLowerCase())
  return sites.length ? sites : needs.map((need) => NEEDS[need])
})
</script>

<template>
  <li class="flex items-start gap-3 border-b border-line py-2">
    <div class="min-w-0 flex-1">
      <TitleLink :to="`/reference/equations/${equation.id}`">{{ equation.name }}</TitleLink>
      <span class="block text-faded">
        {{
          equation.variants
            .map(({ sex }) => t(sex === 'male' ? 'reference.men' : 'reference.women'))
            .join(', ')
        }}
        <template v-if="equation.standard"> · {{ standardName(equation.standard) }}</template>
        <template v-if="equation.contextOnly"> · {{ t('reference.contextOnly') }}</template>
        · {{ inputs.join(', ') }}
      </span>
    </div>
    <button
      type="button"
      class="grid size-11 shrink-0 place-items-center text-2xl"
      :aria-pressed="kept"
      :aria-label="t('equations.favourite', { name: equation.name })"
      @click="emit('turn')"
    >
      <span aria-hidden="true" :class="kept ? 'text-leaf' : 'text-faded'">{{
        kept ? '★' : '☆'
      }}</span>
    </button>
  </li>
</template>
