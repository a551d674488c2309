// What a file from elsewhere holds, before anybody has said what it is: points, lines and areas with the names they had.
import simplify from 'simplify-js';
import { cleanText, cutText } from '../../text';
import { counted, listWord } from '../../words';
import { assemble, type RawPoint, type ReadCourse } from './assembleCourse';
import { AREA_KINDS, COURSE_LIMIT, TURN_SIDES, type AreaKind, type TurnSide } from './model';
import { bearingTo, planeAround, type Place } from './plane';

/** What a thing can stand for; by its shape not all of them. */
export const FOUND_ROLES = [
  ...(['start', 'mark', 'finish', 'landmark', 'exit'] as const),
  ...(['course', 'land', 'safe', 'forbidden', 'nothing'] as const),
];
export type FoundRole = (typeof FOUND_ROLES)[number];
export type FoundShape = 'point' | 'line' | 'area';

/** Roles by shape; a point or a line that is forbidden is given some room around it. */
export const ROLES_OF: Readonly<Record<FoundShape, readonly FoundRole[]>> = {
  point: ['start', 'mark', 'finish', 'landmark', 'exit', 'forbidden', 'nothing'],
  line: ['course', 'forbidden', 'nothing'],
  area: ['land', 'safe', 'forbidden', 'nothing'],
};

/** One thing of a file. */
export interface FoundThing {
  /** Its own in the file. */
  readonly key: string;
  readonly shape: FoundShape;
  readonly name: string;
  readonly role: FoundRole;
  /** Where the role comes from: the file says it, its name suggests it, or only its place in the file. */
  readonly by: 'file' | 'name' | 'order';
  readonly places: readonly Place[];
  /** Metres, where the file has them. */
  readonly widthM: number | null;
  readonly heightM: number | null;
  readonly fixed: boolean;
  readonly turn: TurnSide | null;
  readonly id: string;
  /** The landmark, by its id, that tells where to turn; empty at a buoy. */
  readonly abeam: string;
  /** The last way out before a danger. */
  readonly last: boolean;
}

export interface Found {
  readonly name: string;
  readonly laps: number;
  /** The file says that it goes with the stream. */
  readonly withStream?: boolean;
  readonly things: readonly FoundThing[];
  /** What could not be read, and why. */
  readonly leftOut: readonly string[];
}

/** What a reader of a format hands over; the rest is guessed here. */
export interface RawThing {
  readonly shape: FoundShape;
  readonly places: readonly Place[];
  readonly name?: string;
  /** What the file calls it: a role, or words like "buoy". */
  readonly role?: string;
  readonly widthM?: number;
  readonly heightM?: number;
  readonly fixed?: boolean;
  readonly turn?: string;
  readonly id?: string;
  readonly abeam?: string;
  readonly last?: boolean;
}

/** Most things of one file that are shown. */
export const MOST_THINGS = 200;
/** More corners than a course may have make a line a track; its own corners are looked for. */
const MOST_CORNERS = COURSE_LIMIT.marks + 2;
/** Most points of a line that are kept while it is looked at. */
const MOST_POINTS = 1000;
/** A point this near to a corner of the line gives it its name, metres. */
const SAME_SPOT_M = 25;
/** A line that ends this near to its beginning is a loop, metres. */
const LOOP_M = 30;
/** Room around a forbidden point or line, metres. */
const ROOM_M = 15;

/** Words in a name or a kind, by what they stand for; the first that fits. */
const HINTS: readonly (readonly [RegExp, FoundRole])[] = [
  [
    /\b(weir|danger|forbidden|prohibited|no[- ]?(swim|go|entry)|keep out|lane|fairway|shipping|ferry|jet ?ski)/i,
    'forbidden',
  ],
  [/\b(land|shore|coast|island|beach|bank)\b/i, 'land'],
  [/\b(safe|swim(ming)? (area|zone)|bathing)/i, 'safe'],
  [/\b(finish|end|ziel|arrival|arrivée)\b/i, 'finish'],
  [/\b(exit|way out|get out|ladder|steps)\b/i, 'exit'],
  [/\b(start|begin|slip|entry|depart)/i, 'start'],
  [/\b(buoy|bouy|mark|turn|boje|pylon|bóia|bouée)\b|^(m|b)?\d{1,2}$/i, 'mark'],
  [
    /\b(church|chapel|tower|mast|light ?house|chimney|silo|barn|house|hut|hotel|tree|poplar|wood|hill|ridge|notch|peak|rock|bridge|crane|spire|dome|flag|boat|barge|ship|pontoon|wreck)/i,
    'landmark',
  ],
];
/** What can leave: never an aim. */
const MOVES = /\b(boat|barge|ship|vessel|van|raft|moored|anchored)\b/i;

const goodPlace = ({ lat, lon }: Place) => Math.abs(lat) <= 90 && Math.abs(lon) <= 180;
const shortName = (text = '') => cutText(cleanText(text).trim(), 60).trim();
const over = (value: number | undefined) => (value !== undefined && value > 0 && value <= 5000 ? value : null);

/** What a thing is by the words that the file has for it; null when they say nothing. */
function roleOf(raw: RawThing): Pick<FoundThing, 'role' | 'by'> | null {
  const roles = ROLES_OF[raw.shape];
  const said = (raw.role ?? '').trim().toLowerCase() as FoundRole;
  if (roles.includes(said)) return { role: said, by: 'file' };
  for (const text of [raw.role ?? '', raw.name ?? ''])
    for (const [words, role] of HINTS) if (words.test(text) && roles.includes(role)) return { role, by: 'name' };
  return null;
}

/** A line of very many points with those that it needs: a metre does not matter. */
function thinned(line: readonly Place[]): readonly Place[] {
  if (line.length <= MOST_POINTS) return line;
  const plane = planeAround(line[0]!);
  const flat = line.map((place, i) => ({ ...plane.toPlane(place), i }));
  let kept = flat;
  for (let tolerance = 1; kept.length > MOST_POINTS; tolerance *= 2) kept = simplify(flat, tolerance) as typeof flat;
  return kept.map(({ i }) => line[i]!);
}

/**
 * What a file holds, each thing with what it probably is. Nothing vanishes: what cannot be used is named with the reason.
 *
 * @param raw in the order of the file
 * @param leftOut what the reader of the format could not make out
 */
export function found(name: string, laps: number, raw: readonly RawThing[], leftOut: readonly string[] = []): Found {
  const out = [...leftOut];
  const good = raw.flatMap((thing, i) => {
    const label = shortName(thing.name);
    const called = label || `${{ point: 'Point', line: 'Line', area: 'Area' }[thing.shape]} ${i + 1}`;
    const places = thing.places.filter(goodPlace);
    const least = { point: 1, line: 2, area: 3 }[thing.shape];
    if (places.length < least) {
      out.push(
        thing.shape === 'point'
          ? `Point ${i + 1}${label ? ` (${label})` : ''} has no valid position and was left out.`
          : `${called} has ${counted(places.length, 'corner')} in valid places, too few, and was left out.`,
      );
      return [];
    }
    if (places.length < thing.places.length)
      out.push(`${called}: ${counted(thing.places.length - places.length, 'corner')} without a valid position.`);
    return [{ ...thing, name: label, places: thing.shape === 'line' ? thinned(places) : places, key: `t${i}` }];
  });
  if (good.length > MOST_THINGS)
    out.push(
      `Only the first ${MOST_THINGS} of ${good.length} places are shown: ${listWord([good[MOST_THINGS]!.name || 'the next'])} and those behind it were left out.`,
    );
  const kept = good.slice(0, MOST_THINGS).map((thing): FoundThing => {
    const { key, shape, name: called, places, id = '', abeam = '', last = false } = thing;
    const turn = TURN_SIDES.includes(thing.turn as TurnSide) ? (thing.turn as TurnSide) : null;
    return {
      ...{ key, shape, name: called, places, id, turn, abeam, last },
      ...(roleOf(thing) ?? { role: 'nothing', by: 'order' }),
      ...{ widthM: over(thing.widthM), heightM: over(thing.heightM) },
      fixed: thing.fixed ?? !MOVES.test(called),
    };
  });
  // One line is the course; others can be chosen instead.
  const first = kept.find(({ role }) => role === 'course');
  const single = kept.map((t) => (t.role === 'course' && t !== first ? { ...t, role: 'nothing' as const } : t));
  return { name: shortName(name), laps, things: inOrder(single), leftOut: out };
}

/** What is said nowhere is taken from the order: the first line as the course, or else points from start to finish. */
function inOrder(things: readonly FoundThing[]): FoundThing[] {
  const told = things.some(({ role }) => role === 'start' || role === 'mark' || role === 'course');
  const set = (which: (thing: FoundThing) => FoundRole | null) =>
    things.map((thing) => ({ ...thing, role: which(thing) ?? thing.role }));
  if (told) return [...things];
  const line = things.find(({ shape, role }) => shape === 'line' && role === 'nothing');
  if (line) return set((thing) => (thing === line ? 'course' : null));
  const free = things.filter(({ shape, role }) => shape === 'point' && role === 'nothing');
  const finish = things.some(({ role }) => role === 'finish');
  if (free.length + Number(finish) < 2) return [...things];
  return set((thing) => {
    const at = free.indexOf(thing);
    if (at < 0) return null;
    return at === 0 ? 'start' : at === free.length - 1 && !finish ? 'finish' : 'mark';
  });
}

/** The same with another role for one thing; there is one course, one start and one finish. */
export function withRole({ things, ...rest }: Found, key: string, role: FoundRole): Found {
  const single = role === 'course' || role === 'start' || role === 'finish';
  return {
    ...rest,
    things: things.map((thing) => {
      if (thing.key === key) return { ...thing, role, by: 'file' as const };
      return single && thing.role === role ? { ...thing, role: 'nothing' as const } : thing;
    }),
  };
}

/** The corners of a line; of a track those where it really turns. */
export function cornersOf(line: readonly Place[]): Place[] {
  const plane = planeAround(line[0]!);
  const flat = line.map((place) => plane.toPlane(place));
  let corners = flat;
  // Wider and wider until a course can have them all.
  for (
    let tolerance = flat.length > MOST_CORNERS ? 15 : 0;
    corners.length > MOST_CORNERS || tolerance === 15;
    tolerance *= 1.5
  ) {
    corners = simplify([...flat], tolerance, true);
    if (corners.length <= MOST_CORNERS) break;
  }
  const places = corners.map((corner) => line[flat.indexOf(corner)]!);
  const [first, last] = [places[0]!, places.at(-1)!];
  return places.length > 3 && bearingTo(first, last).distanceM <= LOOP_M ? [...places.slice(0, -1), first] : places;
}

/** A box of some room around a point or along a line, as corners. */
function roomAround(places: readonly Place[]): Place[] {
  const plane = planeAround(places[0]!);
  const flat = places.map((place) => plane.toPlane(place));
  const [a, b] = [flat[0]!, flat.at(-1)!];
  const length = Math.hypot(b.x - a.x, b.y - a.y);
  const [ux, uy] = length > 0 ? [(b.x - a.x) / length, (b.y - a.y) / length] : [1, 0];
  const along = (p: { x: number; y: number }, u: number, v: number) =>
    plane.toPlace({ x: p.x + ux * u - uy * v, y: p.y + uy * u + ux * v });
  const first = along(a, -ROOM_M, 0);
  const last = along(b, ROOM_M, 0);
  return [
    first,
    ...flat.map((p) => along(p, 0, ROOM_M)),
    last,
    ...[...flat].reverse().map((p) => along(p, 0, -ROOM_M)),
  ];
}

/** The course that things make with the roles they have, and what is wrong with it. */
export function courseFrom({ name, laps, things, leftOut, withStream }: Found): ReadCourse {
  const of = (role: FoundRole) => things.filter((thing) => thing.role === role);
  const [line] = of('course');
  const problems = [...leftOut];
  const told = of('start').length > 0 || of('mark').length > 0;
  const corners = line && !told ? cornersOf(line.places) : [];
  if (line && !told && corners.length < line.places.length - 1)
    problems.push(
      `${line.name || 'The line'} has ${line.places.length} points, like the track of a swim: its ${counted(corners.length, 'corner')} are used.`,
    );
  const named = (place: Place) =>
    things.find(
      ({ shape, places, role }) =>
        shape === 'point' && role === 'nothing' && bearingTo(places[0]!, place).distanceM <= SAME_SPOT_M,
    );
  const point = (thing: FoundThing, role: string): RawPoint => ({
    ...{ ...thing.places[0]!, name: thing.name, role, id: thing.id, turn: thing.turn ?? '' },
    ...{ widthM: thing.widthM ?? Number.NaN, heightM: thing.heightM ?? Number.NaN, fixed: thing.fixed },
    ...{ abeam: thing.abeam, last: thing.last },
  });
  const bare = (place: Place, i: number): RawPoint => {
    const role = i === 0 ? 'start' : i === corners.length - 1 ? 'finish' : 'mark';
    const other = named(place);
    const own = { name: other?.name ?? '', id: other?.id ?? '', turn: other?.turn ?? '' };
    const bareOf = { widthM: Number.NaN, heightM: Number.NaN, fixed: true, abeam: '', last: false };
    return { lat: place.lat, lon: place.lon, role, ...own, ...bareOf };
  };
  const points = [
    ...corners.map(bare),
    ...(['start', 'mark', 'finish', 'landmark', 'exit'] as const)
      .filter((role) => corners.length === 0 || role === 'landmark' || role === 'exit')
      .flatMap((role) => of(role).map((thing) => point(thing, role))),
  ];
  const areas = AREA_KINDS.flatMap((kind) => of(kind).map((thing) => ({ thing, kind })))
    .sort((a, b) => things.indexOf(a.thing) - things.indexOf(b.thing))
    .map(({ thing, kind }: { thing: FoundThing; kind: AreaKind }) => ({
      ...{ kind, name: thing.name, id: thing.id },
      points: thing.shape === 'area' ? thing.places : roomAround(cornersOf(thing.places)),
    }));
  for (const { name: called } of things.filter(({ shape, role }) => shape === 'area' && role === 'nothing'))
    problems.push(`${called || 'An area'} does not say whether it is land, safe or forbidden, and was left out.`);
  const read = assemble(name, laps, points, areas, withStream);
  return { ...read, problems: [...problems, ...read.problems] };
}
