<script setup lang="ts">
import { PAPER_SIZES, REPORTS, type PaperSize, type ReportKind } from '#shared/contract/choices'
import type { Client } from '#shared/contract/clients'
import { reports } from '~/contract'
import { saveAs } from '~/features/records/save-left'
import { drawPages, type DrawnPage } from './pages'

/** A page on paper as it will be handed over, and the ways to hand it over. */
const { client } = defineProps<{ client: Client }>()

const massUnit = useMassUnit()
const lengthUnit = useLengthUnit()
const kind = ref<ReportKind>('client')
const kinds = REPORTS.map((value) => ({
  ...{ value, name: t(`paper.kinds.${value}`), detail: t(`paper.kindHints.${value}`) },
}))
const isLetter = ['US', 'CA', 'MX', 'PH'].includes(new Intl.Locale(language()).region ?? '')
const size = ref<PaperSize>(isLetter ? 'letter' : 'a4')
const sizes = PAPER_SIZES.map((value) => ({ value, name: t(`paper.sizes.${value}`) }))
const girths = ref(false)

const { trouble, done, busy, submit } = useSubmit()
const file = shallowRef<Blob>()
const pages = shallowRef<(DrawnPage & { address: string })[]>([])
const forget = () => {
  for (const { address } of pages.value) URL.revokeObjectURL(address)
}
const asked = computed(() => ({
  params: { id: client.id, kind: kind.value },
  query: {
    ...{ paper: size.value, mass: massUnit.value, length: lengthUnit.value },
    girths: girths.value ? ('yes' as const) : ('no' as const),
  },
}))
let latest = 0
async function load() {
  const turn = ++latest
  const made = await submit(async () => {
    const pdf = await callApi(reports.client, asked.value)
    return { pdf: pdf as Blob, drawn: await drawPages(pdf as Blob) }
  })
  if (turn !== latest) return load()
  if (!made) return
  forget()
  file.value = made.pdf
  pages.value = made.drawn.map((page) => ({
    ...{ ...page, address: URL.createObjectURL(page.picture) },
  }))
}
onMounted(() => void load())
onBeforeUnmount(forget)
watch(asked, () => {
  if (busy.value) latest++
  else void load()
})

const name = computed(() => `${client.name} – ${t(`paper.kinds.${kind.value}`)}`)
const savePdf = () => saveAs(file.value!, `${name.value}.pdf`)
function savePicture() {
  for (const [i, { picture }] of pages.value.entries())
    saveAs(picture, pages.value.length > 1 ? `${name.value} ${i + 1}.png` : `${name.value}.png`)
}
const text = computed(() => pages.value.map((page) => page.text).join('\n\n'))
const copy = () => submit(() => navigator.clipboard.writeText(text.value), t('paper.copied'))
/** Prints the page itself, and not the one that it is seen on. */
function print() {
  const frame = window.open(URL.createObjectURL(file.value!))
  frame?.addEventListener('load', () => frame.print())
}
const shared = computed(() => {
  if (import.meta.server || !file.value) return undefined
  const files = [new File([file.value], `${name.value}.pdf`, { type: 'application/pdf' })]
  return navigator.canShare?.({ files }) ? { files, title: name.value } : undefined
})
async function share() {
  await navigator.share(shared.value).catch(() => {})
}
</script>

<template>
  <div class="grid gap-x-10 gap-y-6 lg:grid-cols-[20rem_1fr]">
    <div class="space-y-5">
      <ChoiceRow v-model="kind" :label="t('paper.page')" :options="kinds" />
      <TickBox v-if="kind === 'client'" v-model="girths">{{ t('paper.withGirths') }}</TickBox>
      <ChoiceRow v-model="size" :label="t('paper.size')" :options="sizes" compact />
      <div class="flex flex-wrap gap-3" data-test="hand-over">
        <button
          v-if="shared"
          type="button"
          class="button button-lead"
          :disabled="!file"
          @click="share"
        >
          {{ t('paper.share') }}
        </button>
        <button type="button" class="button" :disabled="!file" @click="savePdf">
          {{ t('paper.savePdf') }}
        </button>
        <button type="button" class="button" :disabled="!file" @click="savePicture">
          {{ t('paper.savePicture') }}
        </button>
        <button type="button" class="button" :disabled="!file" @click="copy">
          {{ t('paper.copyText') }}
        </button>
        <button type="button" class="button" :disabled="!file" @click="print">
          {{ t('paper.print') }}
        </button>
      </div>
      <p role="status">{{ busy ? t('paper.making') : done }}</p>
      <AlertLine :text="trouble" />
    </div>
    <div class="space-y-4">
      <img
        v-for="(page, i) in pages"
        :key="page.address"
        :src="page.address"
        :alt="page.text"
        class="w-full max-w-2xl border border-line bg-white"
        :data-test="`paper-${i + 1}`"
      />
    </div>
  </div>
</template>
