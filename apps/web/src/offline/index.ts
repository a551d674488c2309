export { OfflineBar, offlineWords } from './OfflineBar';
export { VersionBar } from './VersionBar';
export { fact, forgetSeen, setFact } from './db';
export { deviceId } from './device';
export { eventsOf, keepEvent } from './events';
export { keepOnDevice } from './keeper';
export { keepPage, keptPage, keptZone, patchPage } from './pages';
export { fetchEvents, send, sendSoon, startSync } from './sync';
export { keepApp } from './version';
