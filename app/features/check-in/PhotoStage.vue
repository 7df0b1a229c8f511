<script setup lang="ts">
/** Photos of the day. Optional: the work goes on without them. */
const emit = defineEmits<{ done: [] }>()
const { client, checkIn } = storeToRefs(useCheckInStore())
const taken = ref<string[]>([])
</script>

<template>
  <div class="mx-auto w-full max-w-4xl flex-1 px-4 py-6 sm:px-8">
    <h2 class="pb-3 text-[40px]">{{ t('checkIn.photos') }}</h2>
    <PhotoTaker
      :client-id="client!.id"
      :taken-on="checkIn!.measuredOn"
      @kept="
        (all) =>
          (taken = all
            .filter((p) => p.takenOn === checkIn!.measuredOn)
            .map(({ view }) => viewName(view)))
      "
    />
    <p v-if="taken.length" class="pt-2">{{ t('checkIn.todayJoin', { join: taken.join(', ') }) }}</p>
    <button type="button" class="button button-lead mt-4" @click="emit('done')">
      {{ t('checkIn.go') }}
    </button>
  </div>
</template>
