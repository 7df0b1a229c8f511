<script setup lang="ts">
import { checkOverdue, INSTRUMENT_UNITS, isOutOfTolerance, judgeCheck } from '#core'
import type { Gym, Instrument } from '#shared/contract/equipment'
import { gym as routes } from '~/contract'

/** An instrument in the list: whether it still reads true, and what may be done about it. */
const { instrument, today } = defineProps<{ instrument: Instrument; today: string }>()
const emit = defineEmits<{ check: []; edit: []; changed: [gym: Gym] }>()

/** What it reads to, its jaws, and whether it is archived. */
const facts = computed(() => {
  const { kind, graduation, jaws, retired } = instrument
  return [
    graduation && t('equipment.readsGraduationId', { graduation, id: INSTRUMENT_UNITS[kind] }),
    jaws && t('equipment.jawsJaws', { jaws: t(`equipment.jawKinds.${jaws}`) }),
    retired && t('equipment.putAway'),
  ]
    .filter(Boolean)
    .join(' · ')
})
const last = computed(() => instrument.checks[0])
const lastCheck = computed(() => {
  if (!last.value) return ''
  const { checkedOn, points } = last.value
  return t('equipment.lastCheck', {
    day: formatDate(checkedOn, true),
    words: judgeCheck(instrument.kind, points, instrument.graduation).words,
  })
})
const overdue = computed(() =>
  checkOverdue(last.value?.checkedOn ?? null, instrument.checkEveryDays, today),
)
const isOut = computed(() => isOutOfTolerance(instrument))

const { can } = useMe()
const { trouble, submit } = useSubmit()
async function setCorrected(corrected: boolean) {
  const params = { id: instrument.id }
  const gym = await submit(() => callApi(routes.correctInstrument, { params, body: { corrected } }))
  if (gym) emit('changed', gym)
}
</script>

<template>
  <li class="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-line py-2">
    <div class="min-w-52 flex-1">
      <p class="text-lg font-bold" :class="{ 'line-through': instrument.retired }">
        {{ instrument.name }}
      </p>
      <p class="text-faded">{{ facts }}</p>
      <p v-if="lastCheck">{{ lastCheck }}</p>
      <p v-if="!instrument.retired && overdue" class="font-bold text-clay">
        {{ tell(overdue) }}
      </p>
      <p v-if="!instrument.retired && isOut" class="font-bold text-clay">
        {{ instrument.isCorrected ? t('equipment.outCorrected') : t('equipment.outNotProposed') }}
      </p>
      <ZeroCheck
        v-if="!instrument.retired && (instrument.kind === 'caliper' || instrument.kind === 'scale')"
        class="pt-1"
        :instrument
        :today
        @checked="emit('changed', $event)"
      />
    </div>
    <div class="flex flex-wrap gap-3">
      <NamedButton :of="instrument.name" @click="emit('check')">{{
        t('equipment.check')
      }}</NamedButton>
      <NamedButton :of="instrument.name" @click="emit('edit')">{{
        t('equipment.edit')
      }}</NamedButton>
    </div>
    <FoldOut
      v-if="instrument.checks.length > 1 || isOut || instrument.isCorrected"
      class="basis-full"
      :title="t('equipment.drift')"
    >
      <DriftChart :instrument />
      <p v-if="instrument.checks[0]?.closingForce" class="pt-2">
        {{
          t('equipment.closingForceWas', {
            force: fixed(instrument.checks[0].closingForce, 1),
          })
        }}
      </p>
      <TickBox
        v-if="can('gym.govern')"
        :model-value="instrument.isCorrected"
        class="pt-2"
        @update:model-value="setCorrected($event === true)"
      >
        {{ t('equipment.putRight') }}
      </TickBox>
    </FoldOut>
    <AlertLine :text="trouble" />
  </li>
</template>
