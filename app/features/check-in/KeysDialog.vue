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
  <AskDialog title="Keys" :open @close="emit('close')">
    <dl class="grid grid-cols-[auto_1fr] gap-x-4 gap-y-2 pb-4 text-lg">
      <dt><kbd class="key">Enter</kbd></dt>
      <dd>take the number and go on</dd>
      <dt><kbd class="key">⌫</kbd></dt>
      <dd>in an empty field: back to the reading before</dd>
      <template v-for="(key, name) in keys" :key="name">
        <dt>
          <kbd class="key">{{ name === ' ' ? 'Space' : name.toUpperCase() }}</kbd>
        </dt>
        <dd>{{ key.does }}</dd>
      </template>
    </dl>
    <div class="flex flex-wrap gap-x-6 gap-y-2 border-t border-line pt-3">
      <TickBox v-model="sound">the cue sounds</TickBox>
      <TickBox v-model="ring">the cue shows a ring</TickBox>
      <TickBox v-if="voice.able" v-model="speaking">say each reading back</TickBox>
      <button type="button" class="button ml-auto" @click="emit('close')">Close</button>
    </div>
  </AskDialog>
</template>
