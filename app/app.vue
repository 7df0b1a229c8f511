<script setup lang="ts">
import figures from '@fontsource/barlow-condensed/files/barlow-condensed-latin-600-normal.woff2?url'
import text from '@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2?url'

// Asked for with the page, so that its lines do not move when the letters arrive.
useHead({
  link: [text, figures].map((href) => ({
    ...{ rel: 'preload', as: 'font', type: 'font/woff2', crossorigin: 'anonymous', href },
  })),
})
</script>

<template>
  <NuxtLayout>
    <NuxtPage />
  </NuxtLayout>
</template>
