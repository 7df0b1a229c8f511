<script setup lang="ts">
import { CONDITIONS, PROTOCOLS, readingsAtLeast, type ConditionId, type TypedUnit } from '#core'

const emit = defineEmits<{ begin: [] }>()

const store = useCheckInStore()
const { view, client, checkIn, protocol, last, byOthers } = storeToRefs(store)
const testerName = computed(
  () => view.value!.gym.testers.find(({ id }) => id === checkIn.value!.testerId)?.name,
)

/* Started by mistake, and nothing measured: it can be thrown away. */
const { trouble, submit } = useSubmit()
async function discard() {
  const { id } = client.value!
  await submit(() => store.discard())
  if (!trouble.value) await navigateTo(`/clients/${id}`)
}
const { recommendation, advised, against, screeningOld, overdue, outNow } = useAdvice()

const begin = useTemplateRef<HTMLButtonElement>('begin')
onMounted(() => begin.value?.focus({ preventScroll: true }))

const options = computed(() => {
  const { sex } = client.value!
  const named = PROTOCOLS.map(({ id, name, folds, girths, bones, foldTrials, girthTrials }) => {
    const parts = [
      ['checkIn.foldReadings', folds[sex].length * readingsAtLeast(foldTrials)],
      ['checkIn.girthReadings', girths[sex].length * readingsAtLeast(girthTrials)],
      ['checkIn.boneReadings', bones[sex].length * readingsAtLeast(girthTrials)],
    ] as const
    const said = parts.flatMap(([key, count]) => (count ? [t(key, { count })] : []))
    return { value: id, name: tell(name), detail: said.join(', ') }
  })
  const own = view.value!.gym.ownProtocols.map(({ id, name, folds, girths, bones, ...own }) => {
    const readings =
      folds.length * readingsAtLeast(own.foldTrials) +
      (girths.length + (bones?.length ?? 0)) * readingsAtLeast(own.girthTrials)
    return { value: id, name, detail: t('checkIn.readingsOwn', { count: readings }) }
  })
  return [...named, ...own]
})
const known = computed(() => Object.keys(last.value).length > 0)
const chosen = computed({
  get: () => checkIn.value!.protocolId,
  set: (protocolId) => {
    store.choose(protocolId)
  },
})

const facts = computed(() => {
  const { sex, heightCm, heightUnit } = client.value!
  const height =
    heightCm === null
      ? t('checkIn.noHeight')
      : formatAsTyped(heightCm, (heightUnit ?? 'cm') as TypedUnit)
  return `${sexText(sex)}, ${ageText(client.value!, checkIn.value!.measuredOn)}, ${height}`
})
const consent = computed(() => checkIn.value!.consent)

const chips = computed(() =>
  tellAll(CONDITIONS).filter(({ id }) => id !== 'cycle' || client.value!.cycleWanted),
)
const conditions = computed(() => checkIn.value!.conditions)
function condition(id: ConditionId | 'notes' | 'feels', value: string | undefined) {
  store.updateCheckIn({ conditions: { [id]: value || null } })
}
const before = computed(() => view.value!.earlier[0]?.conditions)
const differences = computed(() =>
  before.value ? conditionDifferences(before.value, conditions.value) : [],
)
const warnings = computed(() => conditionWarnings(conditions.value))
/** How it felt last time it was said, so that the line is followed. */
const feltBefore = computed(() => view.value!.earlier.find((c) => c.conditions.feels))

function asLastTime() {
  const { notes: _, feels: _feels, ...chips } = before.value!
  store.updateCheckIn({ conditions: chips })
}

const tools = computed(() => {
  const { testers, instruments } = view.value!.gym
  const of = (kind: string) => instruments.filter((i) => i.kind === kind)
  return [
    { key: 'testerId', label: t('checkIn.tester'), options: testers },
    { key: 'caliperId', label: t('checkIn.caliper'), options: of('caliper') },
    { key: 'tapeId', label: t('checkIn.tape'), options: of('tape') },
    { key: 'boneCaliperId', label: t('checkIn.boneCaliperTool'), options: of('bone-caliper') },
    { key: 'scaleId', label: t('checkIn.scale'), options: of('scale') },
  ] as const
})
/** A bone caliper only where bones are measured. */
const shownTools = computed(() =>
  tools.value.filter(
    ({ key }) => key !== 'boneCaliperId' || protocol.value.bones[client.value!.sex].length > 0,
  ),
)
interface Tool {
  id: string
  name: string
  retired: boolean
}
const inUse = (all: readonly Tool[], chosenId: string | null) =>
  all.filter(({ id, retired }) => !retired || id === chosenId)

/** The caliper in hand, for a look at whether it reads nothing closed. */
const caliper = computed(() =>
  view.value!.gym.instruments.find(({ id }) => id === checkIn.value!.caliperId),
)

const otherSetup = computed(() => {
  const { anotherTester, anotherCaliper } = store.changedSetup
  if (anotherTester && anotherCaliper) return t('checkIn.otherTesterAndCaliper')
  if (anotherTester) return t('checkIn.otherTester')
  return anotherCaliper ? t('checkIn.otherCaliper') : ''
})
</script>

<template>
  <div class="mx-auto w-full max-w-6xl flex-1 px-4 py-5 sm:px-6">
    <div class="flex flex-wrap items-end justify-between gap-x-6">
      <div>
        <p class="text-faded">{{ facts }}</p>
        <h2 class="text-[40px]">{{ client!.name }}</h2>
      </div>
      <p v-if="checkIn!.fromPaper" class="border-2 border-line bg-board px-3 py-1">
        {{
          t('checkIn.fromPaperSheetMeasuredon', {
            measuredOn: formatDate(checkIn!.measuredOn, true),
          })
        }}
      </p>
    </div>
    <CautionList :cautions="tellAll(recommendation.cautions)" class="pt-3" />
    <p v-if="screeningOld" class="pt-3">
      {{ t('checkIn.screeningOld') }}
      <NuxtLink :to="`/clients/${client!.id}#screening`" class="underline">{{
        t('checkIn.reviewScreening')
      }}</NuxtLink>
    </p>

    <div class="grid gap-x-10 gap-y-6 pt-4 lg:grid-cols-2">
      <div class="space-y-5">
        <ReadToClient />

        <section aria-labelledby="conditions">
          <h3
            id="conditions"
            class="flex items-end justify-between border-b-2 border-ink pb-1 text-xl"
          >
            {{ t('checkIn.conditions') }}
            <button
              v-if="before && Object.keys(before).length"
              type="button"
              class="min-h-11 font-text text-base underline"
              @click="asLastTime"
            >
              {{ t('checkIn.asLastTime') }}
            </button>
          </h3>
          <div class="space-y-2 pt-2">
            <ChipRow
              v-for="{ id, label, options: chipOptions } in chips"
              :key="id"
              :label
              :options="chipOptions"
              :model-value="conditions[id]"
              @update:model-value="condition(id, $event)"
            />
            <KeptLine
              id="notes"
              :label="t('checkIn.notes')"
              maxlength="500"
              :kept="conditions.notes"
              @keep="condition('notes', $event)"
            />
            <KeptLine
              id="feels"
              :label="t('checkIn.clothesMood')"
              maxlength="200"
              :placeholder="t('checkIn.howClothesFitHowFeels')"
              :kept="conditions.feels"
              @keep="condition('feels', $event)"
            />
            <p v-if="feltBefore" class="text-faded" data-test="felt-before">
              {{ formatDate(feltBefore.measuredOn) }}: “{{ feltBefore.conditions.feels }}”
            </p>
          </div>
          <ul v-if="warnings.length" class="pt-2" data-test="warnings">
            <li v-for="warning in warnings" :key="warning" class="mb-1 caution">{{ warning }}</li>
          </ul>
          <ul v-if="differences.length" class="pt-2" data-test="differences">
            <li v-for="difference in differences" :key="difference" class="flex gap-2 text-clay">
              <span aria-hidden="true">≠</span>{{ difference }}
            </li>
          </ul>
        </section>
      </div>

      <div class="space-y-5">
        <section aria-labelledby="with">
          <h3 id="with" class="border-b-2 border-ink pb-1 text-xl">
            {{ t('checkIn.whoWhat') }}
            <AboutTerm term="tester" />
          </h3>
          <div class="grid grid-cols-2 gap-x-4 gap-y-2 pt-2">
            <div v-for="tool in shownTools" :key="tool.key">
              <label :for="tool.key" class="text-faded">{{ tool.label }}</label>
              <select
                :id="tool.key"
                class="field"
                :value="checkIn![tool.key] ?? ''"
                @change="
                  store.updateCheckIn({
                    [tool.key]: ($event.target as HTMLSelectElement).value || null,
                  })
                "
              >
                <option
                  v-for="option in inUse(tool.options, checkIn![tool.key])"
                  :key="option.id"
                  :value="option.id"
                >
                  {{ option.name }}
                </option>
                <option v-if="tool.key !== 'testerId'" value="">{{ t('checkIn.none') }}</option>
              </select>
              <p
                v-if="tool.key !== 'testerId' && overdue(checkIn![tool.key])"
                class="text-clay"
                data-test="overdue"
              >
                {{ overdue(checkIn![tool.key]) }}
              </p>
              <p
                v-if="tool.key !== 'testerId' && outNow(checkIn![tool.key])"
                class="font-bold text-clay"
                data-test="out"
              >
                {{ outNow(checkIn![tool.key]) }}
              </p>
            </div>
          </div>
          <ZeroCheck
            v-if="caliper && !checkIn!.fromPaper"
            class="pt-2"
            :instrument="caliper"
            :today="checkIn!.measuredOn"
          />
          <p v-if="otherSetup" class="pt-2 text-clay">{{ otherSetup }}</p>
          <p v-if="byOthers.length" class="pt-2" data-test="credited">
            {{ t('checkIn.creditedToAnother', { count: byOthers.length }) }}
            <button type="button" class="button ml-1" @click="store.creditToTester()">
              {{ t('checkIn.creditTestername', { testerName }) }}
            </button>
          </p>
          <p class="pt-1">
            <NuxtLink to="/equipment" class="underline">{{
              t('checkIn.addEditCheckInstruments')
            }}</NuxtLink>
            ·
            <a :href="`/caller/${checkIn!.id}`" target="_blank" class="underline">{{
              t('checkIn.callerSViewAnotherScreen')
            }}</a>
          </p>
        </section>

        <section aria-labelledby="protocol">
          <h3 id="protocol" class="border-b-2 border-ink pb-1 text-xl">
            {{ t('checkIn.protocol') }}
            <AboutTerm term="protocol" />
          </h3>
          <p v-if="advised" class="py-2" data-test="advice">
            <strong>{{ t('checkIn.advised', { protocol: advised.name }) }}</strong>
            {{ tell(advised.reason) }}
            <button
              v-if="advised.id !== chosen"
              type="button"
              class="button ml-1"
              @click="chosen = advised.id"
            >
              {{ t('checkIn.take2') }}
            </button>
          </p>
          <p v-else class="py-2 font-bold text-clay">
            {{ t('checkIn.noSetAdvisedBeforeAbove') }}
          </p>
          <p v-if="against && advised" class="pb-2 text-clay">
            {{ tell(protocol.name) }}: {{ tell(against) }}
          </p>
          <ChoiceRow v-model="chosen" :label="t('checkIn.protocol')" hide-label compact :options />
          <p class="pt-2 text-faded">
            {{ tell(protocol.when) }} {{ standardName(protocol.standard) }}.
            <AboutTerm term="standard" />
            {{
              known ? t('checkIn.whatEachSiteReadLast') : t('checkIn.thereNothingCompareTheseSites')
            }}
          </p>
        </section>
      </div>
    </div>
  </div>
  <div
    class="sticky bottom-0 border-t border-line bg-chalk px-4 pt-3 pb-[calc(0.75rem+env(safe-area-inset-bottom))] sm:px-6"
  >
    <div class="mx-auto flex max-w-6xl flex-wrap items-center gap-x-6 gap-y-2">
      <button ref="begin" type="button" class="button button-lead" @click="emit('begin')">
        {{ t('checkIn.landmarks') }}
      </button>
      <span v-if="differences.length" class="text-clay">
        <span aria-hidden="true">≠ </span>{{ differences[0] }}
        <template v-if="differences.length > 1">{{
          t('checkIn.andMore', { count: differences.length - 1 })
        }}</template>
      </span>
      <button
        v-if="store.readings.length === 0 && !checkIn!.closedAt"
        type="button"
        class="button ml-auto"
        @click="discard"
      >
        {{ t('checkIn.discardThisCheck') }}
      </button>
      <AlertLine :text="trouble" />
      <!-- Nobody is asked today whether they agreed to a sheet of last March. -->
      <span v-if="!consent && !checkIn!.fromPaper" class="text-clay">
        {{ t('checkIn.noConsent') }} <kbd class="key">C</kbd>
      </span>
    </div>
  </div>
</template>
