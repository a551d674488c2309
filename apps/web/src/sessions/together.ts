// A session that was changed here and elsewhere at the same time.
import { sessionFieldsOf, type SessionFields, type SessionSave, type SessionView } from '@upwell/contract/sessions';
import { mergePlans, mergeTonight, pick, pickSet, type Three } from '@upwell/core/sessions';

/** What was changed differently on both sides is called this. */
const FIELD_WORD = {
  title: 'the title',
  date: 'the day',
  startTime: 'the time',
  template: 'whether it is a template',
  seriesId: 'the series',
  courseId: 'the course',
  done: 'what was swum',
} as const;

export interface Merged {
  readonly fields: SessionFields;
  /** What was changed differently on both sides, in words: it stands as it was changed here. */
  readonly clashes: readonly string[];
}

/** Both changes in one: nothing that either side put in is lost. */
export function mergeSession({ base, mine, theirs }: Three<SessionFields>): Merged {
  const clashes = new Set<string>();
  const field = <K extends keyof typeof FIELD_WORD>(key: K): SessionFields[K] =>
    pick({ base: base[key], mine: mine[key], theirs: theirs[key] }, () => clashes.add(FIELD_WORD[key]));
  const set = (key: 'squadIds' | 'breatheFreely') => pickSet({ base: base[key], mine: mine[key], theirs: theirs[key] });
  const { plan, clashes: ofPlan } = mergePlans({ base: base.plan, mine: mine.plan, theirs: theirs.plan });
  ofPlan.forEach((what) => clashes.add(what));
  const tonight =
    base.tonight && mine.tonight && theirs.tonight
      ? mergeTonight({ base: base.tonight, mine: mine.tonight, theirs: theirs.tonight }, () =>
          clashes.add('who swims in which lane'),
        )
      : (mine.tonight ?? theirs.tonight);
  const fields: SessionFields = {
    ...{ title: field('title'), date: field('date'), startTime: field('startTime'), template: field('template') },
    ...{ seriesId: field('seriesId'), courseId: field('courseId'), done: field('done') },
    ...{ squadIds: set('squadIds'), breatheFreely: set('breatheFreely'), plan },
    ...(tonight ? { tonight } : {}),
  };
  return { fields, clashes: [...clashes] };
}

/** A save that waited, on top of what is stored by now; null when both changed the same thing: then a coach says what counts. */
export function mergeWaiting(base: unknown, mine: unknown, theirs: unknown): SessionFields | null {
  const { version: _, writeId: _w, ...fields } = mine as SessionSave;
  const stored = sessionFieldsOf(theirs as SessionView);
  const merged = mergeSession({ base: base as SessionFields, mine: fields, theirs: stored });
  return merged.clashes.length > 0 ? null : merged.fields;
}
