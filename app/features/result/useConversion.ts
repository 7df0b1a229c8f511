import { convertsFor, type Conversion, type Sex } from '#core'

/** By which line a density becomes a share of fat, for somebody of a sex; what was made on the other gives way at once. */
export function useConversion(sex: Ref<Sex>): Ref<Conversion> {
  const conversion = ref<Conversion>('siri')
  watch(
    sex,
    (to) => {
      if (!convertsFor(conversion.value, to)) conversion.value = 'siri'
    },
    { flush: 'sync' },
  )
  return conversion
}
