import { z } from '../zod'
import { route } from '../define'
import {
  LARGEST_PHOTO_BYTES,
  PHOTO_TYPES,
  newPhotoSchema,
  photoPointsSchema,
  photoSchema,
} from '../photos'
import { byId } from './base'

export const photos = {
  list: route({
    action: 'photos.see',
    ...byId,
    method: 'GET',
    path: '/api/clients/:id/photos',
    reply: z.array(photoSchema),
  }),
  add: route({
    action: 'photos.change',
    ...byId,
    method: 'POST',
    path: '/api/clients/:id/photos',
    query: newPhotoSchema,
    file: { types: PHOTO_TYPES, mostBytes: LARGEST_PHOTO_BYTES },
    reply: z.array(photoSchema),
  }),
  picture: route({
    action: 'photos.see',
    ...byId,
    method: 'GET',
    path: '/api/photos/:id',
    reply: { type: 'image' as const },
  }),
  setPoints: route({
    action: 'photos.change',
    ...byId,
    method: 'PATCH',
    path: '/api/photos/:id',
    body: photoPointsSchema,
    reply: z.array(photoSchema),
  }),
  restore: route({
    action: 'photos.change',
    ...byId,
    method: 'POST',
    path: '/api/photos/:id/restore',
    reply: z.array(photoSchema),
  }),
  remove: route({
    action: 'photos.change',
    ...byId,
    method: 'DELETE',
    path: '/api/photos/:id',
    reply: z.array(photoSchema),
  }),
}
