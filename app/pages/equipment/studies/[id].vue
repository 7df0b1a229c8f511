<script setup lang="ts">
import { siteAgreements } from '#core'
import { gym as gymRoutes, studies } from '~/contract'

await breathe()

const route = useRoute()
const params = { id: String(route.params.id) }
const [{ data: study, error }, { data: gym }] = await Promise.all([
  useAsyncData(`study-${params.id}`, () => callApi(studies.view, { params })),
  useAsyncData('gym', () => callApi(gymRoutes.view, {})),
])
await breathe()
const names = computed(() =>
  Object.fromEntries((gym.value?.testers ?? []).map(({ id, name }) => [id, name])),
)
const tester = computed(() => gym.value?.testers.find(({ id }) => id === study.value?.testerId))
usePageTitle(() => t('study.studyOf', { name: tester.value?.name ?? '' }))

const results = computed(() =>
  siteAgreements(
    (study.value?.rows ?? []).map((row) => ({ ...row, subject: String(row.subject) })),
  ),
)
/** Each tester with themselves, and the second against the first. */
const parts = computed(() => {
  const { testerId, referenceId } = study.value!
  const of = (id: string | null) =>
    results.value.filter((one) => one.tester === id && one.against === undefined)
  const skillOf = (id: string | null) =>
    gym.value?.testers.find((one) => one.id === id)?.skill ?? 'trained'
  const name = (id: string | null) => names.value[id ?? ''] ?? ''
  return [
    ...[testerId, referenceId].map((id) => ({
      ...{ key: id ?? '', results: of(id), skill: skillOf(id) },
      title: t('study.withThemselves', { name: name(id) }),
    })),
    {
      ...{ key: 'between', results: results.value.filter((one) => one.against !== undefined) },
      skill: skillOf(testerId),
      title: t('study.between', { one: name(testerId), other: name(referenceId) }),
    },
  ].filter((part) => part.results.length > 0)
})
const isOver = computed(
  () => study.value!.endedOn !== null || study.value!.taken === study.value!.wanted,
)
const { trouble, submit } = useSubmit()
async function end(ended: boolean) {
  const now = await submit(() => callApi(studies.end, { params, body: { ended } }))
  if (now) study.value = now
}
/** A study that was ended with readings missing may go on. */
const mayGoOn = computed(
  () => study.value!.endedOn !== null && study.value!.taken < study.value!.wanted,
)
</script>

<template>
  <main class="mx-auto max-w-5xl px-4 py-6 sm:px-6">
    <LoadTrouble v-if="error || !study || !tester" :error />
    <template v-else>
      <p class="text-faded">
        <NuxtLink :to="`/equipment/testers/${tester.id}`" class="underline underline-offset-4">{{
          tester.name
        }}</NuxtLink>
        · {{ t('study.begun', { day: formatDate(study.begunOn, true) }) }}
      </p>
      <h1 class="pb-1 text-[26px] sm:text-[40px]">
        {{ t('study.studyOf', { name: tester.name }) }}
      </h1>
      <div class="pb-3 sm:pb-5">
        <p class="text-lg" data-test="progress">
          {{ t('study.progress', { taken: study.taken, count: study.wanted }) }}
        </p>
        <div
          class="mt-1 h-2 max-w-md bg-line"
          role="progressbar"
          aria-valuemin="0"
          :aria-valuenow="study.taken"
          :aria-valuemax="study.wanted"
          :aria-label="t('study.progress', { taken: study.taken, count: study.wanted })"
        >
          <div
            class="h-full bg-leaf"
            :style="{ width: `${(100 * study.taken) / study.wanted}%` }"
          />
        </div>
      </div>
      <StudyFloor v-if="!isOver" :study :names @taken="study = $event" />
      <AlertLine :text="trouble" />
      <div class="flex flex-wrap gap-3 py-5 print:hidden">
        <button v-if="!isOver" type="button" class="button" @click="end(true)">
          {{ t('study.endHere') }}
        </button>
        <button v-if="mayGoOn" type="button" class="button button-lead" @click="end(false)">
          {{ t('study.goOn') }}
        </button>
        <a
          v-if="parts.length"
          class="button"
          :class="{ 'button-lead': isOver && !mayGoOn }"
          :href="`/api/studies/${study.id}/certificate`"
          target="_blank"
          >{{ t('study.certificate') }}</a
        >
      </div>
      <p v-if="!parts.length" class="text-lg text-faded">{{ t('study.nothingYet') }}</p>
      <section v-for="part in parts" :key="part.key" class="pb-8" :data-test="`part-${part.key}`">
        <h2 class="border-b-2 border-ink pb-1 text-2xl">{{ part.title }}</h2>
        <StudyResults
          class="pt-3"
          :results="part.results"
          :skill="part.skill"
          :names="study.subjects"
          :label="part.title"
        />
      </section>
      <p v-if="parts.length" class="max-w-3xl text-faded">{{ t('study.whatStandsFor') }}</p>
    </template>
  </main>
</template>
