<script setup lang="ts">
import { CONVERSIONS } from '#core'
import type { ComingCheckIn, ComingEquation, ComingFinding } from '#shared/exchange/coming'
import type { BringIn } from './useBringIn'

/** Every check-in as it will stand, beside what the file says; what asks for a second look, and what is left out. */
const { bringing } = defineProps<{ bringing: BringIn }>()
const massUnit = useMassUnit()
const coming = computed(() => bringing.coming.value!)
const looked = bringing.looked
const findings = computed(() => looked.value?.findings ?? [])
const left = computed(() =>
  coming.value.left.map(({ reason, ...place }) => ({ ...place, reason: tell(reason) })),
)
const moreFindings = useMore(findings)

const at = ref(0)
const checkIns = shallowRef<ComingCheckIn[]>([])
const moreCheckIns = useMore(checkIns)
watch(
  [at, bringing.coming],
  async () => {
    if (coming.value.people.length > 0) checkIns.value = await bringing.checkInsOf(at.value)
  },
  { immediate: true },
)
onMounted(() => void bringing.look())

const placeText = (place: { sheet: string; row: number } | null) =>
  place ? t('records.row', { row: place.row }) + (place.sheet ? ` · ${place.sheet}` : '') : ''
const equationText = (one: ComingEquation) => {
  const values = {
    ...{ agree: whole(one.agree), of: whole(one.of), equation: tell(one.name) },
  }
  return one.conversion === 'direct'
    ? t('records.equation', values)
    : t('records.equationBy', { ...values, by: CONVERSIONS[one.conversion].name })
}
const foldsText = ({ sites }: ComingCheckIn) =>
  sites
    .map(({ site, trials }) => `${nameOf(site)} ${trials.map((x) => fixed(x, 1)).join(' / ')}`)
    .join(' · ')
const differs = ({ fat, fileFat }: ComingCheckIn) =>
  fat !== null && fileFat !== null && Math.abs(fat - fileFat.value) >= 0.5
const checkInsText = (count: number) => t('records.countCheckIns', counted(count))
const lookedText = computed(() => {
  const { done = 0, of = 1, found = 0 } = looked.value ?? {}
  if (done < of) return t('records.looking', { share: whole((100 * done) / of) })
  return found === 0 ? t('records.nothingOdd') : t('records.odd', counted(found))
})
const findingText = ({ name, date, place }: ComingFinding) =>
  [name, formatDate(date, true), placeText(place)].filter(Boolean).join(' · ')

async function saveLeft() {
  const { rows, reasons } = await bringing.leftOut()
  await saveLeftRows(rows, reasons, bringing.fileName.value)
}
</script>

<template>
  <div class="space-y-6">
    <section class="space-y-2" data-test="equations">
      <h3 class="text-xl">{{ t('records.oldEquation') }}</h3>
      <p v-if="coming.equations.length === 0" class="text-faded">{{ t('records.noEquation') }}</p>
      <template v-for="(one, i) in coming.equations" :key="i">
        <p class="text-lg">{{ equationText(one) }}</p>
        <ul v-if="one.odd.length" class="list-disc pl-6">
          <li v-for="odd in one.odd.slice(0, 12)" :key="`${odd.sheet}!${odd.row}`">
            {{ placeText(odd) }}
            {{ odd.looksLike ? tell(odd.looksLike) : t('records.otherwise') }}
          </li>
          <li v-if="one.odd.length > 12">
            {{ t('records.andMore', { count: one.odd.length - 12 }) }}
          </li>
        </ul>
      </template>
    </section>
    <section class="space-y-2" data-test="second-look">
      <h3 class="text-xl">{{ t('records.secondLook') }}</h3>
      <p role="status">{{ lookedText }}</p>
      <ul v-if="findings.length">
        <li
          v-for="(one, i) in moreFindings.shown.value"
          :key="i"
          class="border-b border-line py-1.5"
        >
          <span class="font-bold">{{ findingText(one) }}</span>
          <span class="block">{{ tell(one.evidence) }}</span>
        </li>
      </ul>
      <MoreButton :more="moreFindings" />
      <p v-if="findings.length" class="text-faded">{{ t('records.secondLookHint') }}</p>
    </section>
    <section v-if="left.length" class="space-y-2" data-test="left-out">
      <h3 class="text-xl">
        {{ t('records.leftOut', counted(coming.counts.left)) }}
      </h3>
      <ImportLeft :left />
      <button type="button" class="button" @click="saveLeft">{{ t('records.saveLeft') }}</button>
    </section>
    <section v-if="coming.people.length" class="space-y-3" data-test="coming">
      <h3 class="text-xl">{{ t('records.asItWillStand') }}</h3>
      <FieldRow id="of-whom" :label="t('records.ofWhom')">
        <select id="of-whom" v-model.number="at" class="field max-w-md">
          <option v-for="(person, i) in coming.people" :key="i" :value="i">
            {{ person.name }} · {{ checkInsText(person.checkIns) }}
          </option>
        </select>
      </FieldRow>
      <ScrollTable v-if="checkIns.length" :label="t('records.asItWillStand')" class="w-full">
        <thead>
          <tr class="border-b-2 border-ink text-faded">
            <th scope="col" class="py-1 font-normal">{{ t('records.day') }}</th>
            <th scope="col" class="pl-4 text-right font-normal">
              {{ t('records.mass') }}
            </th>
            <th scope="col" class="pl-4 text-right font-normal">{{ t('records.fatHere') }}</th>
            <th scope="col" class="pl-4 text-right font-normal">{{ t('records.fatFile') }}</th>
            <th scope="col" class="pl-4 font-normal">{{ t('records.readings') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(one, i) in moreCheckIns.shown.value" :key="i" class="border-b border-line">
            <th scope="row" class="py-1.5 font-bold whitespace-nowrap">
              {{ formatDate(one.date, true) }}
            </th>
            <td class="figure pl-4 text-right text-lg">
              {{ one.massKg === null ? '–' : formatMass(one.massKg, massUnit) }}
            </td>
            <td class="figure pl-4 text-right text-lg">
              {{ one.fat === null ? '–' : fixed(one.fat, 1) }}
            </td>
            <td class="figure pl-4 text-right text-lg whitespace-nowrap">
              <span v-if="differs(one)" class="text-clay">≠ </span
              >{{ one.fileFat === null ? '–' : fixed(one.fileFat.value, 1) }}
            </td>
            <td class="min-w-80 pl-4">{{ foldsText(one) }}</td>
          </tr>
        </tbody>
      </ScrollTable>
      <p v-else class="text-faded">{{ t('records.noCheckIns') }}</p>
      <MoreButton :more="moreCheckIns" />
    </section>
  </div>
</template>
