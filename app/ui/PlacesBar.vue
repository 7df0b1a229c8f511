<script setup lang="ts">
import type { Action } from '#shared/access'

/**
 * The places of the application: on top of every page of the desk, and on a phone a bar at the foot of the
 * screen, within the thumb's reach, with the others behind More.
 */
const ALL: { to: string; name: string; thumb?: boolean; for?: Action; with?: string[] }[] = [
  { to: '/', name: t('common.today'), thumb: true, for: 'clients.list' },
  { to: '/clients', name: t('common.clients'), thumb: true, for: 'clients.list' },
  { to: '/leaderboards', name: t('common.leaderboards'), for: 'boards.see' },
  {
    ...{ to: '/calendar', name: t('common.calendar'), thumb: true, for: 'clients.list' },
    with: ['/reminders', '/outbox'],
  },
  { to: '/reference', name: t('common.reference'), thumb: true },
  { to: '/equipment', name: t('common.equipment'), for: 'gym.equip' },
  { to: '/settings', name: t('common.settings') },
]
const { can, me } = useMe()
/** What one may see; who types along begins with the check-ins that are open. */
const places = computed((): Place[] => [
  ...(me.value?.role === 'assistant'
    ? [{ to: '/open-check-ins', name: t('access.openCheckIns'), thumb: true }]
    : []),
  ...ALL.filter(({ for: action }) => !action || can(action)),
])
/** What the bar of a phone has, with More. */
const inBar = computed(() => places.value.filter(({ thumb }) => thumb).length + 1)
const route = useRoute()
type Place = (typeof ALL)[number]
/** A place and all that is in it. */
const isHere = ({ to, with: more = [] }: Place) =>
  route.path === to || (to !== '/' && route.path.startsWith(`${to}/`)) || more.includes(route.path)
const isMore = computed(() => places.value.some((place) => !place.thumb && isHere(place)))

const bar = useTemplateRef<HTMLElement>('bar')
const button = useTemplateRef<HTMLButtonElement>('button')
const { open: more, close } = useDisclosure(bar, button)
watch(
  () => route.path,
  () => (more.value = false),
)
</script>

<template>
  <header
    ref="bar"
    class="bg-oak text-chalk max-sm:fixed max-sm:inset-x-0 max-sm:bottom-0 max-sm:z-20 max-sm:pb-[env(safe-area-inset-bottom)] print:hidden"
    @keydown.esc="close"
  >
    <div class="flex items-center gap-x-7 sm:min-h-[60px] sm:flex-wrap sm:px-6">
      <NuxtLink to="/" class="figure text-[26px] max-sm:hidden">{{
        t('common.oakPinch')
      }}</NuxtLink>
      <nav
        :aria-label="t('common.places')"
        class="at-thumb flex max-sm:grid max-sm:flex-1 sm:gap-2"
        :class="{ 'more-open': more }"
        :style="{ '--in-bar': inBar }"
      >
        <NuxtLink
          v-for="place in places"
          :key="place.to"
          :to="place.to"
          class="place"
          :class="[isHere(place) ? 'border-lamp! font-bold' : '', { 'under-more': !place.thumb }]"
        >
          {{ place.name }}
        </NuxtLink>
        <button
          ref="button"
          type="button"
          class="place sm:hidden"
          :class="{ 'border-lamp! font-bold': isMore }"
          :aria-expanded="more"
          @click="more = !more"
        >
          {{ t('common.more') }}
        </button>
      </nav>
    </div>
  </header>
</template>

<style scoped>
@reference '~/assets/main.css';

.place {
  @apply border-b-4 border-transparent px-2 pt-4 pb-3 sm:px-3;
}

@media (width < 640px) {
  .at-thumb {
    grid-template-columns: repeat(var(--in-bar), minmax(0, 1fr));
  }
  .place {
    @apply flex min-h-14 min-w-0 items-center justify-center border-t-4 border-b-0 px-0.5 py-1 text-center text-[15px] leading-tight wrap-anywhere;
  }
  .under-more {
    @apply hidden;
  }
  /* The others stand above the bar, the nearest at the thumb. */
  .more-open .under-more {
    @apply col-span-full flex justify-start border-t-0 border-l-4 px-5 text-lg;

    order: -1;
  }
}
</style>
