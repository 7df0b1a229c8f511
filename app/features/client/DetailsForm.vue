<script setup lang="ts">
import type { ClientDetails } from '#shared/contract/client-side'
import { details as routes } from '~/contract'

/** How a client is reached, what they want in their own words, and what they are sorted by. */
const { clientId } = defineProps<{ clientId: string }>()
const details = defineModel<ClientDetails>({ required: true })

const { email, phone, goal, tags, mailStopped } = details.value
const form = reactive({
  email: email ?? '',
  phone: phone ?? '',
  goal: goal ?? '',
  tags: tags.join(', '),
  reminded: !mailStopped,
})
const { problems, trouble, done, submit } = useSubmit()
const ownTags = () => [
  ...new Set(
    form.tags
      .split(',')
      .map((tag) => tag.trim())
      .filter(Boolean),
  ),
]
async function keep() {
  const body = {
    ...{ email: form.email, phone: form.phone, goal: form.goal, tags: ownTags() },
    mailStopped: !form.reminded,
  }
  const now = await submit(
    () => callApi(routes.change, { params: { id: clientId }, body }),
    t('notes.saved'),
  )
  if (now) details.value = now
}
/** Tags of others that this client has not, to be had with one touch. */
const offered = computed(() => details.value.knownTags.filter((tag) => !ownTags().includes(tag)))
const take = (tag: string) => (form.tags = [...ownTags(), tag].join(', '))
</script>

<template>
  <form class="space-y-4" novalidate @submit.prevent="keep">
    <h2 class="border-b-2 border-ink pb-1 text-xl">{{ t('notes.reach') }}</h2>
    <div class="grid gap-4 sm:grid-cols-2">
      <TextField
        id="email"
        v-model="form.email"
        :label="t('notes.email')"
        :error="problems.email"
        type="email"
        inputmode="email"
      />
      <TextField
        id="phone"
        v-model="form.phone"
        :label="t('notes.phone')"
        :error="problems.phone"
        type="tel"
        inputmode="tel"
      />
    </div>
    <TickBox v-model="form.reminded">{{ t('notes.reminded') }}</TickBox>
    <p v-if="form.reminded && details.mailStopped" class="caution">{{ t('notes.onlyIfAsked') }}</p>
    <FieldRow id="goal" :label="t('notes.goal')" :hint="t('notes.goalHint')" :error="problems.goal">
      <textarea id="goal" v-model="form.goal" class="field" rows="2" />
    </FieldRow>
    <TextField
      id="tags"
      v-model="form.tags"
      :label="t('notes.tags')"
      :hint="t('notes.tagsHint')"
      :error="problems.tags"
    />
    <div v-if="offered.length" class="flex flex-wrap gap-2">
      <ChipButton v-for="tag in offered" :key="tag" :on="false" @click="take(tag)">{{
        tag
      }}</ChipButton>
    </div>
    <AlertLine :text="trouble" />
    <div class="flex items-center gap-4">
      <button type="submit" class="button button-lead">{{ t('notes.save') }}</button>
      <span role="status">{{ done }}</span>
    </div>
  </form>
</template>
