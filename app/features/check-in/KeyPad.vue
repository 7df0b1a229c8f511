<script setup lang="ts">
/** A large keypad for the thumb. It types into the field; it never takes the focus away from it. */
const { signs = [], action = undefined } = defineProps<{
  /** What is typed besides digits: feet and inches, or the fraction of an inch. */ signs?: readonly string[]
  /** What its large button does, where that is not to enter a number. */ action?: string
}>()
const emit = defineEmits<{ type: [sign: string]; back: []; enter: [] }>()
const SPACE = ' '

const rows = [
  ['7', '8', '9'],
  ['4', '5', '6'],
  ['1', '2', '3'],
  ['.', '0'],
]
</script>

<template>
  <div
    class="grid grid-cols-4 grid-rows-[auto_repeat(4,1fr)] gap-1.5 border-t border-line bg-board p-2"
    role="group"
    :aria-label="t('checkIn.keypad')"
    @mousedown.prevent
  >
    <div class="col-span-4 flex gap-1.5 empty:hidden">
      <button
        v-for="sign in signs"
        :key="sign"
        type="button"
        class="figure min-h-11 flex-1 rounded border-2 border-line bg-chalk text-[26px] active:bg-white"
        :aria-label="sign === SPACE ? t('checkIn.space') : undefined"
        @click="emit('type', sign)"
      >
        {{ sign === SPACE ? '␣' : sign }}
      </button>
      <slot />
    </div>
    <template v-for="(row, i) in rows" :key="i">
      <button
        v-for="sign in row"
        :key="sign"
        type="button"
        class="figure min-h-14 rounded border-2 border-line bg-chalk text-[32px] low:min-h-11 active:bg-white"
        :style="{ gridRow: i + 2 }"
        @click="emit('type', sign)"
      >
        {{ sign }}
      </button>
    </template>
    <button
      type="button"
      class="figure row-start-5 min-h-14 low:min-h-11 rounded border-2 border-line bg-chalk text-[26px] active:bg-white"
      style="grid-column: 3"
      :aria-label="t('checkIn.back')"
      @click="emit('back')"
    >
      ⌫
    </button>
    <button
      type="button"
      class="figure col-start-4 row-span-4 row-start-2 rounded bg-leaf text-[26px] text-white active:bg-ink"
      @click="emit('enter')"
    >
      {{ action ?? t('checkIn.take') }}
    </button>
  </div>
</template>
