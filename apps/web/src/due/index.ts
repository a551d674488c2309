export { useTodayQuery } from './api';
export { type Due, DueGroup, dueToday } from './Due';
