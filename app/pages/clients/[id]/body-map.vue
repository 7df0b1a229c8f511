<script setup lang="ts">
import {
  changesAt,
  correctedChanges,
  isBeyond,
  isSkinfold,
  lookAtRecord,
  partsOfRecord,
  readDifferences,
  type SiteId,
} from '#core'
import { spotOf } from '~/ui/figure/sites'

await breathe()

const { view, error, measured } = await useClientRecord('client.bodyMap')

const { then, now, choose } = usePair(view, measured)
const lengthUnit = useLengthUnit()
const units = computed(() => ({ mass: 'kg', length: lengthUnit.value }) as const)

/** Every site's change between the two by the whole record up to the later one. */
const changes = computed(() => {
  const last = now.value
  if (!then.value || !last) return {}
  const checkIns = measured.value.slice(0, measured.value.indexOf(last) + 1)
  const look = lookAtRecord(
    { ...partsOfRecord(view.value, checkIns), everySite: true },
    { retrospect: { chosen: then.value.measuredOn } },
  )
  const newest = look?.course('chosen').at(-1)
  return newest ? changesAt(newest) : {}
})
await workOut(changes)

/** Sites that both read, with what changed; folds and girths are looked at by themselves. */
const sitesOf = computed(() => {
  if (!then.value || !now.value) return { folds: [], girths: [] }
  const { folds, girths } = readDifferences(view.value.client, then.value, now.value)
  const changed = (read: typeof folds) => {
    const found = read.flatMap((site) => {
      const change = changes.value[site.site]
      return change ? [{ ...site, change }] : []
    })
    return found.map((site) => ({ ...site, beyond: isBeyond(site.change, found.length) }))
  }
  return { folds: changed(folds), girths: changed(girths) }
})
const corrected = computed(() => {
  const found = correctedChanges(changes.value)
  return found.map((c) => ({ ...c, beyond: isBeyond(c, found.length) }))
})

const dates = computed(() =>
  measured.value.map(({ id, measuredOn }) => ({ id, name: formatDate(measuredOn, true) })),
)
const chosen = computed({ get: () => then.value?.id, set: (id) => choose({ then: id }) })

const kind = ref<'folds' | 'girths'>('folds')
const kinds = computed(() =>
  (
    [
      { value: 'folds', name: t('bodyMap.folds') },
      { value: 'girths', name: t('bodyMap.girths') },
    ] as const
  ).filter(({ value }) => sitesOf.value[value].length),
)
const shownSites = computed(() => sitesOf.value[kind.value])
/** A value as it was read. */
const asRead = (site: SiteId, value: number) =>
  isSkinfold(site) ? formatFold(value) : lengthText(value, lengthUnit.value)
const largest = computed(() =>
  Math.max(1e-9, ...shownSites.value.map(({ change }) => Math.abs(change.change))),
)
const spots = computed(() =>
  shownSites.value.flatMap(({ site, change, beyond }) => {
    const spot = spotOf(site, view.value.client.sex)
    if (!spot) return []
    return [
      {
        ...{ id: site, name: nameOf(site), spot },
        text: `${signedQuantity(site, change.change, units.value)} ${unitOfQuantity(site, units.value)}`,
        share: change.change / largest.value,
        sure: beyond,
      },
    ]
  }),
)
const sides = computed(() =>
  (['front', 'side', 'back'] as const)
    .map((side) => ({ side, marks: spots.value.filter(({ spot }) => spot.view === side) }))
    .filter(({ side, marks }) => side !== 'side' || marks.length > 0),
)
const rows = computed(() => [...sitesOf.value.folds, ...sitesOf.value.girths])
</script>

<template>
  <ClientPage :view :error>
    <NeedsCheckIn
      v-if="!then || !now"
      :client-id="view.client.id"
      :text="t('bodyMap.twoCheckInsNeededSee')"
    />
    <template v-else>
      <div class="flex flex-wrap items-end gap-x-6 gap-y-3 pb-3">
        <div>
          <label for="since" class="block pb-1 font-bold">{{ t('bodyMap.changedSince') }}</label>
          <select id="since" v-model="chosen" class="field w-auto!">
            <option v-for="date in dates" :key="date.id" :value="date.id">{{ date.name }}</option>
          </select>
        </div>
        <InTurn>
          <ChoiceRow v-model="kind" :label="t('client.whatShown')" hide-label :options="kinds" />
        </InTurn>
        <p class="pb-3 text-faded">
          {{ t('bodyMap.mapLegend', { day: formatDate(now.measuredOn, true) }) }}
        </p>
      </div>

      <div
        class="grid gap-4 sm:grid-cols-2"
        :class="{ 'xl:grid-cols-3': sides.length > 2 }"
        data-test="body-map"
      >
        <div v-for="{ side, marks } in sides" :key="side" class="h-[480px]">
          <InTurn>
            <ChangeFigure
              :view="side"
              :build="view.client.sex"
              :spots="marks"
              :label="t('bodyMap.changesSeenFromSideTable', { side: t(`common.${side}`) })"
            />
          </InTurn>
        </div>
      </div>
      <InTurn>
        <section v-if="corrected.length" class="pt-4">
          <h2 class="border-b-2 border-ink pb-1 text-xl">{{ t('bodyMap.muscleFatAtOnePlace') }}</h2>
          <p class="max-w-3xl py-2">
            {{ t('bodyMap.girthLessFoldOverMuscle') }}
          </p>
          <ul>
            <li
              v-for="c in corrected"
              :key="c.girth + c.fold"
              class="flex flex-wrap gap-x-4 border-b border-line py-1"
            >
              <strong class="w-56">{{
                t('bodyMap.girthLessFold', {
                  girth: nameOf(c.girth),
                  fold: nameOf(c.fold),
                })
              }}</strong>
              <span class="figure text-[20px]">
                {{ signedQuantity(c.girth, c.change, units) }} ± {{ reachOf(c.girth, c.sd, units) }}
                {{ lengthUnit }}
              </span>
              <BeyondMark :change="c.change" :beyond="c.beyond" />
            </li>
          </ul>
        </section>
      </InTurn>
      <InTurn>
        <ScrollBox :label="t('bodyMap.everySite2')" class="pt-5">
          <table class="w-full max-w-4xl border-collapse text-left" data-test="sites">
            <caption class="pb-1 text-left text-faded">
              {{
                t('bodyMap.whatWasReadWhatChanged')
              }}
            </caption>
            <TableHead
              :columns="['then', 'now', 'changed', t('bodyMap.giveOrTake')]"
              last="verdict"
              wide
            />
            <tbody>
              <tr v-for="row in rows" :key="row.site" class="border-b border-line">
                <th scope="row" class="py-1 pr-3">{{ nameOf(row.site) }}</th>
                <td class="figure pl-6 text-right text-[19px] text-faded">
                  {{ asRead(row.site, row.then) }}
                </td>
                <td class="figure pl-6 text-right text-[19px]">
                  {{ asRead(row.site, row.now) }}
                </td>
                <td class="figure pl-6 text-right text-[21px] whitespace-nowrap">
                  {{ signedQuantity(row.site, row.change.change, units) }}
                  {{ unitOfQuantity(row.site, units) }}
                </td>
                <td class="figure pl-6 text-right text-[19px] text-faded">
                  {{ reachOf(row.site, row.change.sd, units) }}
                </td>
                <td class="pl-6">
                  <BeyondMark :change="row.change.change" :beyond="row.beyond" />
                </td>
              </tr>
            </tbody>
          </table>
        </ScrollBox>
      </InTurn>
    </template>
  </ClientPage>
</template>
