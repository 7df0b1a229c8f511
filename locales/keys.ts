/*
 * The keys of the catalogue as a type, so that a key that is not there does not compile. A new place is named here.
 */
import type access from './en-US/access.json'
import type backups from './en-US/backups.json'
import type bodyMap from './en-US/bodyMap.json'
import type calendar from './en-US/calendar.json'
import type caller from './en-US/caller.json'
import type charts from './en-US/charts.json'
import type checkIn from './en-US/checkIn.json'
import type client from './en-US/client.json'
import type clientFile from './en-US/clientFile.json'
import type clients from './en-US/clients.json'
import type common from './en-US/common.json'
import type curves from './en-US/curves.json'
import type devices from './en-US/devices.json'
import type equations from './en-US/equations.json'
import type equipment from './en-US/equipment.json'
import type food from './en-US/food.json'
import type guide from './en-US/guide.json'
import type judging from './en-US/judging.json'
import type leaderboards from './en-US/leaderboards.json'
import type otherMethods from './en-US/otherMethods.json'
import type paper from './en-US/paper.json'
import type photos from './en-US/photos.json'
import type plan from './en-US/plan.json'
import type planSheet from './en-US/planSheet.json'
import type planner from './en-US/planner.json'
import type practice from './en-US/practice.json'
import type profile from './en-US/profile.json'
import type quick from './en-US/quick.json'
import type ranges from './en-US/ranges.json'
import type records from './en-US/records.json'
import type record from './en-US/record.json'
import type reminders from './en-US/reminders.json'
import type reference from './en-US/reference.json'
import type result from './en-US/result.json'
import type settings from './en-US/settings.json'
import type terms from './en-US/terms.json'
import type today from './en-US/today.json'
import type my from './en-US/my.json'
import type notes from './en-US/notes.json'
import type sharing from './en-US/sharing.json'
import type study from './en-US/study.json'
import type weeklyReports from './en-US/weeklyReports.json'
import type weighIns from './en-US/weighIns.json'
import type welcome from './en-US/welcome.json'

type Catalogue = typeof access &
  typeof backups &
  typeof bodyMap &
  typeof calendar &
  typeof caller &
  typeof charts &
  typeof checkIn &
  typeof client &
  typeof clientFile &
  typeof clients &
  typeof common &
  typeof curves &
  typeof devices &
  typeof equations &
  typeof equipment &
  typeof food &
  typeof guide &
  typeof judging &
  typeof leaderboards &
  typeof reminders &
  typeof otherMethods &
  typeof paper &
  typeof photos &
  typeof plan &
  typeof planSheet &
  typeof planner &
  typeof practice &
  typeof profile &
  typeof quick &
  typeof ranges &
  typeof record &
  typeof records &
  typeof reference &
  typeof result &
  typeof settings &
  typeof terms &
  typeof today &
  typeof my &
  typeof notes &
  typeof sharing &
  typeof study &
  typeof weeklyReports &
  typeof weighIns &
  typeof welcome

type Leaves<T, Before extends string = ''> = {
  [K in keyof T & string]: T[K] extends string ? `${Before}${K}` : Leaves<T[K], `${Before}${K}.`>
}[keyof T & string]

/** A key of the catalogue: its place, a dot, and its name there. */
export type Key = Leaves<Catalogue>
