<script setup lang="ts">
await breathe()

const { view, error, measured } = await useClientRecord('client.profile')
const { days, typed, day, chosen, profile } = useProfiles(
  () => view.value.client,
  () => measured.value,
)
await workOut(profile)

const dates = computed(() =>
  days.value.map(({ id, date }) => ({ id, name: formatDate(date, true) })).reverse(),
)
const { hiding, shown, asked } = usePercentages(() => view.value.client)
/** One table a school, as far as what was measured gives it. */
const masses = computed(() => {
  const { fiveWay, fourWay, matiegka } = profile.value ?? {}
  return [
    { name: t('profile.fiveWay'), fractions: fiveWay },
    { name: t('profile.fourWay'), fractions: fourWay },
    { name: t('profile.matiegka'), fractions: matiegka },
  ].flatMap(({ name, fractions }) => (fractions ? [{ name, fractions }] : []))
})
const dayId = computed({ get: () => day.value?.id, set: (id) => (chosen.value = id) })
/** Somebody of whom only a weight and some folds are known has no profile. */
const says = computed(() => typed.value.length > 0 || (profile.value?.figures.length ?? 0) > 1)
</script>

<template>
  <ClientPage :view :error>
    <NeedsCheckIn
      v-if="!profile || !day"
      :client-id="view.client.id"
      :text="t('profile.nothingYet')"
    />
    <div v-else class="space-y-8">
      <p v-if="!says" class="max-w-xl text-lg">{{ t('profile.nothingYet') }}</p>
      <InTurn v-if="typed.length">
        <h2 class="sr-only">{{ t('profile.somatotype') }}</h2>
        <SomatotypePart :typed />
      </InTurn>
      <div v-if="dates.length > 1">
        <label for="profile-day" class="block pb-1 font-bold">{{ t('profile.ofDay') }}</label>
        <select id="profile-day" v-model="dayId" class="field w-auto!">
          <option v-for="{ id, name } in dates" :key="id" :value="id">{{ name }}</option>
        </select>
      </div>
      <PercentagesChoice v-if="hiding" v-model="asked" :name="view.client.name" />
      <section v-if="shown && masses.length" data-test="masses">
        <h2 class="text-2xl">{{ t('profile.masses') }}</h2>
        <p class="max-w-2xl pb-3 text-faded">{{ t('profile.massesFor') }}</p>
        <div class="grid gap-8 lg:grid-cols-2">
          <MassesPart
            v-for="{ name, fractions } in masses"
            :key="name"
            :name
            :fractions
            :mass-kg="day.inputs.measures.mass!"
          />
        </div>
      </section>
      <FiguresPart :figures="profile.figures" :shape="profile.shape" />
      <PhantomPart v-if="profile.phantom.length > 1" :scores="profile.phantom" />
      <WantingPart v-if="profile.wanting.length" :wanting="profile.wanting" />
      <p class="text-faded">{{ t('profile.memory') }}</p>
    </div>
  </ClientPage>
</template>
