// The picture beside the name of a card: the figure in the pose that the card is about.
import { drillCard, ladderCard, type DrillId, type LadderId } from '../library';
import { answeredBy, causeCard, linksOf, signCard, type CauseId, type SignId, type Stroke } from '../review';
import { DRILL_POSES } from './drillPoses';
import { LAND_POSES, landSkeleton, type LandPose } from './land';
import { NEUTRAL, PHASE_AT, type FigureParameters } from './parameters';
import { bestMoment, bestView, regionOf } from './regions';
import { drawnFigure, project } from './project';
import type { Figure, FigureSide, Region } from './shapes';
import { posedBy } from './signPoses';

/** A figure at one moment. */
export interface CardPicture {
  readonly stroke: Stroke;
  readonly view: FigureSide;
  /** 0–1 of the cycle. */
  readonly phase: number;
  readonly posed: FigureParameters;
  /** The part of the body that it is about; null for all of it. */
  readonly region: Region | null;
  /** How the figure stands or kneels where no water is; left out in water. */
  readonly land?: LandPose;
}

/** The figure of a picture, at its moment. */
export const pictured = ({ stroke, view, posed, phase, land }: CardPicture): Figure =>
  land ? project(landSkeleton(land), view) : drawnFigure(stroke, view, posed, phase);

const faulty = (stroke: Stroke, signs: readonly SignId[]): CardPicture => {
  const view = bestView(signs);
  const phase = bestMoment(signs, view) ?? PHASE_AT.entry;
  return { stroke, view, phase, posed: posedBy(signs), region: signs[0] ? regionOf(signs[0]) : null };
};

/** A sign as it is seen. @example pictureOfSign('legs-low').view // 'side' */
export function pictureOfSign(id: SignId): CardPicture {
  const { stroke } = signCard(id);
  return faulty(stroke === 'any' ? 'front-crawl' : stroke, [id]);
}

/** A cause with all its signs. @example pictureOfCause('looks-forward').region // 'head' */
export const pictureOfCause = (id: CauseId): CardPicture =>
  faulty(causeCard(id).strokes[0] as Stroke, Object.keys(linksOf(id)) as SignId[]);

/**
 * A drill as it goes well; null for one of the club's own that is done on land.
 *
 * @example pictureOfDrill('float-board-breathing')!.posed.board // 1
 */
export function pictureOfDrill(id: DrillId): CardPicture | null {
  const drill = drillCard(id);
  const land = LAND_POSES[id];
  if (land) return { stroke: 'front-crawl', view: 'side', phase: 0, posed: NEUTRAL, region: null, land };
  if (drill.places.every((place) => place === 'land')) return null;
  const own = DRILL_POSES[id];
  if (own) {
    const { stroke, view, phase, change } = own;
    return { stroke, view, phase, posed: { ...NEUTRAL, ...change }, region: null };
  }
  const [cause] = answeredBy(id);
  const board = drill.kit.includes('board') ? 1 : 0;
  const posed = { ...NEUTRAL, board };
  if (!cause) return { stroke: 'front-crawl', view: 'side', phase: PHASE_AT.entry, posed, region: null };
  return { ...pictureOfCause(cause), posed };
}

/** A ladder: its first step with a drill; null where there is none. */
export function pictureOfLadder(id: LadderId): CardPicture | null {
  for (const { drill } of ladderCard(id).steps) {
    const picture = drill ? pictureOfDrill(drill) : null;
    if (picture) return picture;
  }
  return null;
}
