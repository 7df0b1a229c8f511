<script setup lang="ts">
const places = [
  { to: '/', label: 'Today' },
  { to: '/clients', label: 'Clients' },
  { to: '/leaderboards', label: 'Leaderboards' },
  { to: '/calendar', label: 'Calendar' },
  { to: '/reference', label: 'Reference' },
  { to: '/equipment', label: 'Equipment' },
  { to: '/settings', label: 'Settings' },
]
const route = useRoute()
/** A place and all that is in it. */
const isHere = (place: string) =>
  route.path === place || (place !== '/' && route.path.startsWith(`${place}/`))
</script>

<template>
  <div class="min-h-dvh">
    <header class="bg-oak text-chalk print:hidden">
      <div class="flex min-h-[60px] flex-wrap items-center gap-x-7 px-4 sm:px-6">
        <NuxtLink to="/" class="figure text-[26px]">Oak Pinch</NuxtLink>
        <nav
          aria-label="Places"
          class="flex max-sm:-mx-4 max-sm:w-[calc(100%+2rem)] max-sm:overflow-x-auto max-sm:px-2 sm:gap-2"
        >
          <NuxtLink
            v-for="place in places"
            :key="place.to"
            :to="place.to"
            class="border-b-4 border-transparent px-2 pt-4 pb-3 sm:px-3"
            :class="isHere(place.to) ? 'border-lamp! font-bold' : ''"
          >
            {{ place.label }}
          </NuxtLink>
        </nav>
      </div>
    </header>
    <slot />
  </div>
</template>
