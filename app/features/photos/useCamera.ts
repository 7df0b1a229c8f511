import type { PhotoView } from '#shared/contract/choices'

/**
 * A camera of the machine itself, where the browser lets the page have one, and files that are chosen instead.
 *
 * @param video where its picture is shown
 * @param keep what becomes of a picture
 * @param failed what is done where there is no camera to be had
 */
export function useCamera(
  video: Readonly<Ref<HTMLVideoElement | null>>,
  keep: (view: PhotoView, source: Blob | HTMLVideoElement) => Promise<void>,
  failed: () => void,
) {
  const able = ref(false)
  const filming = ref<PhotoView>()
  let stream: MediaStream | undefined
  onMounted(() => (able.value = !!navigator.mediaDevices))
  async function film(view: PhotoView) {
    try {
      stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment' } })
      filming.value = view
      await nextTick()
      video.value!.srcObject = stream
      await video.value!.play()
    } catch {
      failed()
    }
  }
  function stop() {
    stream?.getTracks().forEach((track) => track.stop())
    stream = undefined
    filming.value = undefined
  }
  async function shoot() {
    await keep(filming.value!, video.value!)
    stop()
  }
  onBeforeUnmount(stop)
  function onFile(view: PhotoView, event: Event) {
    const input = event.target as HTMLInputElement
    const [file] = input.files ?? []
    if (file) void keep(view, file)
    input.value = ''
  }
  return { able, filming, film, stop, shoot, onFile }
}
