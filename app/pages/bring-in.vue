<script setup lang="ts">
import { BRING_STEPS } from '~/features/records/useBringIn'

usePageTitle(() => t('records.bringOldIn'))
const bringing = useBringIn()
const { coming, step, columns, answers, share, trouble, brought, fileName } = bringing

/** Questions of who somebody is come with the people; the others with the columns. */
const ABOUT_PEOPLE = /^(?:person|sex|name|tester)/
const asked = computed(() => {
  const open = (coming.value?.questions ?? []).filter(({ id }) => !id.startsWith('column:'))
  return {
    sheets: open.filter(({ id }) => !ABOUT_PEOPLE.test(id)),
    people: open.filter(({ id }) => ABOUT_PEOPLE.test(id)),
  }
})
watch([columns, answers], () => {
  if (coming.value) void bringing.choose()
})

const at = computed(() => BRING_STEPS.indexOf(step.value))
const head = useTemplateRef<HTMLElement>('head')
function go(by: 1 | -1) {
  step.value = BRING_STEPS[at.value + by]!
  head.value?.focus()
  head.value?.scrollIntoView({ block: 'start' })
}
</script>

<template>
  <main class="mx-auto max-w-5xl space-y-6 px-4 py-6 sm:px-6">
    <h1 class="text-[40px]">{{ t('records.bringOldIn') }}</h1>
    <FileChoice v-if="!coming" :busy="share !== undefined" @open="bringing.open" />
    <template v-else>
      <p class="wrap-anywhere">
        <strong>{{ fileName }}</strong>
        <button
          v-if="!brought"
          type="button"
          class="link ml-3 min-h-11"
          @click="bringing.startAgain"
        >
          {{ t('records.anotherFile') }}
        </button>
      </p>
      <StepsRail v-model="step" :done="brought !== undefined" />
      <div class="space-y-6">
        <h2 ref="head" tabindex="-1" class="text-2xl outline-none">
          {{ t(`records.stepHeads.${step}`) }}
        </h2>
        <template v-if="step === 'understood'">
          <QuestionList v-model="answers" :questions="asked.sheets" />
          <p v-if="coming.sheets.length === 0" class="text-lg">{{ t('records.saysItself') }}</p>
          <ColumnList v-for="sheet in coming.sheets" :key="sheet.sheet" v-model="columns" :sheet />
        </template>
        <template v-else-if="step === 'who'">
          <QuestionList v-model="answers" :questions="asked.people" />
          <PeopleList :people="coming.people" />
        </template>
        <ComesStep v-else-if="step === 'comes'" :bringing />
        <BringStep v-else :bringing />
      </div>
    </template>
    <AlertLine :text="trouble" />
    <div v-if="share !== undefined" class="flex items-center gap-4" data-test="progress">
      <progress
        class="h-4 w-full max-w-md accent-leaf"
        max="1"
        :value="share"
        :aria-label="t('records.progress')"
      />
      <span class="figure w-16 text-lg">{{
        t('records.percent', { share: whole(share * 100) })
      }}</span>
      <button type="button" class="button" @click="bringing.cancel">
        {{ t('common.cancel') }}
      </button>
    </div>
    <div v-if="coming && !brought" class="flex gap-3 border-t border-line pt-4">
      <button v-if="at > 0" type="button" class="button" @click="go(-1)">
        {{ t('records.back') }}
      </button>
      <button
        v-if="at < BRING_STEPS.length - 1"
        type="button"
        class="button button-lead"
        :disabled="share !== undefined"
        data-test="next"
        @click="go(1)"
      >
        {{ t('records.next', { step: t(`records.stepNames.${BRING_STEPS[at + 1]!}`) }) }}
      </button>
    </div>
  </main>
</template>
