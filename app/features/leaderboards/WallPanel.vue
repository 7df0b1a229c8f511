<script setup lang="ts">
import type { Board } from '#shared/contract/leaderboards'
import { leaderboards } from '~/contract'

/** The link of a screen on the wall: whoever is in the room sees it, and nothing else comes by it. */
const { id, wall } = defineProps<{ id: string; wall: Board['wall'] }>()
const emit = defineEmits<{ changed: [now: Board] }>()
const { trouble, done, busy, submit } = useSubmit()
const params = { id }
const showsFigures = ref(wall?.showsFigures ?? false)
const address = ref('')
const words = {
  used: (when: string) => t('leaderboards.wallUsed', { when }),
  made: (when: string) => t('leaderboards.wallMade', { when }),
  make: t('leaderboards.wallMake'),
  ...{ renew: t('leaderboards.wallRenew'), end: t('leaderboards.wallEnd') },
}
async function hang() {
  const body = { showsFigures: showsFigures.value }
  const made = await submit(() => callApi(leaderboards.hang, { params, body }))
  if (!made) return
  address.value = made.addresses[0]!
  emit('changed', made.board)
}
async function takeDown() {
  const now = await submit(
    () => callApi(leaderboards.takeDown, { params }),
    t('leaderboards.wallEnded'),
  )
  if (!now) return
  address.value = ''
  emit('changed', now)
}
</script>

<template>
  <section class="space-y-3" data-test="wall-panel">
    <h2 class="border-b-2 border-ink pb-1 text-xl">{{ t('leaderboards.onWall') }}</h2>
    <p>{{ t('leaderboards.wallIntro') }}</p>
    <TickBox v-model="showsFigures">{{ t('leaderboards.wallFigures') }}</TickBox>
    <SecretLink
      :address
      :hint="t('leaderboards.wallOnce')"
      :link="wall"
      :words
      :busy
      @make="hang"
      @end="takeDown"
    />
    <p role="status">{{ done }}</p>
    <AlertLine :text="trouble" />
  </section>
</template>
