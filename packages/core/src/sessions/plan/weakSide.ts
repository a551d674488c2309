// The less-used side of those who breathe to one side, by name.
import type { Side } from '../../measures';
import type { CauseId } from '../../review';
import { otherSide } from './prescription';

/** The sides that somebody breathes to of their own accord. */
export type BreathingSide = Side | 'both';

/** Somebody with the side they breathe to; left out where it is not known. */
export interface Breathes {
  readonly name: string;
  readonly breathingSide?: BreathingSide;
}

/** Whether easy parts of a session with this theme are breathed to the less-used side. */
export const isOneSided = (theme: CauseId): boolean => theme === 'one-sided';

/** The side somebody should use more, or null. @example weakerSide({ name: 'Ada', breathingSide: 'right' }) // 'left' */
export function weakerSide({ breathingSide }: Breathes): Side | null {
  return breathingSide === undefined || breathingSide === 'both' ? null : otherSide(breathingSide);
}

/**
 * Who breathes to which side in the easy parts, in a sentence; null where nobody has a less-used side.
 *
 * @example weakSideWords([{ name: 'Ada', breathingSide: 'right' }]) // 'Less-used side: left for Ada.'
 */
export function weakSideWords(people: readonly Breathes[]): string | null {
  const parts = (['left', 'right'] as const).flatMap((side) => {
    const names = people.filter((person) => weakerSide(person) === side).map(({ name }) => name);
    return names.length > 0 ? [`${side} for ${names.join(', ')}`] : [];
  });
  return parts.length > 0 ? `Less-used side: ${parts.join('; ')}.` : null;
}
