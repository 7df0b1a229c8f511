<script setup lang="ts">
import {
  girthLandmark,
  isSkinfold,
  landmarkOf,
  LANDMARK_STANDARD_NAMES,
  standardOfSite,
  standardWithin,
  TECHNIQUES,
  techniqueOf,
  type SiteId,
  isBone,
  sitesOf,
} from '#core'
import { spotOf } from '../../ui/figure/sites'

const emit = defineEmits<{ done: [] }>()

const store = useCheckInStore()
const { client, protocol } = storeToRefs(store)

const on = useTemplateRef<HTMLButtonElement>('on')
onMounted(() => on.value?.focus({ preventScroll: true }))

const LANDMARK_STANDARD_WORDS = {
  who: 'WHO',
  navy: t('checkIn.navy'),
  nhanes: t('checkIn.nationalSurveys'),
  ...tellAll(LANDMARK_STANDARD_NAMES),
}

interface Entry {
  site: SiteId
  name: string
  where: string
  how: string
  finding?: string
  /** Direction, standard and offset in one line. */
  line: string
  variants: string[]
}

const entries = computed<Entry[]>(() => {
  const { sex } = client.value!
  return sitesOf(protocol.value, sex).map((site) => {
    const guide = siteGuide(protocol.value, site, sex)
    if (isBone(site)) return { site, ...guide, line: t('checkIn.boneCaliper'), variants: [] }
    if (!isSkinfold(site)) {
      const variants = Object.entries(tellAll(girthLandmark(site)?.standards ?? {})).map(
        ([standard, words]) =>
          `${LANDMARK_STANDARD_WORDS[standard as keyof typeof LANDMARK_STANDARD_WORDS]}: ${words}`,
      )
      return { site, ...guide, line: t('checkIn.girthTapeLevel'), variants }
    }
    const standard = standardOfSite(protocol.value, site)
    const fold = tellAll(landmarkOf(site, standard))
    const way = techniqueOf(protocol.value, site)
    const own = protocol.value.wording[site]?.landmark !== undefined
    return {
      ...{ site, ...guide, finding: own ? undefined : fold?.finding },
      line: [
        fold
          ? t('checkIn.directionFoldRunsRuns', { direction: fold.direction, runs: fold.runs })
          : t('checkIn.fold'),
        own ? t('checkIn.yourOwnWords') : standardName(standard),
        ...(way !== null && !own
          ? [fold?.techniques?.find(({ id }) => id === way)?.name ?? way]
          : []),
      ].join(' · '),
      variants: [
        ...(fold?.variants ?? []),
        ...(fold?.techniques ?? []).map(({ name, how }) => `${name}: ${how}`),
      ],
    }
  })
})

const current = ref<SiteId>(entries.value[0]!.site)
const entry = computed(() => entries.value.find(({ site }) => site === current.value)!)
const found = ref(new Set<SiteId>())
const spot = computed(() => spotOf(current.value, client.value!.sex))
const others = computed(() =>
  entries.value
    .filter(({ site }) => site !== current.value)
    .flatMap(({ site }) => spotOf(site, client.value!.sex) ?? [])
    .filter(({ view }) => view === spot.value?.view),
)

function find(site: SiteId) {
  if (found.value.has(site)) found.value.delete(site)
  else found.value.add(site)
}

const mark = computed(() => store.siteNoteOf(current.value))
const side = computed(() => mark.value?.side ?? 'right')
const text = ref('')
const kept = computed(() => mark.value?.text ?? '')
watch([current, kept], () => (text.value = kept.value), { immediate: true })
useHalfTyped(
  'site-note',
  notKept(text, () => kept.value),
  () => current.value,
)

function keep(change: { text?: string; side?: 'right' | 'left' }) {
  const site = current.value
  store.keepSiteNote({
    site,
    standard: standardWithin(site, protocol.value.standard),
    text: (change.text ?? mark.value?.text ?? '').trim(),
    side: change.side ?? side.value,
  })
}
const sides = [
  { value: 'right', name: t('checkIn.right') },
  { value: 'left', name: t('checkIn.leftThenAlways') },
] as { value: 'right' | 'left'; name: string }[]

const technique = computed(
  () => TECHNIQUES.find(({ standard }) => standard === protocol.value.standard) ?? TECHNIQUES[0]!,
)
const first = computed(() => (protocol.value.folds[client.value!.sex].length ? 'folds' : 'tape'))
</script>

<template>
  <div class="grid flex-1 lg:grid-cols-[290px_1fr]">
    <FigurePanel
      :spot
      :others
      :side
      :build="client!.sex"
      :name="entry.name"
      :label="figureLabel(entry.name, entry.where, side, spot)"
    />
    <section class="grid min-w-0 content-start gap-x-8 px-4 py-5 sm:px-8 xl:grid-cols-[300px_1fr]">
      <div>
        <p class="text-faded">{{ t('checkIn.landmarksFindMarkAllThen') }}</p>
        <ul class="pt-2">
          <li
            v-for="item in entries"
            :key="item.site"
            class="flex items-center gap-1 border-b border-line"
            :class="{ 'bg-white': item.site === current }"
          >
            <button
              type="button"
              class="grid size-11 shrink-0 place-items-center"
              role="checkbox"
              :aria-checked="found.has(item.site)"
              :aria-label="t('checkIn.nameFoundMarked', { name: item.name })"
              @click="find(item.site)"
            >
              <span
                aria-hidden="true"
                class="grid size-6 place-items-center rounded border-2"
                :class="found.has(item.site) ? 'border-leaf bg-leaf text-white' : 'border-faded'"
                >{{ found.has(item.site) ? '✓' : '' }}</span
              >
            </button>
            <button
              type="button"
              class="min-h-11 min-w-0 flex-1 text-left"
              :class="{ 'font-bold': item.site === current }"
              :aria-current="item.site === current ? 'true' : undefined"
              @click="current = item.site"
            >
              {{ item.name }}
              <span
                v-if="
                  store.siteNoteOf(item.site)?.text || store.siteNoteOf(item.site)?.side === 'left'
                "
                class="block truncate text-sm font-normal text-leaf"
              >
                {{
                  store.siteNoteOf(item.site)!.side === 'left'
                    ? t('checkIn.leftNote', { note: store.siteNoteOf(item.site)!.text })
                    : store.siteNoteOf(item.site)!.text
                }}
              </span>
            </button>
          </li>
        </ul>
      </div>
      <div class="min-w-0 pt-4 xl:pt-0">
        <p class="text-faded">{{ entry.line }}</p>
        <h2 class="text-[36px] sm:text-[52px]" data-test="landmark">{{ entry.name }}</h2>
        <p class="max-w-xl text-lg">{{ entry.where }}</p>
        <p v-if="entry.finding" class="max-w-xl pt-1 text-lg">
          <strong>{{ t('checkIn.finding') }}</strong> {{ entry.finding }}
        </p>
        <p v-if="entry.how" class="max-w-xl pt-1 text-lg">
          <strong>{{ t('checkIn.posture') }}</strong> {{ entry.how }}
        </p>
        <p v-if="isSkinfold(current)" class="max-w-xl pt-1">
          <strong>{{ t('checkIn.lifting') }}</strong> {{ tell(technique.grip) }}
        </p>
        <ul v-if="entry.variants.length" class="max-w-xl pt-2 text-faded">
          <li v-for="variant in entry.variants" :key="variant">{{ variant }}</li>
        </ul>
        <form class="max-w-xl pt-4" @submit.prevent="keep({ text })">
          <label for="own-mark" class="block pb-1 font-bold">
            {{ t('checkIn.siteNoteFor', { name: firstName(client!.name) }) }}
          </label>
          <div class="flex gap-2">
            <input
              id="own-mark"
              v-model="text"
              class="field min-w-0 flex-1"
              maxlength="120"
              autocomplete="off"
              :placeholder="t('checkIn.freckle1CmOut')"
              @change="keep({ text })"
            />
            <button type="submit" class="button">{{ t('checkIn.keep') }}</button>
          </div>
        </form>
        <div class="pt-3">
          <ChoiceRow
            :model-value="side"
            :label="t('checkIn.side')"
            :options="sides"
            @update:model-value="keep({ side: $event })"
          />
        </div>
      </div>
    </section>
  </div>
  <div
    class="sticky bottom-0 border-t border-line bg-chalk px-4 pt-3 pb-[calc(0.75rem+env(safe-area-inset-bottom))] sm:px-6"
  >
    <button ref="on" type="button" class="button button-lead" @click="emit('done')">
      {{ first === 'folds' ? t('checkIn.continueFolds') : t('checkIn.continueTape') }}
    </button>
    <span class="pl-4 text-faded max-sm:hidden">
      {{ t('checkIn.marked', { found: found.size, all: entries.length }) }}
    </span>
  </div>
</template>
