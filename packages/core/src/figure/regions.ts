import { SIGNS, type BodyPart, type SignId } from '../review';
import type { Region } from './shapes';
import { SIGN_POSES } from './signPoses';

/** The parts of the body that each region of the figure stands for. */
const PARTS: Readonly<Record<Region, readonly BodyPart[]>> = {
  head: ['head', 'breath'],
  shoulders: ['shoulders'],
  'front arm': ['lead arm', 'entry arm'],
  'pulling arm': ['pull arm', 'hand'],
  'recovering arm': ['recovery arm', 'hand', 'arms'],
  body: ['body', 'hips', 'rhythm'],
  legs: ['legs', 'feet', 'hips'],
};

/** The signs of a stroke that show at a region. */
export function signsAt(region: Region, signs: readonly SignId[]): SignId[] {
  return signs.filter((id) => PARTS[region].includes(SIGNS[id].part));
}

/** The view in which most of these signs can be seen on the figure. */
export function bestView(signs: readonly SignId[]): 'side' | 'front' {
  const shown = signs.filter((id) => id in SIGN_POSES);
  const inFront = shown.filter((id) => SIGNS[id].view === 'front' || SIGNS[id].view === 'above').length;
  return inFront > shown.length / 2 ? 'front' : 'side';
}

/** The region where a sign is shown. */
export function regionOf(sign: SignId): Region {
  const part = SIGNS[sign].part;
  return (Object.keys(PARTS) as Region[]).find((region) => PARTS[region].includes(part)) ?? 'body';
}
