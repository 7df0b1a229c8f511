import { z } from '../zod'
import { route } from '../define'
import {
  gymSchema,
  instrumentCheckFormSchema,
  instrumentFormSchema,
  ownProtocolSchema,
  settingsChangeSchema,
  testerFormSchema,
  zeroCheckSchema,
} from '../equipment'
import { requiredText, yesOrNo } from '../fields'
import { say } from '../../../core/index'
import { bare, byId } from './base'

/** Bytes: it is drawn a few centimetres wide. */
const LARGEST_LOGO = 400_000

export const gym = {
  view: route({ action: 'gym.see', ...bare, method: 'GET', path: '/api/gym', reply: gymSchema }),
  change: route({
    action: 'gym.equip',
    ...bare,
    method: 'PATCH',
    path: '/api/gym/settings',
    body: settingsChangeSchema,
    reply: gymSchema,
  }),
  addTester: route({
    action: 'gym.govern',
    ...bare,
    method: 'POST',
    path: '/api/gym/testers',
    body: testerFormSchema,
    reply: gymSchema,
    status: 201,
  }),
  changeTester: route({
    action: 'gym.govern',
    ...byId,
    method: 'PATCH',
    path: '/api/gym/testers/:id',
    body: testerFormSchema.omit({ id: true }),
    reply: gymSchema,
  }),
  addInstrument: route({
    action: 'gym.equip',
    ...bare,
    method: 'POST',
    path: '/api/gym/instruments',
    body: instrumentFormSchema,
    reply: gymSchema,
    status: 201,
  }),
  changeInstrument: route({
    action: 'gym.equip',
    ...byId,
    method: 'PATCH',
    path: '/api/gym/instruments/:id',
    body: instrumentFormSchema.omit({ id: true }),
    reply: gymSchema,
  }),
  checkInstrument: route({
    action: 'gym.equip',
    ...byId,
    method: 'POST',
    path: '/api/gym/instruments/:id/checks',
    body: instrumentCheckFormSchema,
    reply: gymSchema,
  }),
  zeroInstrument: route({
    action: 'gym.equip',
    ...byId,
    method: 'POST',
    path: '/api/gym/instruments/:id/zero',
    body: zeroCheckSchema,
    reply: gymSchema,
  }),
  correctInstrument: route({
    action: 'gym.govern',
    ...byId,
    method: 'POST',
    path: '/api/gym/instruments/:id/correction',
    body: z.object({ corrected: yesOrNo(say('fields.corrected')) }),
    reply: gymSchema,
  }),
  keepProtocol: route({
    action: 'gym.equip',
    ...bare,
    method: 'POST',
    path: '/api/gym/own-protocols',
    body: ownProtocolSchema,
    reply: gymSchema,
  }),
  removeProtocol: route({
    action: 'gym.equip',
    ...bare,
    method: 'DELETE',
    path: '/api/gym/own-protocols/:id',
    params: z.object({ id: requiredText('Protocol', 60) }),
    reply: gymSchema,
  }),
  logo: route({
    action: 'gym.see',
    ...bare,
    method: 'GET',
    path: '/api/gym/logo',
    reply: { type: 'image' as const },
  }),
  /** As the browser has drawn it anew. */
  keepLogo: route({
    action: 'gym.equip',
    ...bare,
    method: 'POST',
    path: '/api/gym/logo',
    file: { types: ['image/png', 'image/jpeg'], mostBytes: LARGEST_LOGO },
    reply: gymSchema,
  }),
  removeLogo: route({
    action: 'gym.equip',
    ...bare,
    method: 'DELETE',
    path: '/api/gym/logo',
    reply: gymSchema,
  }),
}
