import { z } from '../contract/zod'
import { exchangeSchema } from '../contract/exchange'

/** The JSON Schema (2020-12) of the exchange format, made of the schema that reads it. */
export function exchangeJsonSchema(): object {
  return {
    ...z.toJSONSchema(exchangeSchema, { io: 'input', unrepresentable: 'any', reused: 'inline' }),
    title: 'A record of Oak Pinch, as it is handed out',
  }
}
