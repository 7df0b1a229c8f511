<script setup lang="ts">
import type { Question } from '#core'

/** What the file leaves open. The usual answer stands until another is given. */
const { questions } = defineProps<{ questions: readonly Question[] }>()
const answers = defineModel<Record<string, string>>({ required: true })

/** More choices than that are a list to open. */
const MOST_CHIPS = 5
const answerOf = ({ id, usual }: Question) => answers.value[id] ?? usual
const give = ({ id }: Question, answer: string) => {
  answers.value = { ...answers.value, [id]: answer }
}
const more = useMore(() => questions)
</script>

<template>
  <section v-if="questions.length" class="space-y-5" data-test="questions">
    <h3 class="text-xl">{{ t('records.open', { count: questions.length }) }}</h3>
    <div v-for="question in more.shown.value" :key="question.id">
      <TextField
        v-if="question.free"
        :id="question.id"
        :label="tell(question.about)"
        class="max-w-md"
        :model-value="answerOf(question)"
        @change="give(question, ($event.target as HTMLInputElement).value.trim())"
      />
      <FieldRow
        v-else-if="question.options.length > MOST_CHIPS"
        :id="question.id"
        :label="tell(question.about)"
      >
        <select
          :id="question.id"
          class="field max-w-md"
          :value="answerOf(question)"
          @change="give(question, ($event.target as HTMLSelectElement).value)"
        >
          <option v-for="{ value, name } in question.options" :key="value" :value>
            {{ tell(name) }}
          </option>
        </select>
      </FieldRow>
      <ChoiceRow
        v-else
        compact
        :label="tell(question.about)"
        :options="question.options.map(({ value, name }) => ({ value, name: tell(name) }))"
        :model-value="answerOf(question)"
        @update:model-value="give(question, $event)"
      />
    </div>
    <MoreButton :more />
  </section>
</template>
