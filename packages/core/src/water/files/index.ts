// Course files of all kinds: apart from the rest of the water, since what reads them is large and used by a worker only.
export { readPlaces } from './readPlaces';
export { projectionOf } from './projections';
