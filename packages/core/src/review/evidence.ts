import type { LevelId, StrokeModelId } from '../swimmers';
import { causeCard, type CauseId, CAUSES, linksOf, signCard, type SignId, SIGNS, type Strength } from './catalogue';
import type { Sighting, Stroke } from './types';

/** How likely a cause shows a sign, by the strength of their link (first guesses). */
export const LINK_STRENGTH: Readonly<Record<Strength, number>> = {
  strong: 0.85,
  some: 0.5,
  weak: 0.2,
};

/** Chance that a sign shows with none of its known causes present. */
export const LEAK = 0.03;

/** Chance of a cause before anything is seen. */
export const PRIOR = 0.06;

/** Levels at which a cause is more common than usual. */
const PRIOR_BY_LEVEL: Readonly<Partial<Record<LevelId, Partial<Record<CauseId, number>>>>> = {
  settle: { unease: 0.2, 'holds-breath': 0.12 },
};

/** Signs that a stroke model allows: noted, but no fault. */
const ALLOWED_BY_MODEL: Readonly<Record<StrokeModelId, readonly SignId[]>> = {
  'long-line': [],
  // A straight recovery clears waves, and a little more face shows in chop.
  'quick-rhythm': ['hand-high-wide', 'splash-entry'],
  // The ride on the side is wanted. Regular breaths to one side are not: both sides have to be able.
  'roll-and-press': ['rate-low'],
};

/** The signs that a stroke model allows. */
export function allowedBy(model: StrokeModelId): readonly SignId[] {
  return ALLOWED_BY_MODEL[model];
}

/** What was seen in one review. Signs that were not looked for are left out. */
export type SignsSeen = Readonly<Partial<Record<SignId, Sighting>>>;

export interface Look {
  readonly stroke: Stroke;
  readonly model: StrokeModelId;
  readonly level: LevelId;
  readonly signs: SignsSeen;
}

/** A sign that was noted but takes no part, and why: said, never silently dropped. */
export interface SetAside {
  readonly sign: SignId;
  readonly reason: string;
}

/** The causes that can explain this stroke. Open water includes front crawl. */
export function causesFor(stroke: Stroke): CauseId[] {
  return (Object.keys(CAUSES) as CauseId[]).filter((id) => {
    const strokes: readonly Stroke[] = causeCard(id).strokes;
    return strokes.includes(stroke) || (stroke === 'open-water' && strokes.includes('front-crawl'));
  });
}

/** The signs that can speak for or against the causes of this stroke. */
export function signsFor(stroke: Stroke): SignId[] {
  const linked = new Set(causesFor(stroke).flatMap((cause) => Object.keys(linksOf(cause))));
  return (Object.keys(SIGNS) as SignId[]).filter((id) => linked.has(id));
}

/** Chance of a cause before anything is seen, by level. */
export function priorOf(cause: CauseId, level: LevelId): number {
  return PRIOR_BY_LEVEL[level]?.[cause] ?? PRIOR;
}

/**
 * Likelihood of what the coach reports, given the chance `shows` that the sign shows.
 *
 * @example likelihood('sometimes', 0.5) // 0.5
 */
export function likelihood(sighting: Sighting, shows: number): number {
  if (sighting === 'often') return shows;
  if (sighting === 'absent') return 1 - shows;
  return 0.7 * shows + 0.3 * (1 - shows);
}

/** Splits the signs of a look into those that count here and those set aside with a reason. */
export function weighable(look: Look): { counted: [SignId, Sighting][]; setAside: SetAside[] } {
  const here = new Set(signsFor(look.stroke));
  const counted: [SignId, Sighting][] = [];
  const setAside: SetAside[] = [];
  for (const [sign, sighting] of Object.entries(look.signs) as [SignId, Sighting][]) {
    if (!here.has(sign)) {
      setAside.push({ sign, reason: `belongs to ${signCard(sign).stroke}, not to this look` });
    } else if (ALLOWED_BY_MODEL[look.model].includes(sign)) {
      setAside.push({ sign, reason: 'is part of this stroke model, so it is not a fault here' });
    } else {
      counted.push([sign, sighting]);
    }
  }
  return { counted, setAside };
}
