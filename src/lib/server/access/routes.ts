import type { Role } from '../../../core/record/roles';

/** Who may ask for a route: `anyone` needs no session. Writing into the record is judged again where entries are appended. */
export type Least = Role | 'anyone';

/** The one list of routes, each with the least role that may ask for it. A route that is not here is refused. */
export const ROUTES: Readonly<Record<string, Least>> = {
  '/health': 'anyone',
  '/sign-in': 'anyone',
  '/join/[token]': 'anyone',
  '/api/access/sign-in': 'anyone',
  '/api/access/pin': 'anyone',
  '/api/access/join': 'anyone',
  '/api/access/sign-out': 'anyone',
  '/api/access/set-pin': 'reader',
  '/api/access/people': 'owner',

  '/': 'reader',
  '/jobs': 'reader',
  '/jobs/table': 'reader',
  '/jobs/[number]': 'reader',
  '/jobs/by-id/[id]': 'reader',
  '/jobs/[number]/report': 'reader',
  '/jobs/[number]/report.pdf': 'reader',
  '/jobs/[number]/card/[check]': 'reader',
  '/jobs/[number]/plan': 'reader',
  '/jobs/[number]/record': 'reader',
  '/vehicles': 'reader',
  '/vehicles/table': 'reader',
  '/vehicles/[id]': 'reader',
  '/vehicles/[id]/compare': 'reader',
  '/fleet': 'reader',
  '/fleet/table': 'reader',
  '/api/changes': 'reader',
  '/api/find': 'reader',
  '/api/names': 'reader',
  '/api/jobs/[id]/job.json': 'reader',
  '/api/vehicles/[id]/sheet.json': 'reader',
  '/api/photos/[id]': 'reader',
  '/api/runs/[id]/log.csv': 'reader',
  '/api/runs/[id]/samples': 'reader',
  '/api/live/[runId]': 'reader',

  // What waited on a device goes out under whoever made it, whoever is signed in now.
  '/api/events': 'reader',
  '/api/jobs/[id]/photos': 'reader',
  '/api/vehicles/[id]/photos': 'reader',

  '/coolant': 'technician',
  '/sensor': 'technician',
  '/sensor/curves': 'technician',
  '/jobs/new': 'technician',
  '/jobs/[number]/intake': 'technician',
  '/jobs/[number]/import': 'technician',
  '/jobs/[number]/live': 'technician',
  '/jobs/[number]/finish': 'technician',
  '/vehicles/new': 'technician',
  '/vehicles/[id]/sheet': 'technician',
  '/vehicles/[id]/what-if': 'technician',
  '/api/bench': 'technician',
  '/api/jobs/[id]/live': 'technician',
  '/api/jobs/[id]/live/end': 'technician',
  '/api/jobs/[id]/runs': 'technician',
  '/api/runs/[id]/judge': 'technician',
  '/api/vehicles/[id]/chosen': 'technician',

  '/numbers': 'lead',
  '/shop': 'lead',
  '/people': 'owner',
  '/api/files': 'owner'
};
