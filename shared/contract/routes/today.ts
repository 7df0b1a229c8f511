import { route } from '../define'
import { todaySchema } from '../today'
import { bare } from './base'

export const today = route({ ...bare, method: 'GET', path: '/api/today', reply: todaySchema })
