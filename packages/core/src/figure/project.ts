import { HALF_SHOULDER, HEAD_RADIUS } from './body';
import { breaststrokeSkeleton } from './breaststroke';
import { atWall, behindLeader } from './company';
import { crawlSkeleton } from './crawl';
import { onBack } from './onBack';
import type { FigureParameters } from './parameters';
import type { Bone, Figure, FigureSide, Limb, Point, Point3, Skeleton } from './shapes';
import { turnSkeleton } from './turn';
import type { Stroke } from '../review';

/**
 * The swimmer of a stroke as one view shows it: a pure function of parameters and phase.
 *
 * The side view swims to the left; the front view swims toward the viewer, whose eye is at the
 * surface; the top view swims to the left. The surface is y = 0 in the first two.
 *
 * @param phase one whole cycle is 1; in crawl 0 is the entry of the left hand
 */
export function drawnFigure(stroke: Stroke, view: FigureSide, p: FigureParameters, phase: number): Figure {
  return project(skeletonOf(stroke, p, phase), view);
}

/** The swimmer in space. Open water is crawl with looks. */
export function skeletonOf(stroke: Stroke, p: FigureParameters, phase: number): Skeleton {
  const prone = proneSkeleton(stroke, p, phase);
  const swimmer = p.onBack > 0 ? onBack(prone, p) : prone;
  const held = p.atWall > 0 ? atWall(swimmer) : swimmer;
  return p.leader > 0 ? behindLeader(held) : held;
}

function proneSkeleton(stroke: Stroke, p: FigureParameters, phase: number): Skeleton {
  if (stroke === 'breaststroke') return breaststrokeSkeleton(p, phase);
  if (stroke === 'turn') return turnSkeleton(p, phase);
  return crawlSkeleton(p, phase);
}

/** How much smaller the front view draws what is further away. */
const PERSPECTIVE = 0.55;

const scaleAt = (x: number): number => 1 / (1 + PERSPECTIVE * Math.max(-0.6, x));

function flat(view: FigureSide, at: Point3): Point {
  if (view === 'side') return { x: at.x, y: at.y };
  if (view === 'top') return { x: at.x, y: at.z };
  const s = scaleAt(at.x);
  return { x: at.z * s, y: at.y * s };
}

export function project(skeleton: Skeleton, view: FigureSide): Figure {
  const { head } = skeleton;
  const size = (at: Point3) => (view === 'front' ? scaleAt(at.x) : 1);
  const { gaze } = head;
  const face: Point =
    view === 'side' ? { x: gaze.x, y: gaze.y } : view === 'top' ? { x: gaze.x, y: gaze.z } : { x: gaze.z, y: gaze.y };
  return {
    view,
    limbs: ordered(skeleton.bones, view).map((bone): Limb => ({
      region: bone.region,
      from: flat(view, bone.from),
      to: flat(view, bone.to),
      r0: bone.r0 * size(bone.from),
      r1: bone.r1 * size(bone.to),
      far: isFar(bone, view),
    })),
    head: {
      centre: flat(view, head.centre),
      radius: HEAD_RADIUS * size(head.centre),
      face,
      facing: view === 'side' ? gaze.z : view === 'top' ? -gaze.y : -gaze.x,
    },
    bubbles: skeleton.bubbles.map((at) => flat(view, at)),
    splash: { at: flat(view, skeleton.splash.at), size: skeleton.splash.size },
    // Beside another there is no line to keep to but the other's.
    rails: view === 'side' || skeleton.bones.some(({ another }) => another) ? [] : [-HALF_SHOULDER, HALF_SHOULDER],
    wake: view === 'top' ? skeleton.wake.map((at) => flat(view, at)) : [],
    strain: skeleton.strain.map((at) => flat(view, at)),
    board: skeleton.board ? flat(view, skeleton.board) : null,
    wallX: view === 'front' ? null : skeleton.wallX,
  };
}

/** Depth below which a part is drawn paler from above, statures. */
const DEEP = 0.11;

function isFar({ region, side, from, to, another }: Bone, view: FigureSide): boolean {
  if (another) return true;
  if (view === 'side') return side === 'right';
  if (view === 'top') return (from.y + to.y) / 2 > DEEP;
  return region === 'legs' || region === 'body';
}

/** What lies further from the viewer first. */
function ordered(bones: readonly Bone[], view: FigureSide): readonly Bone[] {
  if (view === 'side') return bones;
  const near = ({ from, to }: Bone) => (view === 'top' ? -(from.y + to.y) : -(from.x + to.x));
  return [...bones].sort((a, b) => near(a) - near(b));
}
