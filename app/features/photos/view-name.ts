import type { PhotoView } from '#shared/contract/choices'

/** What a view of a photo is called. */
export const viewName = (view: PhotoView): string => t(`photos.views.${view}`)
