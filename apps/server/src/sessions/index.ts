export { sessionPeople } from './people';
export { clubSetting, listSessions, showSession } from './service';
