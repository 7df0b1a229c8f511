<script setup lang="ts">
import type { SiteKind } from './useSiteEntry'

/** The keypad of a fold or girth on a small screen, with what else the thumb may want. */
defineProps<{
  kind: SiteKind
  /** Seconds of the reading timer, where there is one. */ delay?: number
  /** Read in inches and their fractions. */ inches?: boolean
}>()
const emit = defineEmits<{
  type: [text: string]
  back: []
  enter: []
  ask: [what: 'skip' | 'site' | 'girth']
  cue: []
}>()
</script>

<template>
  <KeyPad
    :signs="inches ? INCH_SIGNS : []"
    @type="emit('type', $event)"
    @back="emit('back')"
    @enter="emit('enter')"
  >
    <button type="button" class="button pad-choice" @click="emit('ask', 'skip')">
      {{ t('checkIn.skip2') }}
    </button>
    <button type="button" class="button pad-choice" @click="emit('ask', 'site')">
      {{ t('checkIn.go2') }}
    </button>
    <button
      v-if="kind === 'folds' && delay"
      type="button"
      class="button pad-choice"
      @click="emit('cue')"
    >
      {{ t('checkIn.readCue') }}
    </button>
    <button
      v-if="kind === 'tape'"
      type="button"
      class="button pad-choice"
      @click="emit('ask', 'girth')"
    >
      {{ t('checkIn.anotherGirth2') }}
    </button>
  </KeyPad>
</template>
