import { planClub, planEveryClub } from '../goal';
import type { Database } from './database';
import type { Work } from './jobs';

/** Who does the work of which queue. */
export const backgroundWork = (database: Database): Work => ({
  'plan-club': (data) => planClub(database, data),
  'plan-night': (_data, jobs) => planEveryClub(database, jobs, new Date()),
});
