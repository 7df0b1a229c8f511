<script setup lang="ts">
import type { Gym } from '#shared/contract/equipment'
import { gym as routes } from '~/contract'
import { plainPicture } from '~/features/photos/picture'

/** The gym's name, how to reach it and its picture, as they stand on pages on paper. */
const gym = defineModel<Gym>({ required: true })
const form = reactive({
  gymName: gym.value.settings.gymName,
  gymContact: gym.value.settings.gymContact,
})
const { trouble, problems, done, busy, submit } = useSubmit()
async function take(call: () => Promise<Gym>) {
  const now = await submit(call, t('settings.kept'))
  if (now) gym.value = now
}
const keep = () => take(() => callApi(routes.change, { body: { ...form } }))

/** Longest side, pixels: it is printed a few centimeters wide. */
const LONGEST = 600
async function chooseLogo(picked: File) {
  await take(async () => {
    const { blob: file } = await plainPicture(picked, { longest: LONGEST, type: 'image/png' })
    return callApi(routes.keepLogo, { file })
  })
}
const removeLogo = () => take(() => callApi(routes.removeLogo, {}))
</script>

<template>
  <form class="space-y-4" novalidate @submit.prevent="keep">
    <TextField
      id="gym-name"
      v-model="form.gymName"
      class="max-w-md"
      :label="t('settings.gymName')"
      :error="problems.gymName"
    />
    <TextField
      id="gym-contact"
      v-model="form.gymContact"
      class="max-w-md"
      :label="t('settings.gymContact')"
      :hint="t('settings.gymContactHint')"
      :error="problems.gymContact"
    />
    <div class="flex flex-wrap items-center gap-3">
      <button type="submit" class="button button-lead" :disabled="busy">
        {{ t('settings.keep') }}
      </button>
      <FileButton
        :label="gym.hasLogo ? t('settings.otherLogo') : t('settings.chooseLogo')"
        accept="image/*"
        :disabled="busy"
        mark="logo-file"
        @picked="chooseLogo"
      />
      <button v-if="gym.hasLogo" type="button" class="button" :disabled="busy" @click="removeLogo">
        {{ t('settings.removeLogo') }}
      </button>
      <span role="status">{{ done }}</span>
    </div>
    <AlertLine :text="Object.keys(problems).length ? '' : trouble" />
  </form>
</template>
