<script setup lang="ts">
import { INSTRUMENT_UNITS, judgeCheck, plainText, typedNumber, USUAL_POINTS } from '#core'
import { v4 as newId } from 'uuid'
import type { Gym, Instrument } from '#shared/contract/equipment'
import { gym as routes } from '~/contract'

/** What an instrument reads against something known, typed point by point, and judged as it is typed. */
const { instrument = undefined, today } = defineProps<{
  /** None while nothing is checked. */ instrument?: Instrument
  today: string
}>()
const emit = defineEmits<{ close: []; kept: [gym: Gym] }>()

const points = ref<{ known: string; read: string }[]>([])
/** Of the jaws, g/mm², as typed. */
const force = ref('')
watch(
  () => instrument?.id,
  () => {
    force.value = ''
    points.value = instrument
      ? USUAL_POINTS[instrument.kind].map((known) => ({ known: String(known), read: '' }))
      : []
  },
)
const unit = computed(() => instrument && INSTRUMENT_UNITS[instrument.kind])
const number = (text: string) => typedNumber(plainText(text)) ?? NaN
const typedPoints = computed(() =>
  points.value
    .filter(({ known, read }) => known.trim() && read.trim())
    .map(({ known, read }) => ({ known: number(known), read: number(read) })),
)
const verdict = computed(() => {
  const typed = typedPoints.value
  if (!instrument || !typed.length || typed.some((p) => Number.isNaN(p.known + p.read))) return
  return judgeCheck(instrument.kind, typed, instrument.graduation)
})
const { trouble, submit, clear } = useSubmit()
async function keep() {
  const params = { id: instrument!.id }
  const closingForce = force.value.trim() ? number(force.value) : null
  const body = { id: newId(), checkedOn: today, closingForce, points: typedPoints.value }
  const gym = await submit(() => callApi(routes.checkInstrument, { params, body }))
  if (gym) emit('kept', gym)
}
function close() {
  clear()
  emit('close')
}
</script>

<template>
  <AskForm
    :title="t('equipment.checkName', { name: instrument?.name ?? '' })"
    :open="instrument !== undefined"
    :trouble
    :action="t('equipment.keepCheckToday')"
    @close="close"
    @keep="keep"
  >
    <template v-if="instrument">
      <p>
        {{
          {
            caliper: t('equipment.setJawsKnownGapsGauge'),
            tape: t('equipment.layTapeAlongSteelRule'),
            'bone-caliper': t('equipment.setBoneCaliperKnown'),
            scale: t('equipment.putKnownWeightsScale'),
          }[instrument.kind]
        }}
      </p>
      <table class="w-full text-left">
        <thead class="text-faded">
          <tr>
            <th scope="col" class="font-normal">
              {{ t('equipment.knownKind', { kind: unit! }) }}
            </th>
            <th scope="col" class="font-normal">{{ t('equipment.reads') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(point, i) in points" :key="i">
            <td class="py-1 pr-3">
              <input
                v-model="point.known"
                class="field"
                inputmode="decimal"
                autocomplete="off"
                :aria-label="t('equipment.knownPointI', { i: i + 1 })"
              />
            </td>
            <td class="py-1">
              <input
                :id="`read-${i}`"
                v-model="point.read"
                :data-first="i === 0 ? '' : undefined"
                class="field"
                inputmode="decimal"
                autocomplete="off"
                :aria-label="t('equipment.readsPointI', { i: i + 1 })"
              />
            </td>
          </tr>
        </tbody>
      </table>
      <TextField
        v-if="instrument.kind === 'caliper'"
        id="closing-force"
        v-model="force"
        :label="t('equipment.closingForce')"
        :hint="t('equipment.closingForceHint')"
        inputmode="decimal"
      />
      <p
        v-if="verdict"
        role="status"
        class="font-bold"
        :class="verdict.passed ? 'text-leaf' : 'text-clay'"
      >
        {{ verdict.passed ? '✓' : '✗' }} {{ tell(verdict.words) }}
      </p>
    </template>
  </AskForm>
</template>
