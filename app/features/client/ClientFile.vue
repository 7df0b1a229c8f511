<script setup lang="ts">
import { type TypedUnit, isMinor, leastAgeOf } from '#core'
import type { Client } from '#shared/contract/clients'
import type { ClientFile } from '#shared/contract/record'
import { clients } from '~/contract'
import { auditWords } from './audit-words'
import CoachChoice from './CoachChoice.vue'
import SeenBy from './SeenBy.vue'

/** Edits of a client with their history, the archive and erasing. */
const props = defineProps<{ client: Client; file: ClientFile; today: string }>()
const emit = defineEmits<{ changed: [] }>()

const params = { id: props.client.id }
const form = reactive({
  name: props.client.name,
  sex: props.client.sex,
  birthDate: props.client.birthDate ?? '',
  birthYear: String(props.client.birthYear ?? ''),
  cadenceDays: String(props.client.cadenceDays),
  height: '',
  heightTakenOn: props.today,
  showPercentages: props.client.showPercentages,
  cycleWanted: props.client.cycleWanted,
  groupTerm: props.client.groupTerm ?? '',
  hiddenOnLeaderboards: props.client.hiddenOnLeaderboards,
})
const { can, signsIn } = useMe()
/** Somebody who is under 18 for certain, or may be. */
const minor = computed(() => isMinor({ leastAgeYears: leastAgeOf(props.client, props.today) }))
const sexes = sexChoices()
const groupTerms = groupTermChoices()
const { problems, trouble, done, submit } = useSubmit()
const erasing = ref(false)
const erasedName = ref('')
const erasure = useSubmit()

async function change(body: object, words: string) {
  const changed = await submit(() => callApi(clients.change, { params, body }), words)
  if (changed) emit('changed')
  return changed
}

async function keep() {
  const { height, heightTakenOn, ...rest } = form
  const plain = {
    ...rest,
    birthDate: rest.birthDate || null,
    birthYear: rest.birthYear.trim() === '' ? null : Number(rest.birthYear),
    cadenceDays: Number(rest.cadenceDays),
    groupTerm: rest.groupTerm || null,
  }
  const changed = await change(
    height.trim() ? { ...plain, height, heightTakenOn } : plain,
    t('clientFile.saved'),
  )
  if (changed) form.height = ''
}

async function erase() {
  const body = { name: erasedName.value }
  if (await erasure.submit(() => callApi(clients.erase, { params, body }))) await navigateTo('/')
}
</script>

<template>
  <div class="grid gap-x-12 gap-y-8 lg:grid-cols-2">
    <form class="space-y-4" novalidate @submit.prevent="keep">
      <TextField
        id="edit-name"
        v-model="form.name"
        :label="t('client.name')"
        :error="problems.name"
      />
      <ChoiceRow v-model="form.sex" :label="t('clientFile.fields.sex')" :options="sexes" />
      <div class="grid grid-cols-2 gap-4">
        <TextField
          id="edit-birth"
          v-model="form.birthDate"
          :label="t('clientFile.fields.birthDate')"
          :error="problems.birthDate"
          type="date"
        />
        <TextField
          id="edit-birth-year"
          v-model="form.birthYear"
          :label="t('clientFile.orYearAlone')"
          :error="problems.birthYear"
          inputmode="numeric"
          maxlength="4"
        />
      </div>
      <div class="grid grid-cols-2 gap-4">
        <TextField
          id="edit-height"
          v-model="form.height"
          :label="t('clientFile.newHeight')"
          :error="problems.height"
          :placeholder="t('clientFile.leaveEmptyKeep')"
        />
        <TextField
          id="edit-height-on"
          v-model="form.heightTakenOn"
          :label="t('clientFile.measured')"
          :error="problems.heightTakenOn"
          type="date"
        />
      </div>
      <p v-if="file.heights.length" class="text-faded">
        {{
          t('clientFile.heightsOnRecord', {
            heights: file.heights
              .map((h) =>
                t('clientFile.heightFrom', {
                  height: formatAsTyped(h.cm, h.unit as TypedUnit),
                  day: formatDate(h.takenOn, true),
                }),
              )
              .join('; '),
          })
        }}
      </p>
      <TextField
        id="edit-cadence"
        v-model="form.cadenceDays"
        :label="t('clientFile.fields.cadenceDays')"
        :error="problems.cadenceDays"
        inputmode="numeric"
      />
      <TickBox v-model="form.showPercentages">{{
        t('clientFile.percentagesClassNamesMayShown')
      }}</TickBox>
      <p v-if="minor" class="text-faded">{{ t('clientFile.minorPercentages') }}</p>
      <TickBox v-model="form.cycleWanted">{{ t('clientFile.keepPhaseCycleEachCheck') }}</TickBox>
      <div>
        <ChoiceRow
          v-model="form.groupTerm"
          :label="t('clientFile.fields.groupTerm')"
          compact
          :options="groupTerms"
        />
        <p class="pt-1 text-faded">{{ t('clientFile.groupTermMeans') }}</p>
      </div>
      <TickBox v-model="form.hiddenOnLeaderboards">{{
        t('clientFile.nameHiddenLeaderboards')
      }}</TickBox>
      <AlertLine :text="trouble" />
      <div class="flex flex-wrap items-center gap-4">
        <button type="submit" class="button button-lead">{{ t('clientFile.keepChanges') }}</button>
        <span role="status">{{ done }}</span>
      </div>
    </form>
    <div class="space-y-6">
      <ExportList
        :title="t('records.outOfClient', { name: client.name })"
        :href-of="(as) => `/api/clients/${client.id}/export/${as}`"
      />
      <CoachChoice
        v-if="signsIn && can('clients.assign')"
        :client-id="client.id"
        @changed="emit('changed')"
      />
      <section>
        <h2 class="border-b-2 border-ink pb-1 text-xl">{{ t('clientFile.changeLog') }}</h2>
        <ul v-if="file.auditLog.length" class="pt-2" data-test="history">
          <li v-for="(entry, i) in file.auditLog" :key="i" class="border-b border-line py-1">
            {{ auditWords(entry) }}
            <span class="block text-sm text-faded"
              >{{ instantText(entry.at) }}, {{ entry.actor }}</span
            >
          </li>
        </ul>
        <p v-else class="pt-2 text-faded">{{ t('clientFile.nothingYet') }}</p>
      </section>
      <SeenBy v-if="signsIn" :client-id="client.id" />
      <section>
        <h2 class="border-b-2 border-ink pb-1 text-xl">{{ t('clientFile.archiveOrErase') }}</h2>
        <p class="py-2">
          {{ t('clientFile.archivedClientLeavesTodayLists') }}
        </p>
        <div class="flex flex-wrap gap-3">
          <button type="button" class="button" @click="change({ archived: !client.archived }, '')">
            {{ client.archived ? t('clientFile.restoreFromArchive') : t('clientFile.archive') }}
          </button>
          <button
            v-if="can('clients.erase')"
            type="button"
            class="button text-clay"
            @click="erasing = true"
          >
            {{ t('clientFile.eraseGood') }}
          </button>
        </div>
      </section>
    </div>
  </div>
  <AskForm
    :title="t('clientFile.eraseNameGood', { name: client.name })"
    :open="erasing"
    :trouble="erasure.trouble.value"
    :action="t('clientFile.eraseGood2')"
    grave
    :leave="t('common.cancel')"
    @close="erasing = false"
    @keep="erase"
  >
    <p>
      {{ t('clientFile.everyCheckReadingMarkNote', { name: client.name }) }}
    </p>
    <TextField id="erase-name" v-model="erasedName" :label="t('client.name')" />
  </AskForm>
</template>
