export { planClub, planEveryClub } from './clubPlan';
export { loadsDue, readyDue, testsDue } from './due';
export { seasonWhole } from './season';
export { keptWeeks, planSwimmers } from './service';
