<script setup lang="ts">
/** Says that a client sees sums and girths only, and shows the rest when the coach asks for it. */
defineProps<{ name: string }>()
const asked = defineModel<boolean>({ required: true })
</script>

<template>
  <p>
    {{ t('client.seesSumsOnly', { name: firstName(name) }) }}
    <button type="button" class="button ml-2" :aria-pressed="asked" @click="asked = !asked">
      {{ asked ? t('client.hidePercentagesAgain') : t('client.showPercentagesCoach') }}
    </button>
  </p>
</template>
