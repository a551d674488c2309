import { type BodyPart, signCard, type SignId } from '../review';
import { type Figure, type FigureSide, type Point, type Region, REGIONS, VIEWS } from './shapes';
import { SIGN_POSES } from './signPoses';

/** The parts of the body that each region of the figure stands for. */
const PARTS: Readonly<Record<Region, readonly BodyPart[]>> = {
  head: ['head', 'breath'],
  shoulders: ['shoulders'],
  'front arm': ['lead arm', 'entry arm', 'arms'],
  'pulling arm': ['pull arm', 'hand', 'arms'],
  'recovering arm': ['recovery arm', 'hand', 'arms'],
  body: ['body', 'hips', 'rhythm'],
  legs: ['legs', 'feet', 'hips'],
};

/** The signs of a stroke that show at a region. */
export function signsAt(region: Region, signs: readonly SignId[]): SignId[] {
  return signs.filter((id) => PARTS[region].includes(signCard(id).part));
}

/** Moments nearer than this share of the cycle show much the same. */
const SAME_MOMENT = 0.13;

/**
 * The signs that are seen best in a view at a moment, or in the view at any, apart from the others. Both keep their
 * order.
 *
 * @param phase the moment, 0–1 of the cycle; null for any
 */
export function fitting(
  signs: readonly SignId[],
  view: FigureSide,
  phase: number | null,
): { readonly here: SignId[]; readonly others: SignId[] } {
  const fits = (id: SignId) => {
    const pose = SIGN_POSES[id];
    const apart = phase === null ? 0 : Math.abs(pose.phase - phase);
    return pose.view === view && Math.min(apart, 1 - apart) < SAME_MOMENT;
  };
  return { here: signs.filter(fits), others: signs.filter((id) => !fits(id)) };
}

/** The view in which most of these signs can be seen on the figure; the side view when there are none. */
export function bestView(signs: readonly SignId[]): FigureSide {
  const count = (view: FigureSide) => signs.filter((id) => SIGN_POSES[id].view === view).length;
  return VIEWS.reduce((best, view) => (count(view) > count(best) ? view : best));
}

/** The moment at which the last of some signs is seen best in a view, or in any; null without signs. */
export function bestMoment(signs: readonly SignId[], view: FigureSide): number | null {
  const latest = [...signs].reverse();
  const shown = latest.find((id) => SIGN_POSES[id].view === view) ?? latest[0];
  return shown === undefined ? null : SIGN_POSES[shown].phase;
}

/** The region where a sign is shown. */
export function regionOf(sign: SignId): Region {
  const part = signCard(sign).part;
  return (Object.keys(PARTS) as Region[]).find((region) => PARTS[region].includes(part)) ?? 'body';
}

/** Where each region can be tapped, statures; regions without a limb in this moment are left out. */
export function regionPoints(figure: Figure): { readonly region: Region; readonly at: Point }[] {
  return REGIONS.flatMap((region): { region: Region; at: Point }[] => {
    if (region === 'head') return [{ region, at: figure.head.centre }];
    const limbs = figure.limbs.filter((limb) => limb.region === region);
    const near = limbs.filter((limb) => !limb.far);
    const used = near.length > 0 ? near : limbs;
    if (used.length === 0) return [];
    const limb = used[region === 'shoulders' ? 0 : Math.floor(used.length / 2)]!;
    return [{ region, at: { x: (limb.from.x + limb.to.x) / 2, y: (limb.from.y + limb.to.y) / 2 } }];
  });
}
