export { planClub, planEveryClub } from './clubPlan';
export { loadsDue, planSwimmers, readyDue, testsDue } from './service';
