/** Where one person's data lies, part by part, in the order of the file that holds all of it. */
export const PERSON_PARTS = [
  'account',
  'reviews',
  'focuses',
  'tries',
  'clips',
  'sentClips',
  'results',
  'tests',
  'reps',
  'signs',
  'attendance',
  'ratings',
  'tracks',
  'racePlan',
  'outlook',
  'weeks',
  'invitations',
  'handoutLinks',
  'calendarLinks',
  'looks',
] as const;
export type PersonPart = (typeof PERSON_PARTS)[number];

/** What goes when a person is erased, and what stays without a name. */
export interface Erasing {
  readonly goes: Readonly<Record<PersonPart, number>>;
  readonly stays: {
    /** Notes of runs on deck in which they took part: they count there as “Somebody”. */
    readonly deckEvents: number;
  };
  /** Texts by coaches in which their whole name stands; the coach finds and changes those. */
  readonly named: readonly {
    readonly kind: 'session' | 'course' | 'import' | 'water' | 'swimmer';
    /** Of the session, the course or the file, the day at the water, or the other swimmer on whose page it stands. */
    readonly title: string;
  }[];
}
