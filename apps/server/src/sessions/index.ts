export { loadView } from './load';
export { sessionPeople } from './people';
export { clubSetting, listSessions, refuseHarm, showSession } from './service';
export { planFacts, summaryOf, type PlanFacts } from './columns';
