import { weekEffort, type PlanWeek } from '@upwell/core/race';
import { effortTint, type Tint } from '@/ui/effortTint';
import type { OwnColours } from '@/ui/theme';

/** Weeks follow the depth of effort: from learning to sharpening deeper, lighter weeks shallow. */
export const weekTint = (week: Pick<PlanWeek, 'kind' | 'phase'>, own: OwnColours): Tint =>
  effortTint(weekEffort(week), own);
