<script setup lang="ts">
import {
  ageText,
  conditionDifferences,
  conditionWarnings,
  CONDITIONS,
  formatAsTyped,
  formatDate,
  PROTOCOLS,
  LANDMARK_STANDARD_NAMES,
  readingsAtLeast,
  type ConditionId,
  type TypedUnit,
} from '#core'

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
const { recommendation, advised, against, screeningOld, overdue } = useAdvice()

const begin = useTemplateRef<HTMLButtonElement>('begin')
onMounted(() => begin.value?.focus({ preventScroll: true }))

const options = computed(() => {
  const { sex } = client.value!
  const named = PROTOCOLS.map(({ id, name, folds, girths, foldTrials, girthTrials }) => {
    const parts = [
      [folds[sex].length * readingsAtLeast(foldTrials), 'fold'],
      [girths[sex].length * readingsAtLeast(girthTrials), 'girth'],
    ].flatMap(([count, what]) => (count ? [`${count} ${what} readings`] : []))
    return { value: id, name, detail: parts.join(', ') }
  })
  const own = view.value!.gym.ownProtocols.map(({ id, name, folds, girths, ...own }) => {
    const readings =
      folds.length * readingsAtLeast(own.foldTrials) +
      girths.length * readingsAtLeast(own.girthTrials)
    return { value: id, name, detail: `${readings} readings, your own` }
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
    heightCm === null ? 'no height' : formatAsTyped(heightCm, (heightUnit ?? 'cm') as TypedUnit)
  return `${sex}, ${ageText(client.value!, checkIn.value!.measuredOn)}, ${height}`
})
const consent = computed(() => checkIn.value!.consent)

const chips = computed(() =>
  CONDITIONS.filter(({ id }) => id !== 'cycle' || client.value!.cycleWanted),
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
    { key: 'testerId', label: 'Tester', options: testers },
    { key: 'caliperId', label: 'Caliper', options: of('caliper') },
    { key: 'tapeId', label: 'Tape', options: of('tape') },
    { key: 'scaleId', label: 'Scale', options: of('scale') },
  ] as const
})
interface Tool {
  id: string
  name: string
  retired: boolean
}
const inUse = (all: readonly Tool[], chosenId: string | null) =>
  all.filter(({ id, retired }) => !retired || id === chosenId)

const otherSetup = computed(() => {
  const { anotherTester, anotherCaliper } = store.changedSetup
  const who = [...(anotherTester ? ['tester'] : []), ...(anotherCaliper ? ['caliper'] : [])]
  return who.length
    ? `Another ${who.join(' and another ')} than last time: a change has to be one and a half times as large to be told.`
    : ''
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
        From a paper sheet of {{ formatDate(checkIn!.measuredOn, true) }}
      </p>
    </div>
    <CautionList :cautions="recommendation.cautions" class="pt-3" />
    <p v-if="screeningOld" class="pt-3">
      The private screening is older than half a year:
      <NuxtLink :to="`/clients/${client!.id}#screening`" class="underline"
        >look through it</NuxtLink
      >
      when there is a quiet moment.
    </p>

    <div class="grid gap-x-10 gap-y-6 pt-4 lg:grid-cols-2">
      <div class="space-y-5">
        <ReadToClient />

        <section aria-labelledby="conditions">
          <h3
            id="conditions"
            class="flex items-end justify-between border-b-2 border-ink pb-1 text-xl"
          >
            Conditions
            <button
              v-if="before && Object.keys(before).length"
              type="button"
              class="min-h-11 font-text text-base underline"
              @click="asLastTime"
            >
              as last time
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
              label="Notes"
              maxlength="500"
              :kept="conditions.notes"
              @keep="condition('notes', $event)"
            />
            <KeptLine
              id="feels"
              label="Clothes, mood"
              maxlength="200"
              placeholder="how clothes fit, how it feels"
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
          <h3 id="with" class="border-b-2 border-ink pb-1 text-xl">Who and with what</h3>
          <div class="grid grid-cols-2 gap-x-4 gap-y-2 pt-2">
            <div v-for="tool in tools" :key="tool.key">
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
                <option v-if="tool.key !== 'testerId'" value="">none</option>
              </select>
              <p
                v-if="tool.key !== 'testerId' && overdue(checkIn![tool.key])"
                class="text-clay"
                data-test="overdue"
              >
                {{ overdue(checkIn![tool.key]) }}
              </p>
            </div>
          </div>
          <p v-if="otherSetup" class="pt-2 text-clay">{{ otherSetup }}</p>
          <p v-if="byOthers.length" class="pt-2" data-test="credited">
            {{ byOthers.length }}
            {{ byOthers.length === 1 ? 'reading is' : 'readings are' }} credited to another tester.
            <button type="button" class="button ml-1" @click="store.creditToTester()">
              Credit to {{ testerName }}
            </button>
          </p>
          <p class="pt-1">
            <NuxtLink to="/equipment" class="underline">Add, edit and check instruments</NuxtLink> ·
            <a :href="`/caller/${checkIn!.id}`" target="_blank" class="underline"
              >caller’s view for another screen</a
            >
          </p>
        </section>

        <section aria-labelledby="protocol">
          <h3 id="protocol" class="border-b-2 border-ink pb-1 text-xl">Protocol</h3>
          <p v-if="advised" class="py-2" data-test="advice">
            <strong>Advised: {{ advised.name.toLowerCase() }}.</strong>
            {{ advised.reason }}
            <button
              v-if="advised.id !== chosen"
              type="button"
              class="button ml-1"
              @click="chosen = advised.id"
            >
              Take it
            </button>
          </p>
          <p v-else class="py-2 font-bold text-clay">
            No set is advised before the above is clear.
          </p>
          <p v-if="against && advised" class="pb-2 text-clay">{{ protocol.name }}: {{ against }}</p>
          <ChoiceRow v-model="chosen" label="Protocol" hide-label compact :options />
          <p class="pt-2 text-faded">
            {{ protocol.when }} {{ LANDMARK_STANDARD_NAMES[protocol.standard] }}.
            {{
              known
                ? 'What each site read last time stands beside it.'
                : 'There is nothing to compare these sites with yet.'
            }}
          </p>
        </section>
      </div>
    </div>
  </div>
  <div class="sticky bottom-0 border-t border-line bg-chalk px-4 py-3 sm:px-6">
    <div class="mx-auto flex max-w-6xl flex-wrap items-center gap-x-6 gap-y-2">
      <button ref="begin" type="button" class="button button-lead" @click="emit('begin')">
        On to the landmarks
      </button>
      <span v-if="differences.length" class="text-clay">
        <span aria-hidden="true">≠ </span>{{ differences[0]
        }}{{ differences.length > 1 ? ` And ${differences.length - 1} more.` : '' }}
      </span>
      <button
        v-if="store.readings.length === 0 && !checkIn!.closedAt"
        type="button"
        class="button ml-auto"
        @click="discard"
      >
        Discard this check-in
      </button>
      <AlertLine :text="trouble" />
      <span v-if="!consent" class="text-clay">Nobody has agreed yet: <kbd class="key">C</kbd></span>
    </div>
  </div>
</template>
