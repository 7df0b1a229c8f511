/// <reference types="web-bluetooth" />
import { type BodyDevice, type Listener, SERVICES } from './device'

const bluetooth = () => (import.meta.client ? navigator.bluetooth : undefined)

/** Whether this browser, at this address, speaks with devices at all. */
export const speaksBluetooth = (): boolean => bluetooth() !== undefined

/** Has the coach choose a device near by, in the browser's own dialog. @returns undefined where none was chosen */
export async function chooseDevice(): Promise<BodyDevice | undefined> {
  const filters = SERVICES.map(({ service }) => ({ services: [service] }))
  try {
    return deviceOf(await bluetooth()!.requestDevice({ filters }))
  } catch (error) {
    // The dialog was closed without a choice.
    if (error instanceof DOMException && error.name === 'NotFoundError') return undefined
    throw error
  }
}

/** A device that was chosen before, where the browser still lets this page have it. */
export async function knownDevice(name: string): Promise<BodyDevice | undefined> {
  const known = (await bluetooth()?.getDevices?.()) ?? []
  const found = known.find((one) => one.name === name)
  return found && deviceOf(found)
}

function deviceOf(device: BluetoothDevice): BodyDevice {
  let listener: Listener | undefined
  const lost = () => listener?.lost()
  return {
    name: device.name ?? t('devices.unnamed'),
    standsIn: false,
    async open(asking) {
      listener = asking
      device.addEventListener('gattserverdisconnected', lost)
      const server = await device.gatt!.connect()
      let found = 0
      for (const { service, sends } of SERVICES) {
        const characteristic = await server
          .getPrimaryService(service)
          .then((one) => one.getCharacteristic(Number.parseInt(sends, 16)))
          // A scale has one of the two, a monitor one or both.
          .catch(() => undefined)
        if (!characteristic) continue
        characteristic.addEventListener('characteristicvaluechanged', () => {
          const { value } = characteristic
          if (value)
            listener?.heard(sends, new Uint8Array(value.buffer, value.byteOffset, value.byteLength))
        })
        await characteristic.startNotifications()
        found++
      }
      if (found === 0) throw new Error(t('devices.sendsNothing'))
    },
    close() {
      listener = undefined
      device.removeEventListener('gattserverdisconnected', lost)
      device.gatt?.disconnect()
    },
  }
}
