<script setup lang="ts">
import { formatAsTyped, formatDate, type TypedUnit } from '#core'
import type { ClientView } from '#shared/contract/record'
import { clientSchema } from '#shared/contract/clients'
import { z } from 'zod'

/** Edits of a client with their history, the archive and erasing. */
const props = defineProps<{ view: ClientView; today: string }>()
const emit = defineEmits<{ changed: [] }>()

const api = useApi()
const { client } = props.view
const form = reactive({
  name: client.name,
  sex: client.sex,
  birthDate: client.birthDate,
  cadenceDays: String(client.cadenceDays),
  height: '',
  heightTakenOn: props.today,
  showPercentages: client.showPercentages,
  cycleWanted: client.cycleWanted,
  hiddenOnLeaderboards: client.hiddenOnLeaderboards,
})
const sexes = [
  { value: 'female' as const, name: 'Female' },
  { value: 'male' as const, name: 'Male' },
]
const problems = ref<Record<string, string>>({})
const trouble = ref('')
const said = ref('')
const erasing = ref(false)
const erasedName = ref('')

async function change(what: object, words: string) {
  problems.value = {}
  trouble.value = ''
  said.value = ''
  try {
    await api.patch(`/api/clients/${client.id}`, clientSchema, what)
    said.value = words
    emit('changed')
  } catch (error) {
    trouble.value = (error as Error).message
    if (error instanceof Refused) {
      problems.value = Object.fromEntries(error.problems.map((p) => [p.field, p.message]))
    }
  }
}

async function keep() {
  const { height, heightTakenOn, ...rest } = form
  await change(height.trim() ? { ...rest, height, heightTakenOn } : rest, 'Kept.')
  if (!trouble.value) form.height = ''
}

async function erase() {
  trouble.value = ''
  try {
    await api.post(`/api/clients/${client.id}/erase`, z.object({ erased: z.string() }), {
      name: erasedName.value,
    })
    await navigateTo('/')
  } catch (error) {
    trouble.value = (error as Error).message
  }
}

const instant = (at: string) =>
  new Date(at).toLocaleString([], { dateStyle: 'medium', timeStyle: 'short' })
</script>

<template>
  <div class="grid gap-x-12 gap-y-8 lg:grid-cols-2">
    <form class="space-y-4" novalidate @submit.prevent="keep">
      <FieldRow id="edit-name" label="Name" :error="problems.name">
        <input id="edit-name" v-model="form.name" class="field" autocomplete="off" />
      </FieldRow>
      <ChoiceRow v-model="form.sex" label="Sex used by the equations" :options="sexes" />
      <FieldRow id="edit-birth" label="Birth date" :error="problems.birthDate">
        <input id="edit-birth" v-model="form.birthDate" type="date" class="field" />
      </FieldRow>
      <div class="grid grid-cols-2 gap-4">
        <FieldRow id="edit-height" label="New height" :error="problems.height">
          <input
            id="edit-height"
            v-model="form.height"
            class="field"
            autocomplete="off"
            placeholder="leave empty to keep"
          />
        </FieldRow>
        <FieldRow id="edit-height-on" label="measured on" :error="problems.heightTakenOn">
          <input id="edit-height-on" v-model="form.heightTakenOn" type="date" class="field" />
        </FieldRow>
      </div>
      <p v-if="view.heights.length" class="text-faded">
        On record:
        {{
          view.heights
            .map(
              (h) =>
                `${formatAsTyped(h.cm, h.unit as TypedUnit)} from ${formatDate(h.takenOn, true)}`,
            )
            .join('; ')
        }}. Each check-in uses the height in force on its day.
      </p>
      <FieldRow id="edit-cadence" label="Days between check-ins" :error="problems.cadenceDays">
        <input id="edit-cadence" v-model="form.cadenceDays" class="field" inputmode="numeric" />
      </FieldRow>
      <label class="flex min-h-11 items-center gap-3">
        <input v-model="form.showPercentages" type="checkbox" class="size-5 accent-leaf" />
        Percentages and class names may be shown (else sums and girths only)
      </label>
      <label class="flex min-h-11 items-center gap-3">
        <input v-model="form.cycleWanted" type="checkbox" class="size-5 accent-leaf" />
        Keep the phase of the cycle with each check-in, as the client wishes
      </label>
      <label class="flex min-h-11 items-center gap-3">
        <input v-model="form.hiddenOnLeaderboards" type="checkbox" class="size-5 accent-leaf" />
        Name hidden on boards
      </label>
      <p v-if="trouble" role="alert" class="font-bold text-clay">{{ trouble }}</p>
      <div class="flex flex-wrap items-center gap-4">
        <button type="submit" class="button button-lead">Keep the changes</button>
        <span role="status">{{ said }}</span>
      </div>
    </form>
    <div class="space-y-6">
      <section>
        <h2 class="border-b-2 border-ink pb-1 text-xl">What was changed by hand</h2>
        <ul v-if="view.history.length" class="pt-2" data-test="history">
          <li
            v-for="event in view.history"
            :key="event.at + event.words"
            class="border-b border-line py-1"
          >
            {{ event.words }}
            <span class="block text-sm text-faded">
              {{ instant(event.at) }}<template v-if="event.coach">, {{ event.coach }}</template>
            </span>
          </li>
        </ul>
        <p v-else class="pt-2 text-faded">Nothing yet.</p>
      </section>
      <section>
        <h2 class="border-b-2 border-ink pb-1 text-xl">Archive or erase</h2>
        <p class="py-2">
          An archived client leaves Today and the lists; everything is kept and can be taken back.
        </p>
        <div class="flex flex-wrap gap-3">
          <button
            type="button"
            class="button"
            @click="change({ archived: !view.client.archived }, '')"
          >
            {{ view.client.archived ? 'Take back from the archive' : 'Archive' }}
          </button>
          <button type="button" class="button text-clay" @click="erasing = true">
            Erase for good…
          </button>
        </div>
      </section>
    </div>
  </div>
  <AskDialog
    :title="`Erase ${view.client.name} for good?`"
    :open="erasing"
    @close="erasing = false"
  >
    <form class="space-y-4" @submit.prevent="erase">
      <p>
        Every check-in, reading, mark and note of {{ view.client.name }} is deleted. This cannot be
        undone. Type the name to go on.
      </p>
      <FieldRow id="erase-name" label="Name">
        <input id="erase-name" v-model="erasedName" class="field" autocomplete="off" />
      </FieldRow>
      <p v-if="trouble" role="alert" class="font-bold text-clay">{{ trouble }}</p>
      <div class="flex gap-3">
        <button type="submit" class="button border-clay! bg-clay! text-white!">
          Erase for good
        </button>
        <button type="button" class="button" @click="erasing = false">Keep</button>
      </div>
    </form>
  </AskDialog>
</template>
