import type { PHOTO_VIEWS } from '#shared/contract/choices'

/** What a view of a photo is called. */
export const viewName = (view: (typeof PHOTO_VIEWS)[number]): string => t(`photos.views.${view}`)
