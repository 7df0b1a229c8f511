<script setup lang="ts">
/** A link that is secret: made, made anew, and ended at once; its address is shown this once. */
const { address, hint, link, words, busy } = defineProps<{
  /** The one that was made just now; empty where none was. */
  address: string
  hint: string
  /** What is known of the one that there is. */
  link: { createdAt: string; usedAt: string | null } | null
  words: {
    used: (when: string) => string
    made: (when: string) => string
    make: string
    renew: string
    end: string
  }
  busy: boolean
}>()
const emit = defineEmits<{ make: []; end: [] }>()
</script>

<template>
  <p v-if="link" class="text-faded">
    {{
      link.usedAt ? words.used(instantText(link.usedAt)) : words.made(instantText(link.createdAt))
    }}
  </p>
  <SecretAddress v-if="address" :address :hint />
  <div class="flex flex-wrap gap-3">
    <button type="button" class="button" :disabled="busy" @click="emit('make')">
      {{ link ? words.renew : words.make }}
    </button>
    <button v-if="link" type="button" class="button text-clay" @click="emit('end')">
      {{ words.end }}
    </button>
  </div>
</template>
