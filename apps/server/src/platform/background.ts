import { planClub, planEveryClub } from '../race';
import { shelvesOf } from './clubShelves';
import type { Database } from './database';
import { inShelves } from './shelves';
import { boundTo, type Work } from '../work';
import type { Work as QueueWork } from './jobs';

/** Who does the work of which queue. */
export const backgroundWork = (database: Database, work: Work): QueueWork => ({
  // In turn with everybody who is at the screen.
  'plan-club': async (data) =>
    inShelves(await shelvesOf(database, data.clubId), () =>
      planClub(database, boundTo(work, { owner: `club ${data.clubId}` }), data),
    ),
  'plan-night': (_data, jobs) => planEveryClub(database, jobs, new Date()),
});
