<script setup lang="ts">
import { isSkinfold, nextInStudy, type StudyStep } from '#core'
import { v4 as newId } from 'uuid'
import type { StudyView } from '#shared/contract/studies'
import { studies } from '~/contract'

/**
 * The guided measuring of a study: whose turn it is, where, and which pass. What was read on the first pass is shown to
 * nobody, this page included.
 */
const { study, names } = defineProps<{
  study: StudyView
  /** Of testers, by their ids. */ names: Record<string, string>
}>()
const emit = defineEmits<{ taken: [study: StudyView] }>()

const testers = computed(() =>
  [study.testerId, study.referenceId].filter((id): id is string => id !== null),
)
const design = computed(() => ({
  ...{ testers: testers.value, sites: study.sites, order: study.order },
}))
const inHand = ref<number>()
/** The reading taken last, which may be typed again, and whether it is. */
const taken = ref<StudyStep>()
const isAgain = ref(false)
const stepOf = (tester: string) => nextInStudy(design.value, study.in, tester, inHand.value)
/** Who measures on this screen: whoever was begun and is not done. */
const who = ref(testers.value.find(stepOf) ?? testers.value[0]!)
const step = computed(() => (isAgain.value ? taken.value : stepOf(who.value)))
watch(step, (now) => {
  if (now) return
  inHand.value = undefined
  who.value = testers.value.find(stepOf) ?? who.value
})

const text = ref('')
const problem = ref('')
const unit = useLengthUnit()
const pad = useKeypad()
const field = useTemplateRef<HTMLInputElement>('field')
const focus = () => void nextTick(() => field.value?.focus())
onMounted(focus)
watch([step, inHand], focus)
watch(who, () => (isAgain.value = false))

const guide = computed(
  () =>
    step.value && siteGuide({ standard: study.standard, wording: {} }, step.value.site, 'female'),
)
const subject = computed(() => step.value && study.subjects[step.value.subject]!)
const fold = computed(() => step.value !== undefined && isSkinfold(step.value.site))
/** The readings of who was just finished, which may be seen now. */
const last = ref<{ subject: number; tester: string }>()
const shown = computed(() =>
  study.rows.filter(
    (row) => row.subject === last.value?.subject && row.tester === last.value.tester,
  ),
)

const { busy, trouble, submit } = useSubmit()
/** The reading under way keeps its id until it is in, so that sending it again keeps it once. */
let sending: { box: string; id: string } | undefined
async function take() {
  if (!step.value || busy.value) return
  const { tester: testerId, ...box } = step.value
  const { typed, problem: wrong } = readSite(box.site, text.value, unit.value)
  problem.value = wrong ?? ''
  if (!typed || wrong) return
  const key = JSON.stringify([step.value, typed.text])
  if (sending?.box !== key) sending = { box: key, id: newId() }
  const body = {
    ...{ ...box, id: sending.id, testerId, value: typed.value },
    ...{ typedUnit: typed.unit, typedText: typed.text },
  }
  const now = await submit(() => callApi(studies.take, { params: { id: study.id }, body }))
  if (!now) return focus()
  text.value = ''
  taken.value = { ...box, tester: testerId }
  isAgain.value = false
  const done = now.in.filter((one) => one.subject === box.subject && one.tester === testerId).length
  if (done === 2 * study.sites.length) {
    last.value = { subject: box.subject, tester: testerId }
    inHand.value = undefined
  }
  emit('taken', now)
}
const leftOf = (subjectNumber: number) =>
  2 * study.sites.length -
  study.in.filter((one) => one.subject === subjectNumber && one.tester === who.value).length
</script>

<template>
  <div
    v-if="step && guide"
    class="grid gap-x-10 lg:grid-cols-[1fr_280px]"
    :class="{ 'beside-dock': pad }"
  >
    <section>
      <ChoiceRow
        v-if="testers.length > 1"
        v-model="who"
        :label="t('study.whoMeasures')"
        compact
        :options="testers.map((id) => ({ value: id, name: names[id] ?? '' }))"
      />
      <p class="pt-2 text-lg" data-test="subject">
        <strong>{{ subject }}</strong>
        · {{ step.trial === 1 ? t('study.firstPass') : t('study.secondPass') }} ·
        {{
          t('study.siteOf', {
            site: study.sites.indexOf(step.site) + 1,
            count: study.sites.length,
          })
        }}
      </p>
      <h2 class="pb-1 text-[34px] sm:text-[56px]" data-test="site">{{ guide.name }}</h2>
      <p class="max-w-xl text-lg max-sm:text-base">{{ guide.where }} {{ guide.how }}</p>
      <form class="flex flex-wrap items-end gap-x-5 gap-y-2 pt-4" novalidate @submit.prevent="take">
        <label for="study-reading" class="sr-only">
          {{ t('study.readingOf', { site: guide.name, subject: subject! }) }}
        </label>
        <input
          id="study-reading"
          ref="field"
          v-model="text"
          :inputmode="pad ? 'none' : 'decimal'"
          enterkeyhint="next"
          autocomplete="off"
          maxlength="12"
          class="figure h-[76px] w-[190px] border-0 border-b-[6px] border-ink bg-board px-3 text-right text-[64px] leading-none caret-leaf sm:h-[120px] sm:w-[280px] sm:text-[110px]"
          :aria-invalid="!!problem"
          aria-describedby="study-problem"
        />
        <span v-if="fold" class="figure pb-2 text-[40px] text-faded">mm</span>
        <ChoiceRow
          v-else
          v-model="unit"
          :label="t('study.unitTape')"
          hide-label
          :options="LENGTH_UNITS"
        />
      </form>
      <p v-if="problem" id="study-problem" role="alert" class="pt-2 font-bold text-clay">
        {{ problem }}
      </p>
      <AlertLine :text="trouble" />
      <button
        v-if="taken && taken.tester === who"
        type="button"
        class="min-h-11 pt-2 underline"
        @click="isAgain = !isAgain"
      >
        {{
          isAgain
            ? t('study.leaveAsTyped')
            : t('study.typeAgain', {
                site: nameOf(taken.site),
                subject: study.subjects[taken.subject]!,
              })
        }}
      </button>
      <p class="pt-3 text-faded max-sm:pt-1 max-sm:text-sm">{{ t('study.hidden') }}</p>
      <div v-if="shown.length" class="pt-4" data-test="last-subject">
        <p class="font-bold">
          {{ t('study.bothOf', { subject: study.subjects[last!.subject]! }) }}
        </p>
        <ul class="flex flex-wrap gap-x-5">
          <li v-for="row in shown" :key="row.site">
            {{ nameOf(row.site) }}
            <span class="figure text-[19px]">{{
              row.trials.map((of) => fixed(of, 1)).join(' · ')
            }}</span>
          </li>
        </ul>
      </div>
    </section>
    <aside class="max-lg:pt-6">
      <h3 class="border-b-2 border-ink pb-1 text-xl">{{ t('study.subjects') }}</h3>
      <ul class="max-h-[440px] overflow-y-auto" :aria-label="t('study.subjects')">
        <li v-for="number in study.order" :key="number" class="border-b border-line">
          <button
            type="button"
            class="flex min-h-11 w-full items-center justify-between gap-3 text-left"
            :class="{ 'font-bold': number === step.subject }"
            :disabled="leftOf(number) === 0"
            :aria-current="number === step.subject || undefined"
            @click="((isAgain = false), (inHand = number))"
          >
            <span class="break-words">{{ study.subjects[number] }}</span>
            <span class="whitespace-nowrap" :class="leftOf(number) ? 'text-faded' : 'text-leaf'">
              {{ leftOf(number) ? t('study.left', { count: leftOf(number) }) : t('study.done') }}
            </span>
          </button>
        </li>
      </ul>
    </aside>
  </div>
  <div
    v-if="step && pad"
    class="dock max-sm:bottom-[calc(3.5rem+env(safe-area-inset-bottom))] lg:bg-transparent!"
  >
    <KeyPad
      :signs="!fold && unit === 'in' ? INCH_SIGNS : []"
      @type="text += $event"
      @back="text = text.slice(0, -1)"
      @enter="take"
    />
  </div>
</template>
