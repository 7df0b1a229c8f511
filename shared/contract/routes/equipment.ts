import { z } from '../zod'
import { route } from '../define'
import {
  gymSchema,
  instrumentCheckFormSchema,
  instrumentFormSchema,
  ownProtocolSchema,
  settingsChangeSchema,
  testerFormSchema,
} from '../equipment'
import { requiredText } from '../fields'
import { bare, byId } from './base'

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
}
