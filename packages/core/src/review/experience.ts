// What the club's second looks have taught: how often a cause showed each sign, and how often each drill helped.
import type { DrillId } from '../library';
import { fromOwn, ownOf } from '../own';
import type { LevelId } from '../swimmers';
import { type CauseId, linksOf, type SignId, type Strength } from './catalogue';
import { LINK_STRENGTH, type SignsSeen } from './evidence';
import { type FocusOutcome, helped } from './relook';

/** How often something was so, of how many times: `[7, 9]` is seven of nine. */
export type Count = readonly [so: number, of: number];

/** What focuses on one cause have taught. Counts only: no names, no days, nobody's own look. */
export interface CauseExperience {
  /** Seen, of the times looked for, where the focus then helped. */
  readonly signs: Readonly<Partial<Record<SignId, Count>>>;
  /** Helped, of the times judged at a second look, for each drill and level. */
  readonly drills: Readonly<Partial<Record<DrillId, Readonly<Partial<Record<LevelId, Count>>>>>>;
}

/** What focuses have taught, for each cause: the club's own, or those of one other club. */
export type Experience = Readonly<Partial<Record<CauseId, CauseExperience>>>;

/** The club's own entry; that of another club is named by {@link experienceFrom}. */
export const OUR_EXPERIENCE = 'ours';
/** Names the experience that a club has given us. @example experienceFrom('Kestrel Bay') // 'from Kestrel Bay' */
export const experienceFrom = (club: string): string => `from ${club}`;
/** The club that an entry came from; null for our own. */
export const experienceClub = (key: string): string | null => (key === OUR_EXPERIENCE ? null : key.slice(5));

/** Closed focuses from which on the strengths of links are learned. */
export const LEARN_FROM = 20;
/** How many looks the catalogue's own strength is worth: fewer of our own hardly move it. */
export const CATALOGUE_LOOKS = 10;
/** However often it was so: no link is certain, and none is dead. A cause is chosen for its signs, which flatters them. */
export const LEARNED_LIMITS = [0.05, 0.95] as const;

/** A focus that was judged at a second look, with the look that had given it. */
export interface JudgedFocus {
  readonly cause: CauseId;
  readonly drill: DrillId;
  readonly level: LevelId;
  readonly outcome: FocusOutcome;
  /** What was seen and looked for when the focus was given. */
  readonly signs: SignsSeen;
}

/**
 * What one focus teaches. Every outcome counts for its drill; only one that helped says that the cause was the right
 * one, and with it how the cause shows.
 */
export function taughtBy({ cause, drill, level, outcome, signs }: JudgedFocus): Experience {
  const so = helped(outcome);
  const looked = so ? (Object.entries(signs) as [SignId, SignsSeen[SignId]][]) : [];
  return {
    [cause]: {
      signs: Object.fromEntries(looked.map(([sign, seen]): [SignId, Count] => [sign, [seen === 'absent' ? 0 : 1, 1]])),
      drills: { [drill]: { [level]: [so ? 1 : 0, 1] satisfies Count } },
    },
  };
}

/** Counts added up, whatever names they stand under. */
type Counts = Count | { readonly [name: string]: Counts | undefined };

const isCount = (counts: Counts): counts is Count => Array.isArray(counts);

function sum(a: Counts | undefined, b: Counts | undefined): Counts {
  if (a === undefined || b === undefined) return (a ?? b)!;
  if (isCount(a) || isCount(b)) return [(a as Count)[0] + (b as Count)[0], (a as Count)[1] + (b as Count)[1]];
  return Object.fromEntries([...new Set([...Object.keys(a), ...Object.keys(b)])].map((k) => [k, sum(a[k], b[k])]));
}

/** Several experiences as one. */
export const pooled = (experiences: readonly Experience[]): Experience =>
  experiences.reduce<Counts>((all, one) => sum(all, one as Counts), {}) as Experience;

/** How many closed focuses an experience is made of, and how many of them helped. */
export function closedIn(experience: Experience): Count {
  const counts = Object.values(experience).flatMap(({ drills }) =>
    Object.values(drills).flatMap((levels) => Object.values(levels ?? {})),
  );
  return [counts.reduce((all, [so]) => all + so, 0), counts.reduce((all, [, of]) => all + of, 0)];
}

/** What counts here: our own experience and that of the clubs that gave us theirs. */
export const ourExperience = fromOwn((): Experience => pooled(Object.values(ownOf<Experience>('experience'))));

const learning = fromOwn(() => ({ now: closedIn(ourExperience())[1] >= LEARN_FROM }));
/** Whether enough focuses were closed for the strengths of links to be learned. */
export const isLearning = (): boolean => learning().now;

/** How a link stands: what is written of it, what was seen of it, and what counts. */
export interface LinkExperience {
  readonly strength: Strength;
  readonly seen: Count;
  /** The chance that the cause shows the sign, as it is used. */
  readonly counts: number;
}

/**
 * How likely a cause shows a sign: what is written of the link as a Beta prior worth {@link CATALOGUE_LOOKS} looks,
 * with the club's own looks added once {@link LEARN_FROM} focuses are closed.
 *
 * @throws TypeError where the cause does not show the sign
 * @example linkExperience('soft-core', 'belly-hangs').counts // 0.85 with nothing closed
 */
export function linkExperience(cause: CauseId, sign: SignId): LinkExperience {
  const strength = linksOf(cause)[sign];
  if (strength === undefined) throw new TypeError(`“${cause}” does not show “${sign}”.`);
  const seen = ourExperience()[cause]?.signs[sign] ?? ([0, 0] as const);
  const written = LINK_STRENGTH[strength];
  if (!isLearning()) return { strength, seen, counts: written };
  const [least, most] = LEARNED_LIMITS;
  const mean = (CATALOGUE_LOOKS * written + seen[0]) / (CATALOGUE_LOOKS + seen[1]);
  return { strength, seen, counts: seen[1] === 0 ? written : Math.min(most, Math.max(least, mean)) };
}
