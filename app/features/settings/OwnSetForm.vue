<script setup lang="ts">
import { GIRTH_IDS, LANDMARK_STANDARDS, PROTOCOLS, isOwnSite, isSkinfold, BONE_IDS } from '#core'
import type { useOwnSetDraft } from './useOwnSetDraft'

/** A set of the coach's own: its sites, how they are read, and what they are called. */
const props = defineProps<{ own: ReturnType<typeof useOwnSetDraft>; trouble: string }>()
const emit = defineEmits<{ keep: [] }>()

const { draft, folds, sites, addSite, copy, definition, fedBy } = props.own

/** The rules of a set, which come with the first one that is opened. */
const rules = shallowRef<(typeof import('#shared/contract/equipment'))['ownProtocolSchema']>()
onMounted(
  async () => (rules.value = (await import('#shared/contract/equipment')).ownProtocolSchema),
)
const fed = computed(() => {
  const read = rules.value?.safeParse(definition.value)
  return read?.success ? fedBy(read.data) : undefined
})

const standards = LANDMARK_STANDARDS.map((value) => ({
  value,
  name: standardName(value),
}))
const girths = computed(() => [...GIRTH_IDS, ...draft.value!.girths.filter(isOwnSite)])
const DELAYS = [
  { value: 'none', name: t('settings.noneAtClick') },
  ...['1', '2', '3', '4'].map((value) => ({ value, name: `${value} s` })),
]
const start = ref('')
watch(start, copy)
</script>

<template>
  <form v-if="draft" class="space-y-5" novalidate @submit.prevent="emit('keep')">
    <FieldRow v-if="draft.id === ''" id="own-start" :label="t('settings.startFrom')">
      <select id="own-start" v-model="start" class="field">
        <option value="">{{ t('settings.emptySheet') }}</option>
        <option v-for="p in PROTOCOLS" :key="p.id" :value="p.id">{{ tell(p.name) }}</option>
      </select>
    </FieldRow>
    <TextField id="own-name" v-model="draft.name" :label="t('settings.name')" maxlength="60" />
    <ChoiceRow
      v-model="draft.standard"
      :label="t('settings.landmarkStandard')"
      compact
      :options="standards"
    />
    <SiteToggles
      v-model="draft.folds"
      :label="t('settings.foldsOrderYouTickThem')"
      :sites="folds"
    />
    <OwnSiteField
      id="own-fold"
      :label="t('settings.foldYourOwn')"
      :add="(name: string) => addSite('fold', name)"
    />
    <SiteToggles v-model="draft.girths" :label="t('settings.girths')" :sites="girths" />
    <OwnSiteField
      id="own-girth"
      :label="t('settings.girthYourOwn')"
      :add="(name: string) => addSite('girth', name)"
    />
    <SiteToggles v-model="draft.bones" :label="t('settings.bones')" :sites="BONE_IDS" />
    <FoldOut :title="t('settings.howFoldsRead')" open>
      <TrialSchemeFields id="own-folds" v-model="draft.foldTrials" unit="mm" />
      <ChoiceRow
        v-model="draft.delay"
        class="pt-3"
        :label="t('settings.secondsFromClosingJawsReading')"
        compact
        :options="DELAYS"
      />
    </FoldOut>
    <FoldOut :title="t('settings.howGirthsRead')">
      <TrialSchemeFields id="own-girths" v-model="draft.girthTrials" unit="cm" />
    </FoldOut>
    <FoldOut
      v-if="sites.length"
      :title="t('settings.namesLandmarksYourOwnWords')"
      :open="sites.some(({ own: of }) => of)"
    >
      <p class="pb-2 text-faded">
        {{ t('settings.emptyStandardSOwnOther') }}
      </p>
      <fieldset
        v-for="{ site, name, own: ofTheCoach, techniques } in sites"
        :key="site"
        class="border-t border-line pb-3"
      >
        <legend class="float-left w-full pt-2 pb-1 text-lg font-bold">{{ name }}</legend>
        <template v-if="draft.wording[site]">
          <div class="clear-both grid gap-3" :class="{ 'sm:grid-cols-[2fr_3fr]': !ofTheCoach }">
            <TextField
              v-if="!ofTheCoach"
              :id="`name-${site}`"
              v-model="draft.wording[site].name"
              :label="t('settings.yourName')"
              maxlength="40"
            />
            <TextField
              :id="`landmark-${site}`"
              v-model="draft.wording[site].landmark"
              :label="t('settings.whereLies')"
              maxlength="200"
            />
          </div>
          <FieldRow
            v-if="techniques.length && isSkinfold(site)"
            :id="`technique-${site}`"
            class="pt-3"
            :label="t('settings.howTaken')"
          >
            <select
              :id="`technique-${site}`"
              v-model="draft.wording[site].technique"
              class="field max-w-60"
            >
              <option value="">{{ techniques[0]!.name }}</option>
              <option v-for="way in techniques.slice(1)" :key="way.id" :value="way.id">
                {{ way.name }}
              </option>
            </select>
          </FieldRow>
        </template>
      </fieldset>
    </FoldOut>
    <p v-if="fed !== undefined" role="status">
      {{
        fed === 0
          ? t('settings.feedsNoEquationRecordOnly')
          : t('settings.feedsFedEquations', { count: fed })
      }}
    </p>
    <AlertLine :text="trouble" />
    <button type="submit" class="button button-lead">{{ t('settings.keepSet') }}</button>
  </form>
</template>
