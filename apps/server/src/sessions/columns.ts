/** What is stored beside a row because lists want it, worked out from the row alone. */
export { planFacts, summaryOf, type PlanFacts } from './planFacts';
