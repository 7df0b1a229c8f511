<script setup lang="ts">
import {
  nextFold,
  nextGirth,
  protocolOf,
  readingsInForce,
  schemeOf,
  standardWithin,
  trialsOf,
  wantsAnotherTrial,
  kindOfSite,
  nextBone,
} from '#core'
import { followStream } from '~/features/check-in/live'
import { theOutbox } from '~/features/check-in/log'
import { withReadings } from '~/features/check-in/operations'
import { callerViewSchema, type CallerView } from '#shared/contract/check-ins'
import { checkIns } from '~/contract'

definePageMeta({ layout: false })

const route = useRoute()
const id = String(route.params.id)

const view = ref<CallerView>()
const trouble = ref('')
const live = ref(false)
const lengthUnit = useLengthUnit()

usePageTitle(() => t('caller.callerView'))

let stop: (() => void) | undefined

onMounted(async () => {
  try {
    view.value = await callApi(checkIns.caller, { params: { id } })
  } catch (error) {
    trouble.value = (error as Error).message
    return
  }
  stop = followStream(
    `/api/check-ins/${id}/live?for=caller`,
    (state) => {
      const heard = callerViewSchema.safeParse(state)
      if (heard.success) view.value = heard.data
    },
    (open) => (live.value = open),
  )
})
onBeforeUnmount(() => stop?.())

/** With what was typed here and waits for the server. */
const outbox = theOutbox()
const checkIn = computed(
  () => view.value && withReadings(view.value.checkIn, outbox.operations.value),
)
// What the server has taken stays on the screen until the stream tells of it.
const unlisten = outbox.listen(({ operation }) => {
  if (operation.kind !== 'reading' || !view.value) return
  view.value = { ...view.value, checkIn: withReadings(view.value.checkIn, [operation]) }
})
onBeforeUnmount(unlisten)
/** Somebody who types for whoever measures; a coach types in the check-in itself. */
const { me, can, load } = useMe()
const types = computed(() => !!me.value && can('check-ins.type') && !can('check-ins.take'))
onMounted(() => void load().catch(() => {}))

const protocol = computed(() => checkIn.value && protocolOf(checkIn.value))
const skipped = computed(() => new Set(checkIn.value?.skipped.map(({ site }) => site)))
const step = computed(() => {
  if (!view.value || !checkIn.value || !protocol.value) return undefined
  const { client } = view.value
  const args = [protocol.value, client.sex, checkIn.value.readings, skipped.value] as const
  return nextFold(...args) ?? nextGirth(...args) ?? nextBone(...args)
})

const landmark = computed(() => {
  if (!step.value || !protocol.value) return undefined
  const { where, how } = siteGuide(protocol.value, step.value.site, view.value!.client.sex)
  return `${where} ${how}`
})
const mark = computed(() =>
  view.value?.siteNotes.find(
    ({ site, standard }) =>
      site === step.value?.site && standard === standardWithin(site, protocol.value!.standard),
  ),
)

function show(kind: string, value: number): string {
  if (kind === 'skinfold') return `${fixed(value, 1)} mm`
  return formatLength(value, lengthUnit.value)
}

/** What was typed last, so that the one who called can hear a slip. */
const heard = computed(() => {
  const last = checkIn.value?.readings.at(-1)
  if (!last) return undefined
  const name = siteNameIn(protocol.value!, last.site!)
  return {
    name:
      last.trial === 0
        ? t('caller.nameThrownAway', { name })
        : t('checkIn.nameTrialTrial', { name, trial: last.trial }),
    value: show(last.kind, last.value),
    corrected: last.supersedes !== null,
  }
})

const trials = computed(() => {
  if (!step.value || !checkIn.value || !protocol.value) return []
  const { site } = step.value
  return trialsOf(checkIn.value.readings, site, protocol.value).flatMap((value) =>
    value === undefined ? [] : [show(kindOfSite(site), value)],
  )
})
const apart = computed(() => {
  if (!step.value || !checkIn.value || !protocol.value) return false
  const { site } = step.value
  const values = trialsOf(checkIn.value.readings, site, protocol.value)
  return wantsAnotherTrial(values, schemeOf(protocol.value, site))
})
const count = computed(() => readingsInForce(checkIn.value?.readings ?? []).length)
</script>

<template>
  <main class="flex min-h-dvh flex-col bg-ink text-chalk">
    <div v-if="trouble" class="p-8">
      <h1 class="text-4xl">{{ t('checkIn.thisCheckCannotShown') }}</h1>
      <p class="pt-3 text-xl">{{ trouble }}</p>
    </div>
    <template v-else-if="view">
      <p class="flex flex-wrap justify-between gap-4 px-6 pt-4 text-xl">
        <span>{{ t('caller.nameCountReadings', { name: view.client.name, count }) }}</span>
        <span role="status" :class="live ? '' : 'font-bold text-lamp'">
          {{ live ? t('caller.live') : t('caller.waitingServer') }}
        </span>
      </p>
      <section class="flex flex-1 flex-col justify-center px-6 py-4">
        <template v-if="step && !view.checkIn.closedAt">
          <p class="text-2xl">
            {{ t('checkIn.round', { round: step.trial }) }}
            <template v-if="mark?.side === 'left'"> · {{ t('caller.onLeft') }}</template>
            <strong v-if="apart" class="text-lamp"> · {{ t('caller.readingsDiffer') }}</strong>
          </p>
          <h1
            class="text-[clamp(3.5rem,min(15vw,20vh),13rem)] leading-[1.08] break-words"
            data-test="caller-site"
          >
            {{ siteNameIn(protocol!, step.site) }}
          </h1>
          <p class="max-w-4xl pt-3 text-[clamp(1.15rem,min(2.6vw,3.4vh),2rem)]">{{ landmark }}</p>
          <p v-if="mark?.text" class="pt-2 text-[clamp(1.15rem,min(2.6vw,3.4vh),2rem)] text-lamp">
            {{ t('caller.ownMarkText', { text: mark.text }) }}
          </p>
          <p v-if="trials.length" class="figure pt-3 text-[clamp(1.5rem,min(4vw,5vh),3rem)]">
            {{ trials.join(' · ') }}
          </p>
          <CallerEntry v-if="types" :check-in="checkIn!" :step />
        </template>
        <h1 v-else class="text-[clamp(3rem,10vw,8rem)]">
          {{ view.checkIn.closedAt ? t('caller.closed') : t('checkIn.allSites') }}
        </h1>
      </section>
      <section class="border-t-4 border-lamp bg-oak px-6 py-5" aria-live="polite">
        <template v-if="heard">
          <p class="text-xl">
            {{
              heard.corrected
                ? t('caller.heardCorrected', { name: heard.name })
                : t('caller.heard', { name: heard.name })
            }}
          </p>
          <p class="figure text-[clamp(4rem,min(14vw,18vh),10rem)] leading-none" data-test="heard">
            {{ heard.value }}
          </p>
        </template>
        <p v-else class="text-3xl">{{ t('caller.nothingHeardYet') }}</p>
      </section>
    </template>
    <p v-else class="p-8 text-2xl" role="status">{{ t('caller.opening') }}</p>
  </main>
</template>
