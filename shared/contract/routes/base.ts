import { z } from '../zod'
import { idSchema } from '../fields'

export const none = z.object({})

/** A route without parameters, query and body, where it says nothing else. */
export const bare = { params: none, query: none, body: undefined }

/** A route about the one thing of its id. */
export const byId = { ...bare, params: z.object({ id: idSchema }) }
