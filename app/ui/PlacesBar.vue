<script setup lang="ts">
/** The places of the application, on top of every page of the desk. */
const places = {
  '/': t('common.today'),
  '/clients': t('common.clients'),
  '/leaderboards': t('common.leaderboards'),
  '/calendar': t('common.calendar'),
  '/reference': t('common.reference'),
  '/equipment': t('common.equipment'),
  '/settings': t('common.settings'),
}
const route = useRoute()
/** A place and all that is in it. */
const isHere = (place: string) =>
  route.path === place || (place !== '/' && route.path.startsWith(`${place}/`))
</script>

<template>
  <header class="bg-oak text-chalk print:hidden">
    <div class="flex min-h-[60px] flex-wrap items-center gap-x-7 px-4 sm:px-6">
      <NuxtLink to="/" class="figure text-[26px]">{{ t('common.oakPinch') }}</NuxtLink>
      <nav
        :aria-label="t('common.places')"
        class="flex max-sm:-mx-4 max-sm:w-[calc(100%+2rem)] max-sm:overflow-x-auto max-sm:px-2 sm:gap-2"
      >
        <NuxtLink
          v-for="(label, to) in places"
          :key="to"
          :to
          class="border-b-4 border-transparent px-2 pt-4 pb-3 sm:px-3"
          :class="isHere(to) ? 'border-lamp! font-bold' : ''"
        >
          {{ label }}
        </NuxtLink>
      </nav>
    </div>
  </header>
</template>
