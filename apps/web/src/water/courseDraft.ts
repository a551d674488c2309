import type { CourseView } from '@upwell/contract/water';
import {
  placeAt,
  turnOf,
  type Area,
  type AreaKind,
  type Course,
  type Mark,
  type Place,
  type TurnSide,
} from '@upwell/core/water';
import { v7 } from 'uuid';
import { NO_HISTORY, undoable, type History } from '@/state/history';

/** A course while it is drawn; kept on the device until it is saved. */
export interface CourseDraft extends History<Course> {
  readonly version: number;
  readonly writeId: string;
  readonly name: string;
  readonly place: string;
  readonly course: Course;
}

export const courseKey = (id: string) => `course:${id}`;

/** Two points to begin from, a hundred metres apart. */
export function newCourseDraft(middle: Place): CourseDraft {
  const course = { start: middle, marks: [], finish: placeAt(middle, 90, 40), laps: 1, areas: [], landmarks: [] };
  return { version: 0, writeId: v7(), name: '', place: '', course, ...NO_HISTORY };
}

export const draftOf = ({ version, name, place, course }: CourseView): CourseDraft => ({
  ...{ version, name, place, course },
  ...{ writeId: v7(), ...NO_HISTORY },
});

const steps = undoable<CourseDraft, Course>(
  (draft) => draft.course,
  (draft, course) => ({ ...draft, course, writeId: v7() }),
);

export const { changed: withCourse, undone, redone } = steps;

/** What a handle on the map stands for. */
export type Held =
  | { readonly kind: 'start' | 'finish' }
  | { readonly kind: 'mark' | 'landmark' | 'exit'; readonly id: string }
  | { readonly kind: 'corner'; readonly id: string; readonly index: number };

export const handleOf = (held: Held): string =>
  held.kind === 'corner' ? `corner:${held.id}:${held.index}` : 'id' in held ? `${held.kind}:${held.id}` : held.kind;

/** Everything that can be moved, with where it is. */
export function heldThings(course: Course): { readonly held: Held; readonly place: Place; readonly name: string }[] {
  return [
    { held: { kind: 'start' }, place: course.start, name: 'Start' },
    ...course.marks.map((m) => ({ held: { kind: 'mark', id: m.id } as const, place: m, name: `Mark ${m.name}` })),
    { held: { kind: 'finish' }, place: course.finish, name: 'Finish' },
    ...course.landmarks.map((l) => ({ held: { kind: 'landmark', id: l.id } as const, place: l, name: l.name })),
    ...(course.exits ?? []).map((e) => ({ held: { kind: 'exit', id: e.id } as const, place: e, name: e.name })),
    ...course.areas.flatMap((a) =>
      a.points.map((place, index) => ({
        held: { kind: 'corner', id: a.id, index } as const,
        place,
        name: `${a.name || a.kind}, corner ${index + 1}`,
      })),
    ),
  ];
}

const placeOnly = ({ lat, lon }: Place): Place => ({ lat, lon });

/** The course with one thing somewhere else. */
export function movedTo(course: Course, held: Held, to: Place): Course {
  const at = placeOnly(to);
  switch (held.kind) {
    case 'start':
    case 'finish':
      return { ...course, [held.kind]: at };
    case 'mark':
      return { ...course, marks: course.marks.map((m) => (m.id === held.id ? { ...m, ...at } : m)) };
    case 'landmark':
      return { ...course, landmarks: course.landmarks.map((l) => (l.id === held.id ? { ...l, ...at } : l)) };
    case 'exit':
      return { ...course, exits: course.exits?.map((e) => (e.id === held.id ? { ...e, ...at } : e)) ?? [] };
    case 'corner':
      return {
        ...course,
        areas: course.areas.map((a) =>
          a.id === held.id ? { ...a, points: a.points.map((p, i) => (i === held.index ? at : p)) } : a,
        ),
      };
  }
}

/** The course without one thing; an area goes with its third-last corner. */
export function without(course: Course, held: Held): Course {
  switch (held.kind) {
    case 'mark':
      return { ...course, marks: course.marks.filter((m) => m.id !== held.id) };
    case 'landmark':
      return {
        ...course,
        landmarks: course.landmarks.filter((l) => l.id !== held.id),
        // A turn that it told is a buoy again.
        marks: course.marks.map((m) => (m.abeam === held.id ? withBuoy(m) : m)),
      };
    case 'exit':
      return { ...course, exits: course.exits?.filter((e) => e.id !== held.id) ?? [] };
    case 'corner':
      return {
        ...course,
        areas: course.areas.flatMap((a) => {
          if (a.id !== held.id) return [a];
          const points = a.points.filter((_, i) => i !== held.index);
          return points.length < 3 ? [] : [{ ...a, points }];
        }),
      };
    case 'start':
    case 'finish':
      return course;
  }
}

const freshId = (prefix: string, taken: readonly { readonly id: string }[]): string => {
  let n = taken.length + 1;
  while (taken.some((t) => t.id === `${prefix}${n}`)) n++;
  return `${prefix}${n}`;
};

/** A mark after the last one, turned at as the line bends. */
export function withMark(course: Course, at: Place): Course {
  const before = course.marks.at(-1) ?? course.start;
  const mark = { id: freshId('m', course.marks), name: String(course.marks.length + 1), ...placeOnly(at) };
  return { ...course, marks: [...course.marks, { ...mark, turn: turnOf(before, at, course.finish) }] };
}

export function withLandmark(course: Course, at: Place): Course {
  const id = freshId('l', course.landmarks);
  const fields = { name: `Landmark ${course.landmarks.length + 1}`, widthM: 20, heightM: 10, fixed: true };
  return { ...course, landmarks: [...course.landmarks, { id, ...fields, ...placeOnly(at) }] };
}

/** A way out; the last before the finish until another is named. */
export function withExit(course: Course, at: Place): Course {
  const exits = course.exits ?? [];
  const fresh = { id: freshId('e', exits), name: `Exit ${exits.length + 1}`, last: exits.length === 0 };
  return { ...course, exits: [...exits, { ...fresh, ...placeOnly(at) }] };
}

/** One exit is the last before the danger, or none. */
export const withLastExit = (course: Course, id: string, last: boolean): Course => ({
  ...course,
  exits: (course.exits ?? []).map((e) => ({ ...e, last: e.id === id ? last : last ? false : e.last })),
});

/** A new corner of the area that is being drawn, or the first three of a new one. */
export function withCorner(
  course: Course,
  kind: AreaKind,
  at: Place,
  areaId: string | null,
): { course: Course; id: string } {
  const area = course.areas.find((a) => a.id === areaId && a.kind === kind);
  if (area) {
    const areas = course.areas.map((a) => (a === area ? { ...a, points: [...a.points, placeOnly(at)] } : a));
    return { course: { ...course, areas }, id: area.id };
  }
  const id = freshId('a', course.areas);
  const points = [placeOnly(at), placeAt(at, 45, 60), placeAt(at, 135, 60)];
  const fresh: Area = { id, kind, name: '', points };
  return { course: { ...course, areas: [...course.areas, fresh] }, id };
}

export const withTurn = (course: Course, id: string, turn: TurnSide): Course => ({
  ...course,
  marks: course.marks.map((m) => (m.id === id ? { ...m, turn } : m)),
});

const withBuoy = ({ abeam: _abeam, ...mark }: Mark): Mark => mark;

/** A mark without a buoy, told by a landmark; or with one again. */
export const withAbeam = (course: Course, id: string, landmarkId: string | null): Course => ({
  ...course,
  marks: course.marks.map((m) => (m.id !== id ? m : landmarkId === null ? withBuoy(m) : { ...m, abeam: landmarkId })),
});
