<script setup lang="ts">
import { v4 as newId } from 'uuid'
import { SHARED, type Shared } from '#shared/contract/choices'
import type { ClientDetails, MadeLink, SharedStory } from '#shared/contract/client-side'
import type { Client } from '#shared/contract/clients'
import { details as routes, sharing } from '~/contract'

/** What a client sees, as it will look, and the ways in which it reaches them. */
const { client } = defineProps<{ client: Client }>()
const details = defineModel<ClientDetails>({ required: true })

const params = { id: client.id }
const mass = useMassUnit()
const length = useLengthUnit()
const query = computed(() => ({ mass: mass.value, length: length.value }))
const choices = SHARED.map((value) => ({
  ...{ value, name: t(`sharing.sees.${value}`), detail: t(`sharing.seesHints.${value}`) },
}))
const { trouble, done, busy, submit } = useSubmit()

const sees = computed<Shared>({
  get: () => details.value.sees,
  set: (chosen) => void choose(chosen),
})
const seesClasses = computed<boolean>({
  get: () => details.value.seesClasses,
  set: (wanted) => void change({ seesClasses: wanted }),
})
const choose = (chosen: Shared) => change({ sees: chosen })
async function change(body: { sees?: Shared; seesClasses?: boolean }) {
  const now = await submit(() => callApi(routes.change, { params, body }), t('sharing.saved'))
  if (now) details.value = now
  await look()
}

/* As it will look: asked for anew whenever something of it is another. */
const story = shallowRef<SharedStory | null>()
let turn = 0
async function look() {
  const mine = ++turn
  const found = await callApi(sharing.preview, { params, query: query.value }).catch(
    (error: unknown) => void (trouble.value = wordsOf(error as Error)),
  )
  if (found && mine === turn) story.value = found.story
}
onMounted(look)
watch(query, look)
const fileAddress = computed(
  () => `/api/clients/${client.id}/shared-file?${new URLSearchParams(query.value)}`,
)

const LASTS = [
  { value: '7', name: t('sharing.week') },
  { value: '28', name: t('sharing.fourWeeks') },
  { value: '91', name: t('sharing.threeMonths') },
  { value: '366', name: t('sharing.year') },
]
const days = ref('28')
const made = shallowRef<MadeLink>()
async function makeLink() {
  const body = { id: newId(), days: Number(days.value) }
  made.value = await submit(() => callApi(sharing.addLink, { params, body }))
  if (made.value) details.value = await callApi(routes.view, { params })
}
async function end(part: string) {
  const now = await submit(
    () => callApi(sharing.endLink, { params: { ...params, part } }),
    t('sharing.linkEnded'),
  )
  if (!now) return
  details.value = now
  made.value = undefined
}
</script>

<template>
  <section class="grid gap-x-10 gap-y-6 lg:grid-cols-[24rem_1fr]" data-test="sharing">
    <div class="space-y-5">
      <ChoiceRow
        v-model="sees"
        :label="t('sharing.whatClientSees', { name: firstName(client.name) })"
        :options="choices"
      />
      <TickBox v-if="sees === 'everything'" v-model="seesClasses">{{
        t('sharing.classNames')
      }}</TickBox>
      <p role="status">{{ done }}</p>
      <AlertLine :text="trouble" />
      <template v-if="details.reachable">
        <ChoiceRow v-model="days" :label="t('sharing.linkLasts')" :options="LASTS" compact />
        <button type="button" class="button button-lead" :disabled="busy" @click="makeLink">
          {{ t('sharing.makeLink') }}
        </button>
        <SecretAddress
          v-if="made"
          :address="made.addresses[0]!"
          :hint="t('sharing.linkOnce', { name: firstName(client.name) })"
        />
        <ul v-if="details.links.length" data-test="links">
          <li
            v-for="link in details.links"
            :key="link.id"
            class="flex flex-wrap items-center gap-x-4 border-b border-line py-1"
          >
            <span class="flex-1">
              {{ t('sharing.linkUntil', { day: formatDate(link.expiresAt.slice(0, 10), true) }) }}
              <span class="block text-sm text-faded">{{
                link.usedAt ? t('sharing.linkUsed', counted(link.devices)) : t('sharing.linkUnused')
              }}</span>
            </span>
            <button type="button" class="min-h-11 px-3 underline" @click="end(link.id)">
              {{ t('sharing.endLink') }}
            </button>
          </li>
        </ul>
      </template>
      <p v-else class="caution">
        {{ t('sharing.notReachable') }}
        <NuxtLink to="/settings" class="link">{{ t('sharing.letOthersIn') }}</NuxtLink>
      </p>
      <a
        v-if="sees !== 'nothing'"
        :href="fileAddress"
        class="button"
        download
        data-test="shared-file"
        >{{ t('sharing.saveFile') }}</a
      >
    </div>
    <div>
      <p class="pb-2 text-faded">{{ t('sharing.asItLooks', { name: firstName(client.name) }) }}</p>
      <div v-if="story" class="max-w-xl border border-line bg-white p-5">
        <StoryView :story :photo-address="(id: string) => `/api/photos/${id}`" />
      </div>
      <p v-else-if="story === null" class="border-l-4 border-line pl-3">
        {{ t('sharing.nothingShared', { name: firstName(client.name) }) }}
      </p>
    </div>
  </section>
</template>
