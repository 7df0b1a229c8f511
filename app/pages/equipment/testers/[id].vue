<script setup lang="ts">
import {
  agreementsOfPairs,
  blendedRepeatError,
  learningCurve,
  temOfPairs,
  unitOfSite,
  usualRepeatError,
  type SiteId,
} from '#core'
import { gym as gymRoutes, studies } from '~/contract'

await breathe()

const route = useRoute()
const params = { id: String(route.params.id) }
const [{ data, error }, { data: gym }] = await Promise.all([
  useAsyncData(`tester-${params.id}`, () => callApi(studies.tester, { params })),
  useAsyncData('gym', () => callApi(gymRoutes.view, {})),
])
await breathe()
usePageTitle(() => data.value?.tester.name ?? t('equipment.testers'))

const tester = computed(() => data.value!.tester)
const SOURCES = [
  { value: 'studies' as const, name: t('study.fromStudies') },
  { value: 'checkIns' as const, name: t('study.fromCheckIns') },
]
const source = ref<'studies' | 'checkIns'>(
  data.value?.fromStudies.length || !data.value?.fromCheckIns.length ? 'studies' : 'checkIns',
)
const pairs = computed(() =>
  source.value === 'studies' ? data.value!.fromStudies : data.value!.fromCheckIns,
)
const results = computed(() => agreementsOfPairs(tester.value.name, pairs.value))
const all = computed(() => [...data.value!.fromStudies, ...data.value!.fromCheckIns])
const curve = computed(() => learningCurve(all.value))

/** What every verdict counts with at each site: the usual error, and this tester's own by how much is known. */
const errors = computed(() =>
  [...new Set(all.value.map(({ site }) => site))].map((site: SiteId) => {
    const mine = all.value.filter((pair) => pair.site === site)
    const own = temOfPairs(mine.map(({ first, second }) => [first, second]))
    const usual = usualRepeatError(site, tester.value.skill)
    return {
      ...{ site, pairs: mine.length, own, usual, unit: unitOfSite(site) },
      used: blendedRepeatError(own, mine.length, usual),
    }
  }),
)
const beginning = ref(false)
</script>

<template>
  <main class="mx-auto max-w-5xl px-4 py-6 sm:px-6">
    <LoadTrouble v-if="error || !data || !gym" :error />
    <template v-else>
      <p class="text-faded">
        <NuxtLink to="/equipment" class="underline underline-offset-4">{{
          t('equipment.equipment')
        }}</NuxtLink>
        · {{ t(`study.skills.${tester.skill}`) }}
      </p>
      <h1 class="pb-1 text-[40px]">{{ t('study.howSteady', { name: tester.name }) }}</h1>
      <p class="max-w-3xl pb-5 text-lg">{{ t('study.whyStudy') }}</p>

      <section class="pb-8">
        <ListHead :name="t('study.studies')" :add="t('study.newOne')" @add="beginning = true" />
        <p v-if="!data.studies.length" class="pt-2 text-faded">{{ t('study.noneYet') }}</p>
        <ul>
          <li
            v-for="study in data.studies"
            :key="study.id"
            class="flex flex-wrap items-center gap-x-4 border-b border-line py-2"
          >
            <div class="min-w-52 flex-1">
              <TitleLink :to="`/equipment/studies/${study.id}`">
                {{ t('study.begun', { day: formatDate(study.begunOn, true) }) }}
              </TitleLink>
              <p class="text-faded">
                {{
                  t('study.ofSites', { sites: study.sites.length, count: study.subjects.length })
                }}
              </p>
            </div>
            <p v-if="study.taken < study.wanted && !study.endedOn" class="font-bold text-clay">
              {{ t('study.underWay', { taken: study.taken, count: study.wanted }) }}
            </p>
            <p v-else class="text-leaf">{{ t('study.complete') }}</p>
          </li>
        </ul>
      </section>

      <section v-if="all.length" class="pb-8">
        <h2
          class="flex flex-wrap items-end justify-between gap-3 border-b-2 border-ink pb-1 text-2xl"
        >
          {{ t('study.twiceMeasured') }}
        </h2>
        <ChoiceRow
          v-if="data.fromStudies.length && data.fromCheckIns.length"
          v-model="source"
          class="pt-3"
          :label="t('study.source')"
          hide-label
          compact
          :options="SOURCES"
        />
        <p class="py-2 text-faded">
          {{ source === 'studies' ? t('study.blind') : t('study.notBlind') }}
        </p>
        <StudyResults
          :key="source"
          :results
          :skill="tester.skill"
          :label="t('study.twiceMeasured')"
        />
      </section>

      <section v-if="errors.length" class="pb-8">
        <h2 class="border-b-2 border-ink pb-1 text-2xl">{{ t('study.inVerdicts') }}</h2>
        <p class="py-2">{{ t('study.inVerdictsSaid') }}</p>
        <ScrollTable :label="t('study.inVerdicts')">
          <TableHead
            :columns="[
              t('study.pairs'),
              t('study.ownError'),
              t('study.usualError'),
              t('study.counts'),
            ]"
            wide
          />
          <tbody>
            <tr v-for="one in errors" :key="one.site" class="border-b border-line">
              <th scope="row" class="py-1 pr-2 font-normal">{{ nameOf(one.site) }}</th>
              <td class="figure pl-6 text-right text-[19px]">{{ one.pairs }}</td>
              <td class="figure pl-6 text-right text-[19px]">{{ fixed(one.own, 2) }}</td>
              <td class="figure pl-6 text-right text-[19px]">{{ fixed(one.usual, 2) }}</td>
              <td class="figure pl-6 text-right text-[19px] font-bold whitespace-nowrap">
                {{ fixed(one.used, 2) }} {{ one.unit }}
              </td>
            </tr>
          </tbody>
        </ScrollTable>
      </section>

      <section v-if="curve.length > 1" class="pb-8">
        <h2 class="border-b-2 border-ink pb-1 text-2xl">{{ t('study.learning') }}</h2>
        <p class="py-2">{{ t('study.learningSaid') }}</p>
        <LearningChart :curve />
      </section>
      <StudyForm :gym :tester :open="beginning" @close="beginning = false" />
    </template>
  </main>
</template>
