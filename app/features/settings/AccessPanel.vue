<script setup lang="ts">
import { v4 as newId } from 'uuid'
import type { Access } from '#shared/contract/access'
import type { Role } from '#shared/access'
import type { Gym } from '#shared/contract/equipment'
import { access as routes } from '~/contract'
import AddDevice from '../access/AddDevice.vue'
import NewPasswordField from '../access/NewPasswordField.vue'

/** Who gets in: the first password; then people, what they may do, and the devices that they are signed in with. */
const props = defineProps<{ start: Access; testers: Gym['testers'] }>()

const view = ref(props.start)
const { signsIn } = useMe()
const { trouble, problems, done, busy, submit, clear } = useSubmit()
async function take(call: () => Promise<Access>, said = t('access.saved')) {
  const now = await submit(call, said)
  if (now) view.value = now
  return now
}

const first = reactive({ name: '', password: '' })
async function begin() {
  // The whole page anew: it is somebody's from now on.
  if (await submit(() => callApi(routes.begin, { body: { ...first } }))) location.reload()
}

type Staff = 'owner' | 'coach' | 'assistant'
const STAFF: { value: Staff; name: string; detail: string }[] = (
  ['owner', 'coach', 'assistant'] as const
).map((value) => ({
  value,
  name: t(`access.roles.${value}`),
  detail: t(`access.roleHints.${value}`),
}))
const roleName = (role: Role) => t(`access.roles.${role}`)

/** Who is added or changed; without an id somebody new. */
const asked = ref<{ id?: string; name: string; role: Staff; personId: string; password: string }>()
const fresh = () => (asked.value = { name: '', role: 'coach', personId: '', password: '' })
function edit({ id, name, role, personId }: Access['accounts'][number]) {
  clear()
  asked.value = { id, name, role: role as Staff, personId: personId ?? '', password: '' }
}
function add() {
  clear()
  fresh()
}
async function keep() {
  const { id, name, role, password, ...rest } = asked.value!
  const personId = rest.personId || null
  const kept = id
    ? await take(() =>
        callApi(routes.changeAccount, {
          params: { id },
          body: { role, personId, ...(password && { password }) },
        }),
      )
    : await take(
        () => callApi(routes.addAccount, { body: { id: newId(), name, role, personId, password } }),
        t('access.added', { name: name.trim() }),
      )
  if (kept) asked.value = undefined
}

const leaving = ref<{ id: string; name: string }>()
async function remove() {
  const { id, name } = leaving.value!
  const gone = () => callApi(routes.removeAccount, { params: { id } })
  await take(gone, t('access.removed', { name }))
  leaving.value = undefined
}
const end = (id: string) =>
  take(() => callApi(routes.endSession, { params: { id } }), t('access.deviceSignedOut'))

/** Whose device is to be let in. */
const letIn = ref<{ id: string; name: string }>()
async function letInDone() {
  letIn.value = undefined
  await take(() => callApi(routes.view, {}), '')
}

const coachesSee = computed({
  get: () => view.value.coachesSee,
  set: (to) => void take(() => callApi(routes.change, { body: { coachesSee: to } })),
})
const devicesOf = (count: number) =>
  count === 0 ? t('access.notSignedIn') : t('access.devices', counted(count))
</script>

<template>
  <form v-if="!signsIn" class="space-y-4" novalidate @submit.prevent="begin">
    <p>{{ t('access.open') }}</p>
    <TextField
      id="owner-name"
      v-model="first.name"
      class="max-w-md"
      :label="t('access.ownerName')"
      :error="problems.name"
      autocomplete="username"
    />
    <NewPasswordField id="owner-password" v-model="first.password" :error="problems.password" />
    <AlertLine :text="problems.name || problems.password ? '' : trouble" />
    <button type="submit" class="button" :disabled="busy">{{ t('access.setPassword') }}</button>
  </form>
  <div v-else class="space-y-4">
    <ul data-test="accounts">
      <li v-for="account in view.accounts" :key="account.id" class="border-b border-line py-2">
        <div class="flex flex-wrap items-center gap-3">
          <p class="min-w-52 flex-1 basis-full sm:basis-0">
            <strong class="text-lg">{{ account.name }}</strong>
            <span class="block text-faded"
              >{{ roleName(account.role) }} · {{ devicesOf(account.sessions.length) }}</span
            >
          </p>
          <NamedButton :of="account.name" @click="letIn = account">{{
            t('access.addDevice')
          }}</NamedButton>
          <NamedButton :of="account.name" @click="edit(account)">{{
            t('access.edit')
          }}</NamedButton>
          <NamedButton :of="account.name" @click="leaving = account">{{
            t('access.removeAccount')
          }}</NamedButton>
        </div>
        <ul class="max-sm:pt-2">
          <li
            v-for="session in account.sessions"
            :key="session.id"
            class="flex flex-wrap items-center gap-3 pl-4"
          >
            <span class="flex-1">{{
              t('access.deviceSince', {
                device: session.device ?? t('access.unnamedDevice'),
                at: instantText(session.seenAt),
              })
            }}</span>
            <span v-if="session.here" class="py-2 text-faded">{{ t('access.deviceHere') }}</span>
            <NamedButton v-else :of="account.name" @click="end(session.id)">{{
              t('access.signOut')
            }}</NamedButton>
          </li>
        </ul>
      </li>
    </ul>
    <button type="button" class="button" @click="add">{{ t('access.addSomebody') }}</button>
    <ChoiceRow
      v-model="coachesSee"
      :label="t('access.coachesSee')"
      :options="[
        { value: 'all', name: t('access.coachesSeeAll') },
        { value: 'own', name: t('access.coachesSeeOwn') },
      ]"
    />
    <p class="text-faded">{{ t('access.coachesSeeHint') }}</p>
    <NuxtLink to="/who-did-what" class="link inline-flex min-h-11 items-center">{{
      t('access.whoDidWhat')
    }}</NuxtLink>
    <p role="status" :class="{ 'sr-only': !done }">{{ done }}</p>
    <AlertLine :text="asked ? '' : trouble" />
  </div>

  <AddDevice :account="letIn" @close="letInDone" />
  <AskForm
    :title="asked?.id ? t('access.editTitle', { name: asked.name }) : t('access.addSomebody')"
    :open="asked !== undefined"
    :trouble="problems.name || problems.password ? '' : trouble"
    :action="t('access.save')"
    :busy
    @close="asked = undefined"
    @keep="keep"
  >
    <template v-if="asked">
      <TextField
        v-if="!asked.id"
        id="account-name"
        v-model="asked.name"
        :label="t('access.name')"
        :error="problems.name"
      />
      <ChoiceRow v-model="asked.role" :label="t('access.role')" :options="STAFF" />
      <FieldRow id="account-person" :label="t('access.measuresAs')">
        <select id="account-person" v-model="asked.personId" class="field">
          <option value="">{{ t('access.nobody') }}</option>
          <option v-for="{ id, name } in testers" :key="id" :value="id">{{ name }}</option>
        </select>
      </FieldRow>
      <NewPasswordField
        id="account-password"
        v-model="asked.password"
        :label="asked.id ? t('access.resetPassword') : t('access.password')"
        :error="problems.password"
      />
    </template>
  </AskForm>
  <AskForm
    :title="t('access.removeTitle', { name: leaving?.name ?? '' })"
    :open="leaving !== undefined"
    :trouble
    :action="t('access.removeAccount')"
    :leave="t('access.keep')"
    grave
    :busy
    @close="leaving = undefined"
    @keep="remove"
  >
    <p>{{ t('access.removeText', { name: leaving?.name ?? '' }) }}</p>
  </AskForm>
</template>
