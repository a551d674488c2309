// An entry of a library in words.
import type { LibraryEntry } from '@upwell/core/clubLibrary';
import { drillCard, LADDERS, type Drill, type DrillEntry, type LadderEntry } from '@upwell/core/library';
import { CAUSES, closedIn, experienceClub, SIGNS, type Experience } from '@upwell/core/review';
import { LEVEL } from '@upwell/core/swimmers';
import { counted, numberWord } from '@upwell/core/words';

/** What an entry is about, such as `Drill: Mitten swim`. */
export function nameOf({ kind, key, body }: LibraryEntry): string {
  switch (kind) {
    case 'drills':
      return `Drill: ${(body as DrillEntry | null)?.card?.name ?? drillCard(key).name}`;
    case 'causes':
      return `Cue: ${CAUSES[key].name}`;
    case 'links':
      return `How it shows: ${CAUSES[key].name}`;
    case 'signs':
      return `Words: ${SIGNS[key].seen}`;
    case 'bands':
      return `Limits: ${SIGNS[key].seen}`;
    case 'ladders':
      return `Ladder: ${LADDERS[key].name}`;
    case 'levels':
      return `Level: ${LEVEL[key].name}`;
    case 'experience':
      return `Experience: ${experienceClub(key) ?? 'our club’s'}`;
  }
}

/** What an experience is made of. @example '61 closed focuses, 44 of them helped' */
export function experienceWords(experience: Experience): string {
  const [helped, closed] = closedIn(experience);
  return `${counted(closed, 'closed focus', 'closed focuses')}, ${helped} of them helped`;
}

/** What the club says of it, in a line. */
export function saysOf({ kind, body }: LibraryEntry): string {
  switch (kind) {
    case 'drills': {
      const { card, hidden } = body;
      return [hidden ? 'not used' : null, card ? inShort(card) : null].filter((text) => text !== null).join(' · ');
    }
    case 'causes':
      return `“${body.cue}”`;
    case 'signs':
      return `“${body.seen}”`;
    case 'links':
      return counted(Object.keys(body).length, 'sign');
    case 'experience':
      return experienceWords(body);
    case 'bands':
      return counted(Object.keys(body).length, 'stroke model');
    case 'levels':
      return `“${body.name}”, ${body.metresPerHour.map((m) => numberWord(m)).join(' to ')} m an hour`;
    case 'ladders': {
      const { changed = {}, added = [] }: LadderEntry = body;
      const [words, more] = [Object.keys(changed).length, added.length];
      return [
        words > 0 ? `${counted(words, 'step')} in other words` : null,
        more > 0 ? `${counted(more, 'step')} more` : null,
      ]
        .filter((text) => text !== null)
        .join(', ');
    }
  }
}

const inShort = ({ cue, steps }: Drill): string => `“${cue}” ${counted(steps.length, 'step')}`;
