import type { GroupPlan, SessionPlan } from '@upwell/core/sessions';

/** What is changed by hand: a level of a plan. */
export interface EditorProps {
  readonly plan: SessionPlan;
  readonly group: GroupPlan;
  readonly onChange: (plan: SessionPlan) => void;
}
