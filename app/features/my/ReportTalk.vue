<script setup lang="ts">
import type { MyPage } from '#shared/contract/client-side'
import { my } from '~/contract'

/** What the coach asked about a report, to be answered in words. */
const props = defineProps<{
  report: MyPage['reports'][number]
  query: { mass: 'kg' | 'lb'; length: 'cm' | 'in' }
}>()
const emit = defineEmits<{ answered: [page: MyPage] }>()

const words = ref('')
const { trouble, problems, busy, submit } = useSubmit()
const isOpen = computed(() => props.report.talk.at(-1)?.by === 'coach')
async function answer() {
  const sent = { params: { id: props.report.id }, body: { words: words.value }, query: props.query }
  const page = await submit(() => callApi(my.answer, sent))
  if (!page) return
  words.value = ''
  emit('answered', page)
}
</script>

<template>
  <section v-if="isOpen" class="caution space-y-2" data-test="asked">
    <p class="text-faded">{{ t('my.askedAbout', { day: formatDate(report.endsOn, true) }) }}</p>
    <p class="text-lg font-bold">{{ report.talk.at(-1)!.words }}</p>
    <form class="space-y-2" novalidate @submit.prevent="answer">
      <TextField
        :id="`answer-${report.id}`"
        v-model="words"
        :label="t('my.yourAnswer')"
        :error="problems.words"
      />
      <AlertLine :text="problems.words ? '' : trouble" />
      <button type="submit" class="button" :disabled="busy">{{ t('my.answer') }}</button>
    </form>
  </section>
</template>
