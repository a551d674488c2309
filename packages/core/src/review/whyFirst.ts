// Why one focus comes first, in words.
import { causeCard } from './catalogue';
import type { Choice } from './chooseFocus';

const quoted = (cause: Choice['over']) => `“${causeCard(cause!).name.toLowerCase()}”`;

/**
 * The one true reason why the focus comes before the other likely causes.
 *
 * @returns null without a focus
 * @example whyFirst(choice) // 'It comes first because it leads to “crossing the middle”.'
 */
export function whyFirst({ focus, order, over, scores }: Choice): string | null {
  if (focus === null) return null;
  switch (order) {
    case 'danger':
      return `It comes first because ${scores[0]!.danger}.`;
    case 'clash':
      return 'It comes first because nothing else holds while kick and pull cancel each other.';
    case 'race-near':
      return 'The race is under two weeks away, so what helps most now comes first.';
    case 'explains':
      return `It comes first because it can lead to ${quoted(over)}: cured first, that may go with it.`;
    case 'upstream':
      return `It counts about as much as ${quoted(over)} and lies further upstream, so it comes first.`;
    case 'score':
      return 'It comes first because curing it is worth most now.';
    case 'only':
      return 'It is the only cause that is likely enough.';
  }
}
