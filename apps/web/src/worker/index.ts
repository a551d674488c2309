export { compute } from './compute';
export type { SwumTrack } from './compute.worker';
