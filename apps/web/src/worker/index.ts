export { compute } from './compute';
export { filmWork } from './film';
export type { SwumTrack } from './compute.worker';
