export { compute } from './compute';
export { filmWork } from './film';
export type { PreparedFilm } from './prepareFilm';
export type { SwumTrack } from './compute.worker';
