// What the demo club has written into its library: a drill of its own, and its own words for one cue.
import { shelvesOf, type LibraryEntry } from '@upwell/core/clubLibrary';
import { OUR_EXPERIENCE, type Experience } from '@upwell/core/review';
import type { EntityManager } from '@mikro-orm/postgresql';
import { LibraryEntryEntity } from '../src/library/entities';
import { goOnIn } from '../src/platform/shelves';
import { ACCOUNTS } from './people';
import { idFor } from './random';
import { CLUB_ID } from './shared';

const ENTRIES: readonly LibraryEntry[] = [
  {
    kind: 'drills',
    key: 'own-deep-rungs',
    body: {
      card: {
        name: 'Deep rungs',
        purpose: 'Finds the deep water under the shoulder, one hold at a time.',
        steps: [
          'Think of a ladder that hangs down from the surface.',
          'Reach for the third rung, fingertips first, and hold it.',
          'Pull the body past it. Breathe every two or three strokes.',
        ],
        feel: 'The forearm meets firm water before the body moves.',
        mistakes: ['reaching with a straight, stiff arm', 'hurrying past the hold'],
        cue: 'Third rung, then past it.',
        kit: ['buoy'],
        places: ['pool'],
        from: 'build',
        contradicts: [],
        view: 'under water',
        dose: { kind: 'distance', tries: 4, metres: 25, mostM: 50 },
        factor: 0.8,
        cautions: ['Stop when a shoulder hurts.'],
        notWith: ['shoulder'],
      },
      answers: ['shallow-pull'],
    },
  },
  { kind: 'causes', key: 'shallow-pull', body: { cue: 'Hand under the shoulder, deep as the third rung.' } },
];

const rowOf = ({ kind, key, body }: LibraryEntry, now: Date) => ({
  ...{ id: idFor(`library ${kind} ${key}`), clubId: CLUB_ID, kind, key, body, version: 1 },
  ...{ changedBy: idFor(ACCOUNTS[0].email), changedAt: now, writeId: idFor(`library ${kind} ${key} write`) },
});

/** Stores what the club has of its own; what is made after it is made with it. */
export async function seedLibrary(em: EntityManager, now: Date): Promise<void> {
  await em.insertMany(
    LibraryEntryEntity,
    ENTRIES.map((entry) => rowOf(entry, now)),
  );
  goOnIn({ stamp: `demo ${now.getTime()}`, shelves: shelvesOf(ENTRIES) });
}

/** Counts what the second looks of the season have taught. */
export async function seedExperience(em: EntityManager, now: Date): Promise<void> {
  const [row] = await em.execute<{ body: Experience }[]>('select taught_so_far(?) as body', [CLUB_ID]);
  await em.insert(LibraryEntryEntity, rowOf({ kind: 'experience', key: OUR_EXPERIENCE, body: row!.body }, now));
}
