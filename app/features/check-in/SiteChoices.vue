<script setup lang="ts">
import { GIRTH_IDS, type GirthId, type SiteId } from '#core'
import { SKIP_REASONS_OF, type SkipReason } from '#shared/contract/choices'
import type { SiteKind } from './useSiteEntry'

/** What can be chosen at a site by its number: why it is skipped, another site, one more girth. */
const props = defineProps<{
  kind: SiteKind
  asking?: string
  sites: readonly SiteId[]
  /** The site in hand. */ name: string
}>()
const emit = defineEmits<{
  skip: [reason: SkipReason]
  site: [site: SiteId]
  girth: [girth: GirthId]
  close: []
}>()
const { protocol } = storeToRefs(useCheckInStore())

const siteOptions = computed(() =>
  props.sites.map((site) => ({ value: site, name: siteNameIn(protocol.value, site) })),
)
/** Girths that the protocol does not have: any can be taken besides. */
const extraOptions = computed(() =>
  GIRTH_IDS.filter((girth) => !props.sites.includes(girth)).map((girth) => ({
    value: girth,
    name: nameOf(girth),
  })),
)
const reasons = SKIP_REASONS_OF[props.kind].map((reason) => ({
  value: reason as SkipReason,
  name: skipText(reason),
}))
</script>

<template>
  <NumberedChoice
    :title="t('checkIn.skipNameWhy', { name })"
    :open="asking === 'skip'"
    unchosen
    :options="reasons"
    @choose="emit('skip', $event)"
    @close="emit('close')"
  />
  <NumberedChoice
    :title="t('checkIn.anotherGirth2')"
    :open="asking === 'girth'"
    :options="extraOptions"
    @choose="emit('girth', $event)"
    @close="emit('close')"
  />
  <NumberedChoice
    :title="t('checkIn.go2')"
    :open="asking === 'site'"
    :options="siteOptions"
    @choose="emit('site', $event)"
    @close="emit('close')"
  />
</template>
