import { say } from '../../../core/index'
import { PAPER_SIZES } from '../choices'
import { route } from '../define'
import { choice, yesOrNo } from '../fields'
import {
  practiceFormSchema,
  practiceRoundsSchema,
  studyFormSchema,
  studyTrialSchema,
  studyViewSchema,
  testerViewSchema,
} from '../studies'
import { z } from '../zod'
import { bare, byId } from './base'

/** Studies of testers, and how steady each is. */
export const studies = {
  begin: route({
    action: 'gym.equip',
    ...bare,
    method: 'POST',
    path: '/api/studies',
    body: studyFormSchema,
    reply: studyViewSchema,
    status: 201,
  }),
  view: route({
    action: 'gym.equip',
    ...byId,
    method: 'GET',
    path: '/api/studies/:id',
    reply: studyViewSchema,
  }),
  take: route({
    action: 'gym.equip',
    ...byId,
    method: 'POST',
    path: '/api/studies/:id/trials',
    body: studyTrialSchema,
    reply: studyViewSchema,
  }),
  end: route({
    action: 'gym.equip',
    ...byId,
    method: 'POST',
    path: '/api/studies/:id/end',
    body: z.object({ ended: yesOrNo(say('fields.ended')) }),
    reply: studyViewSchema,
  }),
  certificate: route({
    action: 'gym.equip',
    ...byId,
    method: 'GET',
    path: '/api/studies/:id/certificate',
    query: z.object({ paper: choice(say('fields.paperSize'), PAPER_SIZES).default('a4') }),
    reply: { type: 'application/pdf' as const },
  }),
  practice: route({
    action: 'gym.equip',
    ...byId,
    method: 'GET',
    path: '/api/gym/testers/:id/practice',
    reply: practiceRoundsSchema,
  }),
  keepPractice: route({
    action: 'gym.equip',
    ...byId,
    method: 'POST',
    path: '/api/gym/testers/:id/practice',
    body: practiceFormSchema,
    reply: practiceRoundsSchema,
  }),
  tester: route({
    action: 'gym.equip',
    ...byId,
    method: 'GET',
    path: '/api/gym/testers/:id',
    reply: testerViewSchema,
  }),
}
