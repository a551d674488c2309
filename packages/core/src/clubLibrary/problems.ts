// Whether what a club writes may stand, beside everything else it has written.
import {
  cardProblems,
  DRILLS,
  ladderCard,
  LADDERS,
  MOST_OWN_DRILLS,
  unsafeWords,
  type Drill,
  type DrillEntry,
  type DrillId,
  type Ladder,
  type LadderEntry,
} from '../library';
import type { OwnKind, OwnShelves } from '../own';
import {
  builtInBands,
  CAUSE_IDS,
  CAUSES,
  experienceClub,
  linksWith,
  SIGNS,
  type BandEntry,
  type Cause,
  type CauseId,
  type LinkEntry,
  type MeasureId,
  type SignEntry,
  type SignId,
} from '../review';
import { LEVEL, LEVELS, STROKE_MODEL, type LevelEntry, type LevelId, type StrokeModelId } from '../swimmers';
import { plainName } from '../text';
import groupBy from 'lodash/groupBy.js';
import { entriesOf, keyOf, type BodyOf, type LibraryEntry } from './entries';

/** What is wrong with an entry, and at which of its fields. */
export interface EntryProblem {
  readonly field: string;
  readonly message: string;
}

/** Steps that a club may add to a ladder. */
export const MOST_OWN_STEPS = 10;

/** The drills that beginners are planned with; without them there is nothing for people who cannot swim yet. */
const NEVER_HIDDEN = new Set<string>([
  'wall-tries',
  ...ladderCard('confidence').steps.flatMap(({ drill }) => (drill ? [drill] : [])),
]);

/** The values that a measure can have at all. */
const RANGE: Readonly<Record<MeasureId, readonly [least: number, most: number]>> = {
  trunkDeg: [0, 90],
  rollDeg: [0, 180],
  headTurnDeg: [0, 180],
  leadArmDeg: [0, 90],
  elbowDeg: [-90, 90],
  entryDeg: [-60, 90],
  pastMiddleCm: [-40, 40],
  faceShare: [0, 1],
  handDepthCm: [-60, 100],
  kneeDeg: [0, 180],
  ankleDeg: [0, 180],
  airShare: [0, 1],
  asymmetry: [0, 1],
  coordination: [-0.5, 0.5],
  strokeRateSpm: [20, 140],
  oneSideShare: [0.5, 1],
};

/** Most metres of an hour that a level may be given: more is another sport. */
export const MOST_METRES_AN_HOUR = 6000;

/** Works something out once for a whole library. */
function inLibrary<T>(make: (all: OwnShelves) => T): (all: OwnShelves) => T {
  const made = new WeakMap<OwnShelves, { readonly value: T }>();
  return (all) => {
    const known = made.get(all) ?? { value: make(all) };
    made.set(all, known);
    return known.value;
  };
}

type Check<K extends OwnKind> = (key: string, body: BodyOf<K>, all: OwnShelves) => EntryProblem[];
const at = (field: string, message: string | null): EntryProblem[] => (message ? [{ field, message }] : []);

const builtInDrill = (id: string): Drill | undefined =>
  Object.hasOwn(DRILLS, id) ? DRILLS[id as keyof typeof DRILLS] : undefined;

const drills: Check<'drills'> = (id, { card, answers = [], hidden }, all) => {
  const builtIn = builtInDrill(id);
  if (!builtIn && !card) return at('card', 'A drill needs its card.');
  const problems: EntryProblem[] = card ? cardProblems(id as DrillId, card) : [];
  if (builtIn && answers.length > 0)
    problems.push(
      ...at('answers', 'What a built-in drill answers stays. Write a drill of your own for another cause.'),
    );
  if (!builtIn && answers.length === 0 && !card!.trains)
    problems.push(...at('answers', 'Say which cause it answers, or which skill it trains.'));
  if (card) problems.push(...at('name', otherNamed(id, card.name, all)));
  if (hidden) problems.push(...at('hidden', neededDrill(id, all)));
  return problems;
};

/** The names of all drills as they are compared, and whose each is; worked out once for each library. */
const drillNames = inLibrary((all) => {
  const cards = new Map<string, Drill>(Object.entries(DRILLS));
  for (const [id, { card }] of Object.entries((all.drills ?? {}) as Readonly<Record<string, DrillEntry>>))
    if (card) cards.set(id, card);
  return groupBy([...cards], ([, { name }]) => plainName(name));
});

/** The words of all signs as they are compared, and which signs are said so. */
const signWords = inLibrary((all) => groupBy(Object.keys(SIGNS) as SignId[], (id) => plainName(seenAs(id, all))));

const seenAs = (id: SignId, all: OwnShelves): string => ((all.signs?.[id] as SignEntry | undefined) ?? SIGNS[id]).seen;

/** What stops a second drill of the same name: on paper and in a list nobody could tell them apart. */
function otherNamed(id: string, name: string, all: OwnShelves): string | null {
  const same = drillNames(all)[plainName(name)]?.find(([other]) => other !== id);
  return same ? `There is a drill “${same[1].name}” already.` : null;
}

/** What stops a drill from being hidden. */
function neededDrill(id: string, all: OwnShelves): string | null {
  if (NEVER_HIDDEN.has(id)) return 'Beginners are planned with it: it stays.';
  const entries = (all.drills ?? {}) as Readonly<Record<string, DrillEntry>>;
  const bare = CAUSE_IDS.find((cause) => {
    const builtIn: Cause = CAUSES[cause];
    const own = Object.keys(entries).filter((other) => entries[other]!.answers?.includes(cause));
    const answers = [...builtIn.answers, ...own];
    return answers.includes(id) && answers.every((other) => other === id || entries[other]?.hidden);
  });
  return bare ? `It is the only drill left for “${CAUSES[bare].name}”. Write another one for it first.` : null;
}

const causes: Check<'causes'> = (_id, { cue, openTurnCue = '' }) => [
  ...at('cue', unsafeWords(cue)),
  ...at('openTurnCue', unsafeWords(openTurnCue)),
];

const signs: Check<'signs'> = (id, { seen }, all) => {
  const same = signWords(all)[plainName(seen)]?.find((other) => other !== id);
  return at('seen', same ? `Another sign is said like that: “${seenAs(same, all)}”.` : null);
};

const ladders: Check<'ladders'> = (id, { changed = {}, added = [] }: LadderEntry) => {
  const ladder: Ladder = LADDERS[id as keyof typeof LADDERS];
  const said = (field: string, step: { what: string; pass: string; backIf: string }) =>
    at(field, [step.what, step.pass, step.backIf].map(unsafeWords).find((text) => text !== null) ?? null);
  return [
    ...Object.entries(changed).flatMap(([place, step]) => {
      const was = ladder.steps[Number(place)];
      if (!was) return at(`changed.${place}`, 'The ladder has no such step.');
      if (step.tries < was.tries) return at(`changed.${place}`, `${was.tries} tries are the fewest; more is fine.`);
      return said(`changed.${place}`, step);
    }),
    ...added.flatMap((step, i) => said(`added.${i}`, step)),
  ];
};

const links: Check<'links'> = (id, entry: LinkEntry) => {
  const cause: Cause = CAUSES[id as CauseId];
  const foreign = (Object.keys(entry) as SignId[]).find((sign) => {
    const { stroke } = SIGNS[sign];
    // An open-water look counts the signs of the crawl as well.
    return (
      entry[sign] !== 'none' &&
      stroke !== 'any' &&
      !cause.strokes.some((s) => s === stroke || (s === 'open-water' && stroke === 'front-crawl'))
    );
  });
  if (foreign) return at(foreign, `“${SIGNS[foreign].seen}” is not seen in this stroke.`);
  return Object.keys(linksWith(id as CauseId, entry)).length === 0
    ? at('signs', 'A cause that shows in nothing could never be found.')
    : [];
};

const bands: Check<'bands'> = (sign, entry: BandEntry) =>
  (Object.keys(entry) as StrokeModelId[]).flatMap((model) => {
    const band = builtInBands(model).find((b) => b.sign === sign);
    if (!band) return at(model, 'Nothing is measured for this sign.');
    const [sometimes, often] = entry[model]!;
    const [least, most] = RANGE[band.measure];
    if (Math.min(sometimes, often) < least || Math.max(sometimes, often) > most)
      return at(model, `${STROKE_MODEL[model].name}: this measure lies between ${least} and ${most}.`);
    const rising = band.when === 'above';
    return at(
      model,
      rising === often > sometimes && often !== sometimes
        ? null
        : `${STROKE_MODEL[model].name}: “often” begins ${rising ? 'above' : 'below'} where “sometimes” begins.`,
    );
  });

const levels: Check<'levels'> = (id, { name, metresPerHour: [low, high] }, all) => {
  const nameOf = (other: LevelId) => ((all.levels?.[other] as LevelEntry | undefined) ?? LEVEL[other]).name;
  const same = LEVELS.find(
    (other) => other !== id && [nameOf(other), other].some((n) => plainName(n) === plainName(name)),
  );
  const most = id === 'settle' ? LEVEL.settle.metresPerHour[1] : MOST_METRES_AN_HOUR;
  return [
    ...at('name', same ? `Another level is called “${nameOf(same)}”.` : null),
    ...at('metresPerHour', low < high ? null : 'The second number is the larger one.'),
    ...at('metresPerHour', high <= most ? null : `${most} m is the most for an hour of this level.`),
  ];
};

/** Clubs whose experience may stand beside the club's own. */
export const MOST_POOLED = 20;

const experience: Check<'experience'> = (key, body, all) => {
  const counts = Object.entries(body).flatMap(([cause, { signs, drills }]) => [
    ...Object.entries(signs).map(([sign, count]) => ({ field: `${cause}.signs.${sign}`, count })),
    ...Object.entries(drills).flatMap(([drill, levels]) =>
      Object.entries(levels ?? {}).map(([level, count]) => ({ field: `${cause}.drills.${drill}.${level}`, count })),
    ),
  ]);
  const others = Object.keys(all.experience ?? {}).filter((other) => experienceClub(other) !== null);
  return [
    ...counts.flatMap(({ field, count: [so, of] }) => at(field, so > of ? `${so} of ${of} cannot be.` : null)),
    ...at(
      'key',
      experienceClub(key) !== null && others.length > MOST_POOLED
        ? `The experience of ${MOST_POOLED} other clubs is the most that is counted.`
        : null,
    ),
  ];
};

const CHECKS: { readonly [K in OwnKind]: Check<K> } = {
  drills,
  causes,
  signs,
  ladders,
  links,
  bands,
  levels,
  experience,
};

/**
 * Why an entry may not stand; nothing where it may. Its shape was checked at the door.
 *
 * @param all everything the club has, this entry among it
 */
export function entryProblems({ kind, key, body }: LibraryEntry, all: OwnShelves): EntryProblem[] {
  return (CHECKS[kind] as Check<typeof kind>)(key, body as never, all);
}

/** Why a whole library may not stand, entry by entry. */
export function libraryProblems(
  all: OwnShelves,
): { readonly entry: LibraryEntry; readonly problems: EntryProblem[] }[] {
  const own = Object.keys(all.drills ?? {}).filter((id) => !builtInDrill(id)).length;
  return entriesOf(all).flatMap((entry) => {
    const problems = entryProblems(entry, all);
    if (entry.kind === 'drills' && own > MOST_OWN_DRILLS)
      problems.push({ field: 'card', message: `${MOST_OWN_DRILLS} drills of its own are the most for a club.` });
    return problems.length > 0 ? [{ entry, problems }] : [];
  });
}

/** One problem of one entry: which entry, and which of its fields. */
export interface FoundProblem extends EntryProblem {
  /** Kind and key, as in `drills/own-paper-boats`. */
  readonly entry: string;
}

/** What may not stand in a library after a change and did so before: what was wrong already is not laid at its door. */
export function newProblems({
  before,
  after,
}: {
  readonly before: OwnShelves;
  readonly after: OwnShelves;
}): FoundProblem[] {
  const found = (all: OwnShelves) =>
    libraryProblems(all).flatMap(({ entry, problems }) =>
      problems.map((problem): FoundProblem => ({ entry: keyOf(entry), ...problem })),
    );
  const known = new Set(found(before).map(({ entry, field, message }) => `${entry} ${field} ${message}`));
  return found(after).filter(({ entry, field, message }) => !known.has(`${entry} ${field} ${message}`));
}
