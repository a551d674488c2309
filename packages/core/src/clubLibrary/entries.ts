// What a club writes into its own library: one entry for each thing that is other than built in.
import type { DrillEntry, DrillId, LadderEntry, LadderId } from '../library';
import type { OwnKind, OwnShelves } from '../own';
import type { BandEntry, CauseEntry, CauseId, Experience, LinkEntry, SignEntry, SignId } from '../review';
import type { LevelEntry, LevelId } from '../swimmers';

/** What an entry of each kind holds, and what names it. */
interface Kinds {
  readonly drills: { readonly key: DrillId; readonly body: DrillEntry };
  readonly causes: { readonly key: CauseId; readonly body: CauseEntry };
  readonly signs: { readonly key: SignId; readonly body: SignEntry };
  readonly ladders: { readonly key: LadderId; readonly body: LadderEntry };
  readonly links: { readonly key: CauseId; readonly body: LinkEntry };
  readonly bands: { readonly key: SignId; readonly body: BandEntry };
  readonly levels: { readonly key: LevelId; readonly body: LevelEntry };
  /** What second looks have taught, by whose they were. */
  readonly experience: { readonly key: string; readonly body: Experience };
}
export type BodyOf<K extends OwnKind> = Kinds[K]['body'];

/** One thing that the club has otherwise than built in, or of its own. */
export type LibraryEntry = { readonly [K in OwnKind]: { readonly kind: K } & Kinds[K] }[OwnKind];

/** The entries of a library, in the order of its shelves. */
export function entriesOf(shelves: OwnShelves): LibraryEntry[] {
  return Object.entries(shelves).flatMap(([kind, entries]) =>
    Object.entries(entries).map(([key, body]) => ({ kind, key, body }) as LibraryEntry),
  );
}

/** A library with one entry more, in the place of the one of the same thing; `null` takes it away. */
export function withEntry(shelves: OwnShelves, kind: OwnKind, key: string, body: unknown): OwnShelves {
  const { [key]: _, ...others } = shelves[kind] ?? {};
  return { ...shelves, [kind]: body === null ? others : { ...others, [key]: body } };
}

/** What an entry is about, in one word. @example keyOf({ kind: 'causes', key: 'unease', body }) // 'causes/unease' */
export const keyOf = ({ kind, key }: Pick<LibraryEntry, 'kind' | 'key'>): string => `${kind}/${key}`;
