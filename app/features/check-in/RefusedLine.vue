<script setup lang="ts">
/** Why a number was not taken, with what was likely meant by it. */
defineProps<{ problem: string; offer: string; other?: string }>()
const emit = defineEmits<{ accept: [which?: 'second'] }>()
</script>

<template>
  <p role="alert" class="mt-2 sm:mt-4 caution">
    {{ problem }}
    <KeyedButton v-if="offer" letter="A" class="ml-3" @click="emit('accept')">
      {{ t('checkIn.takeOffer', { offer }) }}
    </KeyedButton>
    <KeyedButton v-if="other" letter="O" class="ml-3" @click="emit('accept', 'second')">
      {{ t('checkIn.takeOther', { other }) }}
    </KeyedButton>
  </p>
</template>
