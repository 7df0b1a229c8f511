<script setup lang="ts">
/** The file, or cells as they were copied out of a spreadsheet. */
const { busy } = defineProps<{ busy: boolean }>()
const emit = defineEmits<{ open: [bytes: Uint8Array, name: string] }>()

const over = ref(false)
const pasted = ref('')

async function take(picked: File | undefined) {
  over.value = false
  if (!picked || busy) return
  emit('open', new Uint8Array(await picked.arrayBuffer()), picked.name)
}
function takePasted() {
  emit('open', new TextEncoder().encode(pasted.value), t('records.pasted'))
}
</script>

<template>
  <div class="space-y-6">
    <p class="text-lg">{{ t('records.intro') }}</p>
    <div
      class="space-y-3 border-2 border-dashed px-4 py-6 text-center"
      :class="over ? 'border-leaf bg-white' : 'border-faded bg-board'"
      @dragover.prevent="over = true"
      @dragleave="over = false"
      @drop.prevent="take($event.dataTransfer?.files[0])"
    >
      <FileButton
        :label="t('records.chooseFile')"
        accept=".xlsx,.csv,.tsv,.txt,.json"
        lead
        :disabled="busy"
        mark="records-file"
        data-test="choose-file"
        @picked="take"
      />
      <p class="max-sm:hidden">{{ t('records.orDrop') }}</p>
      <p class="text-faded">{{ t('records.kinds') }}</p>
    </div>
    <form class="space-y-3" novalidate @submit.prevent="takePasted">
      <FieldRow id="pasted" :label="t('records.paste')" :hint="t('records.pasteHint')">
        <textarea
          id="pasted"
          v-model="pasted"
          rows="5"
          class="field figure"
          aria-describedby="pasted-hint"
        />
      </FieldRow>
      <button type="submit" class="button" :disabled="busy || pasted.trim() === ''">
        {{ t('records.readPasted') }}
      </button>
    </form>
  </div>
</template>
