import type { MyPage } from '#shared/contract/client-side'
import { my } from '~/contract'
import { forgetOnPhone, forgetPhoto, keepOnPhone, keptOnPhone, keptPhoto } from './my-store'
import { sentOf, type ReportDraft } from './report-draft'
import { SignedOut, Unreachable } from '~/utils/problems'

/** How often it is tried again while the network is away, ms. */
const AGAIN_MS = 5000

/** A client's own page: from the server, or as it was last seen; and what waits on the phone to be sent. */
export function useMyPage() {
  const mass = useMassUnit()
  const length = useLengthUnit()
  const query = computed(() => ({ mass: mass.value, length: length.value }))
  const page = shallowRef<MyPage>()
  /** Nobody is in: a link has to be opened. */
  const out = ref(false)
  const away = ref(false)
  const trouble = ref('')
  const waiting = shallowRef<ReportDraft>()

  async function take(now: MyPage) {
    page.value = now
    await keepOnPhone('page', now)
  }
  async function load() {
    waiting.value = await keptOnPhone('waiting')
    try {
      await take(await callApi(my.page, { query: query.value }))
      out.value = away.value = false
    } catch (error) {
      // Who is signed out cannot be reached either, in the words of the rest: it is looked at first.
      if (error instanceof SignedOut) out.value = true
      else if (error instanceof Unreachable) {
        away.value = true
        page.value ??= await keptOnPhone('page')
      } else {
        out.value = true
        trouble.value = wordsOf(error as Error)
      }
    }
    void sendWaiting()
  }

  /** Puts a report in the way to the coach: it is on the phone until the server has all of it. */
  async function hand(draft: ReportDraft) {
    await keepOnPhone('waiting', draft)
    await forgetOnPhone('draft')
    waiting.value = draft
    await sendWaiting()
  }

  let sending = false
  async function sendWaiting(): Promise<void> {
    const draft = waiting.value
    if (!draft || sending || out.value) return
    sending = true
    trouble.value = ''
    try {
      const now = await callApi(my.send, { body: sentOf(draft), query: query.value })
      for (const { id, view } of draft.photos) {
        const photo = await keptPhoto(id)
        if (!photo) continue
        const { width, height, blob } = photo
        await callApi(my.addPhoto, {
          params: { id: draft.id },
          query: { photo: id, view, takenOn: draft.endsOn, width, height },
          file: blob,
        })
        await forgetPhoto(id)
      }
      await forgetOnPhone('waiting')
      waiting.value = undefined
      away.value = false
      await take(now)
    } catch (error) {
      if (error instanceof SignedOut) out.value = true
      else if (error instanceof Unreachable) away.value = true
      else {
        // What the server does not take goes back to be written on: nothing of it is lost.
        trouble.value = wordsOf(error as Error)
        await keepOnPhone('draft', draft)
        await forgetOnPhone('waiting')
        waiting.value = undefined
      }
    } finally {
      sending = false
    }
  }
  let timer: ReturnType<typeof setInterval> | undefined
  onMounted(() => {
    timer = setInterval(() => void sendWaiting(), AGAIN_MS)
    window.addEventListener('online', sendWaiting)
  })
  onBeforeUnmount(() => {
    clearInterval(timer)
    window.removeEventListener('online', sendWaiting)
  })
  return { page, out, away, trouble, waiting, query, load, take, hand }
}
