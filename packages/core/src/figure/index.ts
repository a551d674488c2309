export { crawlArm } from './armCycle';
export {
  pictured,
  pictureOfCause,
  pictureOfDrill,
  pictureOfLadder,
  pictureOfSign,
  type CardPicture,
} from './cardPictures';
export { FLOOR, LAND_POSES, type LandPose, landSkeleton } from './land';
export { HALF_SHOULDER } from './body';
export { breathShare } from './crawl';
export { MOMENTS, NEUTRAL, PHASE_AT, type FigureParameters } from './parameters';
export { FRAME, figureLayers, ghostPath, LAYER_ROLES, TURN_FRAME, UNITS, type Layer, type LayerRole } from './layers';
export { drawnFigure, project, skeletonOf } from './project';
export { bestMoment, bestView, fitting, regionOf, regionPoints, signsAt } from './regions';
export { REGIONS, VIEWS, type Figure, type FigureSide, type Region, type Skeleton } from './shapes';
export { posedBy, SIGN_POSES, type SignPose } from './signPoses';
