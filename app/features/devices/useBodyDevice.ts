import {
  hearPacket,
  measurementOf,
  NOTHING_HEARD,
  STEADY_MS,
  type DeviceMeasurement,
  type Heard,
} from '#core'
import { chooseDevice, knownDevice } from './bluetooth'
import type { BodyDevice } from './device'
import { STAND_INS, standIn, type StandIn } from './stand-ins'

/** A measurement with where it came from. */
export interface SentMeasurement extends DeviceMeasurement {
  device: string
}

/** How long until a device that went away is tried again, ms. Many go to sleep after each weighing. */
const AGAIN_MS = 5000

/** The device that was used last on this device: a stand-in, or one that was chosen, by its name. */
const useChosenDevice = () =>
  useCookie<{ standIn: StandIn } | { name: string } | null>('oak-pinch-device', {
    default: () => null,
    ...KEPT_ON_DEVICE,
  })

/** The scale or monitor of this window: what it is, how it is reached, and what it measures. */
export const useBodyDevice = defineStore('body-device', () => {
  const chosen = useChosenDevice()
  const device = shallowRef<BodyDevice>()
  const state = ref<'none' | 'opening' | 'on' | 'lost'>('none')
  const heard = shallowRef<Heard>(NOTHING_HEARD)
  /** The newest that is steady. */
  const measurement = shallowRef<SentMeasurement>()
  /** What stands on it and is not steady yet, kg. */
  const wandering = computed(() => (measurement.value ? undefined : heard.value.weighing?.massKg))

  let steady: ReturnType<typeof setTimeout> | undefined
  let again: ReturnType<typeof setTimeout> | undefined
  /** The same weight counts once, and once more where the device's idea of fat comes after it. */
  let counted = ''

  function settle(): void {
    clearTimeout(steady)
    const { weighing } = heard.value
    if (!weighing || !device.value) return
    const now = performance.now()
    const measured = measurementOf(heard.value, now)
    if (!measured) {
      measurement.value = undefined
      steady = setTimeout(settle, Math.max(1, weighing.since + STEADY_MS - now))
      return
    }
    const which = `${weighing.since} ${measured.fatPercent}`
    if (which === counted) return
    counted = which
    measurement.value = { ...measured, device: device.value.name }
  }

  async function open(one: BodyDevice): Promise<void> {
    close()
    device.value = one
    state.value = 'opening'
    const isStill = () => device.value === one
    const lost = () => {
      if (!isStill()) return
      state.value = 'lost'
      clearTimeout(again)
      again = setTimeout(() => {
        if (isStill() && state.value === 'lost') void connect().catch(() => {})
      }, AGAIN_MS)
    }
    const connect = async () => {
      try {
        await one.open({
          heard(id, bytes) {
            if (!isStill()) return
            heard.value = hearPacket(heard.value, id, bytes, performance.now())
            if (heard.value.wrong === 'failed') measurement.value = undefined
            settle()
          },
          lost,
        })
        if (isStill()) state.value = 'on'
        else one.close()
      } catch (error) {
        lost()
        throw error
      }
    }
    await connect()
  }

  /** Lets go of it, without forgetting which it was. */
  function close(): void {
    clearTimeout(steady)
    clearTimeout(again)
    device.value?.close()
    device.value = undefined
    state.value = 'none'
    clear()
  }

  /** Forgets what was measured: whoever comes next is somebody else. */
  function clear(): void {
    heard.value = NOTHING_HEARD
    measurement.value = undefined
  }

  async function choose(): Promise<void> {
    const one = await chooseDevice()
    if (!one) return
    chosen.value = { name: one.name }
    await open(one)
  }
  async function useStandIn(kind: StandIn): Promise<void> {
    chosen.value = { standIn: kind }
    await open(standIn(kind))
  }
  /** Opens what was used last, where that can be had without asking. */
  async function resume(): Promise<void> {
    if (device.value || !chosen.value) return
    const last = chosen.value
    if ('standIn' in last) {
      if (STAND_INS.includes(last.standIn)) await open(standIn(last.standIn))
      return
    }
    const known = await knownDevice(last.name)
    if (known) await open(known)
  }
  function letGo(): void {
    chosen.value = null
    close()
  }

  return {
    ...{ chosen, device, state, heard, measurement, wandering },
    ...{ choose, useStandIn, resume, letGo, clear },
  }
})
