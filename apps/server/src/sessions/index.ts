export { loadView } from './load';
export { sessionPeople } from './people';
export { clubSetting, listSessions, refuseHarm, showSession, summaryOf } from './service';
