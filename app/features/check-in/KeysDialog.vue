<script setup lang="ts">
/** The keys of the site stage, and how its cue and its voice behave. */
defineProps<{ open: boolean; keys: Record<string, { does: string }> }>()
const emit = defineEmits<{ close: [] }>()

const sound = defineModel<boolean>('sound')
const ring = defineModel<boolean>('ring')
const speaking = defineModel<boolean>('speaking')
const voice = useVoice()
</script>

<template>
  <AskDialog :title="t('checkIn.keys')" :open @close="emit('close')">
    <dl class="grid grid-cols-[auto_1fr] gap-x-4 gap-y-2 pb-4 text-lg">
      <dt>
        <kbd class="key">{{ t('checkIn.enter') }}</kbd>
      </dt>
      <dd>{{ t('checkIn.takeNumberGo') }}</dd>
      <dt><kbd class="key">⌫</kbd></dt>
      <dd>{{ t('checkIn.emptyFieldBackReadingBefore') }}</dd>
      <template v-for="(key, name) in keys" :key="name">
        <dt>
          <kbd class="key">{{ name === ' ' ? t('checkIn.space') : name.toUpperCase() }}</kbd>
        </dt>
        <dd>{{ key.does }}</dd>
      </template>
    </dl>
    <div class="flex flex-wrap gap-x-6 gap-y-2 border-t border-line pt-3">
      <TickBox v-model="sound">{{ t('checkIn.cueSounds') }}</TickBox>
      <TickBox v-model="ring">{{ t('checkIn.cueShowsRing') }}</TickBox>
      <TickBox v-if="voice.able" v-model="speaking">{{ t('checkIn.sayEachReadingBack') }}</TickBox>
      <button type="button" class="button ml-auto" @click="emit('close')">
        {{ t('checkIn.close') }}
      </button>
    </div>
  </AskDialog>
</template>
