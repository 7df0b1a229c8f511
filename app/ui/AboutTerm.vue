<script setup lang="ts">
/** A term of the trade, explained in two lines where it stands. */
const { term } = defineProps<{
  term: 'protocol' | 'standard' | 'round' | 'detectable' | 'tester'
}>()
const box = useTemplateRef<HTMLElement>('box')
const button = useTemplateRef<HTMLButtonElement>('button')
const { open, close } = useDisclosure(box, button)
const id = useId()
</script>

<template>
  <span ref="box" class="relative inline-block align-middle" @keydown.esc.stop="close">
    <button
      ref="button"
      type="button"
      class="-my-2 grid size-11 place-items-center"
      :aria-label="t('terms.about', { term: t(`terms.${term}`) })"
      :aria-expanded="open"
      :aria-controls="open ? id : undefined"
      @click="open = !open"
    >
      <span
        aria-hidden="true"
        class="grid size-6 place-items-center rounded-full border-2 border-faded text-[15px] leading-none font-bold text-faded"
        >?</span
      >
    </button>
    <span
      v-if="open"
      :id
      role="note"
      class="fixed inset-x-4 bottom-20 z-20 border-2 border-ink bg-chalk p-4 font-text text-base leading-snug font-normal text-ink sm:absolute sm:inset-x-auto sm:top-full sm:right-0 sm:bottom-auto sm:w-80"
    >
      <strong class="block pb-1">{{ t(`terms.${term}`) }}</strong>
      {{ t(`terms.${term}Text`) }}
    </span>
  </span>
</template>
