<script setup lang="ts">
import {
  formatDate,
  formatFold,
  isSkinfold,
  judgeChange,
  lengthText,
  nameOf,
  signed,
  signedLength,
  type SiteChange,
  type SiteId,
} from '#core'
import { spotOf } from '~/ui/figure/sites'

await breathe()

const { view, error, measured } = await useClientRecord('body map')

const { then, now, choose } = usePair(view, measured)
const judgement = computed(
  () => then.value && now.value && judgeChange(view.value.client, then.value, now.value),
)
const lengthUnit = useLengthUnit()

const dates = computed(() =>
  measured.value.map(({ id, measuredOn }) => ({ id, name: formatDate(measuredOn, true) })),
)
const chosen = computed({ get: () => then.value?.id, set: (id) => choose({ then: id }) })

const kind = ref<'folds' | 'girths'>('folds')
const kinds = computed(() =>
  (
    [
      { value: 'folds', name: 'folds' },
      { value: 'girths', name: 'girths' },
    ] as const
  ).filter(({ value }) => judgement.value?.[value].length),
)
const changes = computed<SiteChange[]>(() => judgement.value?.[kind.value] ?? [])
/** A value as it was read. */
const asRead = (site: SiteChange['site'], value: number) =>
  isSkinfold(site) ? formatFold(value) : lengthText(value, lengthUnit.value)
const signedAsRead = (site: SiteId, change: number) =>
  isSkinfold(site) ? signed(change, 1) : signedLength(change, lengthUnit.value)
const unitOf = (site: string) => (isSkinfold(site) ? 'mm' : lengthUnit.value)

const largest = computed(() =>
  Math.max(1e-9, ...changes.value.map(({ verdict }) => Math.abs(verdict.change))),
)
const spots = computed(() =>
  changes.value.flatMap(({ site, verdict }) => {
    const spot = spotOf(site)
    if (!spot) return []
    return [
      {
        ...{ id: site, name: nameOf(site), spot },
        text: `${signedAsRead(site, verdict.change)} ${unitOf(site)}`,
        share: verdict.change / largest.value,
        sure: verdict.certainty === 'clear' || verdict.certainty === 'likely',
      },
    ]
  }),
)
const sides = (['front', 'back'] as const).map((side) => ({ side }))
const rows = computed(() => [...(judgement.value?.folds ?? []), ...(judgement.value?.girths ?? [])])
</script>

<template>
  <ClientPage :view :error>
    <p v-if="!then || !now" class="text-lg">
      Two check-ins are needed to see where something changed.
    </p>
    <template v-else>
      <div class="flex flex-wrap items-end gap-x-6 gap-y-3 pb-3">
        <div>
          <label for="since" class="block pb-1 font-bold">Changed since</label>
          <select id="since" v-model="chosen" class="field w-auto!">
            <option v-for="date in dates" :key="date.id" :value="date.id">{{ date.name }}</option>
          </select>
        </div>
        <InTurn>
          <ChoiceRow v-model="kind" label="What is shown" hide-label :options="kinds" />
        </InTurn>
        <p class="pb-3 text-faded">
          up to {{ formatDate(now.measuredOn, true) }}. ▲ more, ▼ less; filled where it is sure.
        </p>
      </div>
      <div class="grid gap-4 sm:grid-cols-2" data-test="body-map">
        <div v-for="{ side } in sides" :key="side" class="h-[480px]">
          <InTurn>
            <ChangeFigure
              :view="side"
              :spots="spots.filter(({ spot }) => spot.view === side)"
              :label="`Changes seen from the ${side}. The table below has every number.`"
            />
          </InTurn>
        </div>
      </div>
      <InTurn>
        <section v-if="judgement?.corrected.length" class="pt-4">
          <h2 class="border-b-2 border-ink pb-1 text-xl">Muscle and fat at one place</h2>
          <p class="max-w-3xl py-2">
            The girth less the fold over it is muscle and bone; standard anthropometry, which takes
            the limb for a circle.
          </p>
          <ul>
            <li
              v-for="c in judgement.corrected"
              :key="c.girth + c.fold"
              class="flex flex-wrap gap-x-4 border-b border-line py-1"
            >
              <strong class="w-56"
                >{{ nameOf(c.girth) }} less {{ nameOf(c.fold).toLowerCase() }}</strong
              >
              <span class="figure text-[20px]">
                {{ lengthText(c.then, lengthUnit) }} →
                {{ lengthText(c.now, lengthUnit) }}
                {{ lengthUnit }}
              </span>
              <VerdictMark :verdict="c.verdict" />
            </li>
          </ul>
        </section>
      </InTurn>
      <InTurn>
        <ScrollBox label="Every site" class="pt-5">
          <table class="w-full max-w-4xl border-collapse text-left" data-test="sites">
            <caption class="pb-1 text-left text-faded">
              Every site, judged with their number in mind (Holm): of many sites one is always
              furthest.
            </caption>
            <TableHead :columns="['then', 'now', 'change', 'can tell from']" last="verdict" wide />
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
                  {{ signedAsRead(row.site, row.verdict.change) }} {{ unitOf(row.site) }}
                </td>
                <td class="figure pl-6 text-right text-[19px] text-faded">
                  {{ asRead(row.site, row.verdict.minimalDetectableChange) }}
                </td>
                <td class="pl-6"><VerdictMark :verdict="row.verdict" /></td>
              </tr>
            </tbody>
          </table>
        </ScrollBox>
      </InTurn>
    </template>
  </ClientPage>
</template>
