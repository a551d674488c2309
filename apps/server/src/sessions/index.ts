export { loadView } from './load';
export { sessionPeople } from './people';
export { listSessions, refuseHarm, showSession } from './service';
export { planFacts, summaryOf, type PlanFacts } from './columns';
