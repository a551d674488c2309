import type { RunWork } from './pool';
import { TASKS } from './tasks';

/** Does the work where it is asked for: while the demo club is made there is nobody to hold up. */
export const inPlace: RunWork = async (task, input) => TASKS[task](input as never) as never;
