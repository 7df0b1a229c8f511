<script setup lang="ts">
import { access as routes } from '~/contract'
import AddDevice from '../access/AddDevice.vue'
import NewPasswordField from '../access/NewPasswordField.vue'

/** Who is signed in here, their own password, and signing out. */
const { me } = useMe()
const { trouble, problems, done, busy, submit } = useSubmit()
const given = reactive({ current: '', password: '' })

const letIn = ref<{ id: string; name: string }>()

async function change() {
  const body = { ...given }
  const changed = await submit(
    () => callApi(routes.changePassword, { body }),
    t('access.passwordChanged'),
  )
  if (changed) Object.assign(given, { current: '', password: '' })
}
async function leave() {
  if (await submit(() => callApi(routes.signOut, {}))) location.assign('/sign-in')
}
</script>

<template>
  <div v-if="me" class="space-y-4">
    <p>{{ t('access.signedInAs', { name: me.name, role: t(`access.rolesSmall.${me.role}`) }) }}</p>
    <div class="flex flex-wrap gap-3">
      <button type="button" class="button" @click="letIn = { id: me.userId!, name: me.name }">
        {{ t('access.addDevice') }}
      </button>
      <button type="button" class="button" :disabled="busy" @click="leave">
        {{ t('access.signOut') }}
      </button>
    </div>
    <AddDevice :account="letIn" @close="letIn = undefined" />
    <FoldOut :title="t('access.yourPassword')">
      <form class="space-y-4" novalidate @submit.prevent="change">
        <TextField
          id="password-now"
          v-model="given.current"
          class="max-w-md"
          type="password"
          :label="t('access.currentPassword')"
          :error="problems.current"
          autocomplete="current-password"
        />
        <NewPasswordField id="password-new" v-model="given.password" :error="problems.password" />
        <button type="submit" class="button" :disabled="busy">
          {{ t('access.changePassword') }}
        </button>
      </form>
    </FoldOut>
    <p role="status" :class="{ 'sr-only': !done }">{{ done }}</p>
    <AlertLine :text="problems.current || problems.password ? '' : trouble" />
  </div>
</template>
