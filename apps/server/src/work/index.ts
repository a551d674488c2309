export { boundTo, workFor } from './asker';
export { startWork, type RunWork, type Work } from './pool';
