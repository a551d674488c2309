import { SIGNS, type BodyPart, type SignId } from '../review';
import type { Region } from './shapes';

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

/** The region where a sign is shown. */
export function regionOf(sign: SignId): Region {
  const part = SIGNS[sign].part;
  return (Object.keys(PARTS) as Region[]).find((region) => PARTS[region].includes(part)) ?? 'body';
}
