<script setup lang="ts">
import { lastDigits, LANDMARK_STANDARDS, type LandmarkStandard } from '#core'
import type { PracticeForm } from '#shared/contract/studies'
import { gym as gymRoutes, studies } from '~/contract'

await breathe()

const { data: gym, error } = await useAsyncData('gym', () => callApi(gymRoutes.view, {}))
await breathe()
usePageTitle(() => t('practice.practice'))

const testers = computed(() => (gym.value?.testers ?? []).filter(({ retired }) => !retired))
const tester = ref(gym.value?.settings.testerId ?? testers.value[0]?.id ?? '')
const { data: rounds } = await useAsyncData(
  'practice',
  () =>
    tester.value
      ? callApi(studies.practice, { params: { id: tester.value } })
      : Promise.resolve([]),
  { watch: [tester] },
)
const KINDS = [
  { value: 'dial' as const, name: t('practice.theDial') },
  { value: 'landmarks' as const, name: t('practice.landmarks') },
]
const kind = ref<'dial' | 'landmarks'>('dial')
const standard = ref<LandmarkStandard>(gym.value?.settings.standard ?? 'us')
const standards = LANDMARK_STANDARDS.filter((one) => one !== 'gym').map((value) => ({
  value,
  name: standardName(value),
}))

const { trouble, submit } = useSubmit()
async function keep(round: PracticeForm) {
  const params = { id: tester.value }
  const now = await submit(() => callApi(studies.keepPractice, { params, body: round }))
  if (now) rounds.value = now
}
const mine = computed(() => (rounds.value ?? []).filter((round) => round.kind === kind.value))
const digits = computed(() => lastDigits(mine.value.flatMap(({ typed }) => typed ?? [])))
const most = computed(() => Math.max(1, ...digits.value.counts))
const read = computed(() => digits.value.counts.reduce((sum, of) => sum + of, 0))
const digitWords = computed(() => {
  const { isUneven, favourites } = digits.value
  if (isUneven === undefined) return t('practice.tooFewDigits', { count: 50 - read.value })
  if (!isUneven) return t('practice.evenDigits')
  return favourites.length
    ? t('practice.favourites', { digits: favourites.join(', ') })
    : t('practice.unevenDigits')
})
</script>

<template>
  <main class="mx-auto max-w-4xl px-4 py-6 sm:px-6">
    <LoadTrouble v-if="error || !gym" :error />
    <template v-else>
      <p class="text-faded">
        <NuxtLink to="/equipment" class="underline underline-offset-4">{{
          t('equipment.equipment')
        }}</NuxtLink>
      </p>
      <h1 class="pb-1 text-[40px]">{{ t('practice.practice') }}</h1>
      <p class="max-w-3xl pb-4 text-lg">{{ t('practice.honest') }}</p>
      <div class="flex flex-wrap items-end gap-x-8 gap-y-3 pb-5">
        <FieldRow id="practice-tester" :label="t('practice.who')">
          <select id="practice-tester" v-model="tester" class="field">
            <option v-for="one in testers" :key="one.id" :value="one.id">{{ one.name }}</option>
          </select>
        </FieldRow>
        <ChoiceRow v-model="kind" :label="t('practice.what')" compact :options="KINDS" />
        <ChoiceRow
          v-if="kind === 'landmarks'"
          v-model="standard"
          :label="t('practice.standard')"
          compact
          :options="standards"
        />
      </div>
      <PracticeDial v-if="kind === 'dial'" @done="keep" />
      <PracticeLandmarks v-else :key="standard" :standard @done="keep" />
      <AlertLine :text="trouble" />
      <section v-if="kind === 'dial'" class="pt-6" data-test="digits">
        <h2 class="border-b-2 border-ink pb-1 text-2xl">{{ t('practice.digits') }}</h2>
        <ol class="flex h-32 max-w-md items-end gap-1 pt-3">
          <li
            v-for="(count, digit) in digits.counts"
            :key="digit"
            class="flex h-full flex-1 flex-col justify-end text-center"
          >
            <span class="figure text-[15px]">{{ count }}</span>
            <span
              class="bg-oak"
              :style="{ height: `${(70 * count) / most}%` }"
              aria-hidden="true"
            />
            <span class="figure border-t border-ink text-[17px]">.{{ digit }}</span>
          </li>
        </ol>
        <p class="pt-2">{{ digitWords }}</p>
      </section>
      <section v-if="mine.length" class="pt-6" data-test="rounds">
        <h2 class="border-b-2 border-ink pb-1 text-2xl">{{ t('practice.scores') }}</h2>
        <ul>
          <li
            v-for="round in [...mine].reverse()"
            :key="round.id"
            class="flex flex-wrap gap-x-5 border-b border-line py-1"
          >
            <span class="w-32">{{ formatDate(round.on, true) }}</span>
            <span class="figure w-28 text-[19px]">
              {{ fixed(round.error, 2) }} {{ round.kind === 'dial' ? 'mm' : 'cm' }}
            </span>
            <span v-if="round.bias !== null && round.late !== null" class="text-faded">
              {{
                t('practice.roundSaid', {
                  bias: signed(round.bias, 2),
                  when: lateText(round.late),
                })
              }}
            </span>
          </li>
        </ul>
      </section>
    </template>
  </main>
</template>
