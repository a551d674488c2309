export { planClub, planEveryClub } from './clubPlan';
export { loadsDue, readyDue, testsDue } from './due';
export { planSwimmers } from './service';
