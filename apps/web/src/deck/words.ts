import type { Break, PassageState, Passage } from '@upwell/core/deck';
import { blockWord } from '@upwell/core/sessions';
import { formatTime } from '@upwell/core/units';
import { drillCard, KIT } from '@upwell/core/library';
import { numberWord } from '@upwell/core/words';

/** Where in the session a passage lies. @example 'Main · 2nd of 3' */
export function placeOf(passage: PassageState): string {
  return `${blockWord({ kind: passage.block, name: passage.blockName })}${passage.round ? ` · round ${passage.round.pass} of ${passage.round.of}` : ''}`;
}

/** What happens before the next passage, as it is called out. @example '3:00 break · pull buoy · long soft fins away' */
export function breakWords({ seconds, explain, on, off }: Break): string {
  return [
    `${formatTime(seconds)} break`,
    explain ? `explain ${drillCard(explain).name.toLowerCase()}` : '',
    ...on.map((kit) => KIT[kit]),
    ...off.map((kit) => `${KIT[kit]} away`),
  ]
    .filter(Boolean)
    .join(' · ');
}

/** What must be said before a passage begins: the cautions of its drill, and what goes with few breaths. */
export function passageCautions({ set, fewBreaths }: Passage): string[] {
  const drill = set?.drill ? drillCard(set.drill).cautions : [];
  if (!fewBreaths) return [...drill];
  return [...drill, ...(fewBreaths.may.length === 0 ? ['Everybody breathes freely.'] : fewBreaths.warnings)];
}

/** Given names, with as much of the family name as tells two of them apart. */
export function shortNames(swimmers: readonly { readonly id: string; readonly name: string }[]): Map<string, string> {
  const given = (name: string) => name.split(' ')[0]!;
  return new Map(
    swimmers.map(({ id, name }) => {
      const same = swimmers.filter((o) => o.id !== id && given(o.name) === given(name));
      const rest = name.split(' ').slice(1).join(' ');
      if (same.length === 0 || !rest) return [id, given(name)];
      return [id, `${given(name)} ${rest[0]}.`];
    }),
  );
}

/** How much of a break is left once everybody is in. @example 'break 0:48' */
export const breakLeftWord = (seconds: number): string =>
  seconds > 0 ? `break ${formatTime(Math.ceil(seconds))}` : `break over ${formatTime(Math.floor(-seconds))}`;

/** A count-down as large figures: minutes and seconds, the last ten with tenths. */
export function countdownWord(seconds: number): string {
  if (seconds < 0) return `+${formatTime(-seconds)}`;
  if (seconds < 10) return numberWord(Math.ceil(seconds * 10) / 10, 1);
  return formatTime(Math.ceil(seconds));
}
