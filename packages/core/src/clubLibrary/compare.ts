// The library of another club beside one's own: what is new, what is the same, what clashes.
import isEqual from 'lodash/isEqual.js';
import { DRILLS, type Drill, type DrillEntry, type OwnDrillId } from '../library';
import type { OwnShelves } from '../own';
import { experienceFrom, OUR_EXPERIENCE } from '../review';
import { plainName } from '../text';
import { entriesOf, keyOf, type LibraryEntry } from './entries';

/** One entry of a file beside what the club has. */
export interface Compared {
  readonly theirs: LibraryEntry;
  /** `clash`: the club has something else under this name. */
  readonly is: 'new' | 'same' | 'clash';
  readonly ours: LibraryEntry | null;
}

/** What is done with an entry that clashes. */
export type Settled = 'ours' | 'theirs' | 'both';

/** Whose library is beside whose. */
interface Clubs {
  /** The name of our own club. */
  readonly us: string;
  /** The name of the club that the file is from. */
  readonly them: string;
}

/**
 * The entries of a file as they would stand here: another club's experience is named after it, and takes the place of
 * what it gave before, so that nothing is counted twice.
 */
const arriving = (theirs: readonly LibraryEntry[], { us, them }: Clubs): LibraryEntry[] =>
  theirs.flatMap((entry): LibraryEntry[] => {
    if (entry.kind !== 'experience') return [entry];
    if (entry.key !== OUR_EXPERIENCE) return [];
    return [us === them ? entry : { ...entry, key: experienceFrom(them) }];
  });

/** Each entry of another club's library beside one's own. An own drill of the same name is the same drill. */
export function compareLibraries(ours: OwnShelves, theirs: readonly LibraryEntry[], clubs: Clubs): Compared[] {
  const here = entriesOf(ours);
  return arriving(theirs, clubs).map((entry) => {
    const known =
      here.find((own) => own.kind === entry.kind && own.key === entry.key) ??
      here.find((own) => sameName(own, entry)) ??
      null;
    const same = known !== null && known.key === entry.key && isEqual(known.body, entry.body);
    // What another club has seen since takes the place of what it had seen.
    const isNew = known === null || (entry.kind === 'experience' && entry.key !== OUR_EXPERIENCE);
    return { theirs: entry, is: same ? 'same' : isNew ? 'new' : 'clash', ours: known };
  });
}

const nameOf = ({ kind, body }: LibraryEntry): string | null =>
  kind === 'drills' ? plainName((body as DrillEntry).card?.name ?? '') || null : null;

const sameName = (a: LibraryEntry, b: LibraryEntry): boolean => nameOf(a) !== null && nameOf(a) === nameOf(b);

/** Whether both can stand side by side: drills of their own can, words for the same thing cannot. */
export const canBeBoth = ({ theirs }: Compared): boolean => theirs.kind === 'drills' && theirs.key.startsWith('own-');

/**
 * The entries that come in, once every clash is settled. Kept side by side, the newcomer is named after its club.
 *
 * @param settled by kind and key, as in `drills/own-paper-boats`; what is not settled stays as it is here
 * @param club the name of the club that the file is from
 */
export function takeIn(
  ours: OwnShelves,
  compared: readonly Compared[],
  settled: Readonly<Record<string, Settled>>,
  club: string,
): LibraryEntry[] {
  const taken = new Set([
    ...Object.keys(DRILLS),
    ...Object.keys(ours.drills ?? {}),
    ...compared.map(({ theirs }) => theirs.key),
  ]);
  return compared.flatMap((row): LibraryEntry[] => {
    const { theirs, is, ours: own } = row;
    if (is === 'same') return [];
    if (is === 'new') return [theirs];
    const how = settled[keyOf(theirs)] ?? 'ours';
    if (how === 'theirs') return [{ ...theirs, key: own!.key } as LibraryEntry];
    if (how === 'ours' || !canBeBoth(row)) return [];
    const { card, ...rest } = theirs.body as DrillEntry & { readonly card: Drill };
    const name = `${card.name} (${club})`.slice(0, 60);
    const key = ownDrillId(name, taken);
    taken.add(key);
    return [{ kind: 'drills', key, body: { ...rest, card: { ...card, name } } }];
  });
}

/**
 * The id of a drill that a club writes, out of its name: what it is called in the text of a session.
 *
 * @param taken ids that are in use
 * @example ownDrillId('Paper boats', new Set()) // 'own-paper-boats'
 */
export function ownDrillId(name: string, taken: ReadonlySet<string>): OwnDrillId {
  const words =
    plainName(name)
      .replace(/[^a-z]+/g, '-')
      .slice(0, 40)
      .replace(/^-+|-+$/g, '') || 'drill';
  const id = `own-${words}` as const;
  if (!taken.has(id)) return id;
  // Letters, not numbers: a number would be a distance in the text of a session.
  for (let n = 0; ; n++) {
    const other =
      `${id}-${n.toString(26).replace(/./g, (digit) => String.fromCharCode(97 + parseInt(digit, 26)))}` as const;
    if (!taken.has(other)) return other;
  }
}
