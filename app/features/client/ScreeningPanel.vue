<script setup lang="ts">
import {
  BUILDS,
  isScreeningOld,
  SCREENING_QUESTIONS,
  SKINFOLD_IDS,
  TRAINING,
  type KnownFold,
  type ScreeningAnswers,
  type ScreeningFlag,
} from '#core'
import { v4 as newId } from 'uuid'
import type { Screening } from '#shared/contract/clients'
import { clients } from '~/contract'

const props = defineProps<{ clientId: string; screening: Screening | null; today: string }>()
const emit = defineEmits<{ kept: [screening: Screening] }>()

const answers = ref<ScreeningAnswers>(copy())
const { trouble, done, submit } = useSubmit()

function copy(): ScreeningAnswers {
  return { flags: [], ...JSON.parse(JSON.stringify(props.screening?.answers ?? {})) }
}

const chips = (names: readonly string[]) => names.map((id) => ({ id, name: id }))
const old = computed(
  () => props.screening && isScreeningOld(props.screening.reviewedOn, props.today),
)

function toggle(flag: ScreeningFlag) {
  const { flags } = answers.value
  answers.value.flags = flags.includes(flag) ? flags.filter((f) => f !== flag) : [...flags, flag]
}

const AT_SITES: ScreeningFlag = 'skin or surgery at the sites'
function toggleSite(site: KnownFold) {
  const { closedSites = [] } = answers.value
  answers.value.closedSites = closedSites.includes(site)
    ? closedSites.filter((one) => one !== site)
    : [...closedSites, site]
}

async function keep() {
  const { closedSites, ...rest } = answers.value
  // Sites without the answer that they belong to say nothing.
  const body = {
    ...{ id: newId(), ...rest },
    ...(rest.flags.includes(AT_SITES) && closedSites?.length ? { closedSites } : {}),
  }
  const params = { id: props.clientId }
  const kept = await submit(() => callApi(clients.screen, { params, body }), t('clientFile.saved'))
  if (kept) emit('kept', kept)
}
</script>

<template>
  <form class="max-w-3xl space-y-4" novalidate @submit.prevent="keep">
    <p>
      {{ t('clientFile.privateNeverCallerSView') }}
      <template v-if="screening">
        {{ t('clientFile.lastReviewed', { day: formatDate(screening.reviewedOn, true) }) }}
        <strong v-if="old" class="text-clay">{{ t('clientFile.moreThanHalfYearAgo') }}</strong>
      </template>
    </p>
    <div class="grid gap-x-8 sm:grid-cols-2">
      <TickBox
        v-for="{ flag, label } in SCREENING_QUESTIONS"
        :key="flag"
        :model-value="answers.flags.includes(flag)"
        class="border-b border-line py-1"
        @update:model-value="toggle(flag)"
        >{{ tell(label) }}</TickBox
      >
    </div>
    <fieldset v-if="answers.flags.includes(AT_SITES)" data-test="closed-sites">
      <legend class="pb-1 font-bold">{{ t('clientFile.atWhichFoldsNoneNamed') }}</legend>
      <div class="grid gap-x-8 sm:grid-cols-3">
        <TickBox
          v-for="site in SKINFOLD_IDS"
          :key="site"
          :model-value="answers.closedSites?.includes(site) ?? false"
          @update:model-value="toggleSite(site)"
          >{{ nameOf(site) }}</TickBox
        >
      </div>
    </fieldset>
    <ChipRow
      v-model="answers.training"
      :label="t('clientFile.training')"
      :options="chips(TRAINING) as never"
    />
    <ChipRow
      v-model="answers.build"
      :label="t('clientFile.build')"
      :options="chips(BUILDS) as never"
    />
    <FieldRow id="screening-notes" :label="t('clientFile.notes')">
      <textarea
        id="screening-notes"
        v-model="answers.notes"
        class="field"
        rows="2"
        maxlength="2000"
      />
    </FieldRow>
    <AlertLine :text="trouble" />
    <div class="flex flex-wrap items-center gap-4">
      <button type="submit" class="button button-lead">
        {{ screening ? t('clientFile.stillRightOrChangedKeep') : t('client.keep') }}
      </button>
      <span role="status">{{ done }}</span>
    </div>
  </form>
</template>
