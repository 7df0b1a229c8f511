/** Routes by which something of somebody is looked at, by name. Lists are not noted. */
export const LOOKS: ReadonlySet<string> = new Set([
  ...['clients.view', 'clients.record', 'clients.file', 'weighIns.list', 'plans.list'],
  ...['photos.list', 'photos.picture', 'checkIns.view', 'checkIns.caller', 'checkIns.live'],
  ...['details.view', 'weeklyReports.list', 'sharing.file', 'my.page', 'my.photo'],
  ...['calendar.file', 'reminders.view', 'backups.file', 'access.events', 'access.seen'],
])
