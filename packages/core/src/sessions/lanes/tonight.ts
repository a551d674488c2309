import { groupFor } from '../plan/checkPlan';
import type { GroupPerson } from '../plan/fewBreaths';
import type { SessionPlan } from '../plan/model';

/** Who is there tonight, as far as it was settled by hand: everybody else of the squads comes, and swims by pace. */
export interface Tonight {
  /** Of the squads, and away tonight. */
  readonly away: readonly string[];
  /** Of other squads, and here tonight. */
  readonly guests: readonly string[];
  /** Where somebody was put by hand: the id of a group, and a lane of it from 1. */
  readonly places: Readonly<Record<string, Place>>;
}

export interface Place {
  readonly group: string;
  readonly lane: number;
}

export const AS_USUAL: Tonight = { away: [], guests: [], places: {} };

/** Most guests of one session, and most people it can hold by hand. */
export const MOST_GUESTS = 40;
export const MOST_BY_HAND = 500;

/**
 * The people who come tonight, each with the place they were put in by hand.
 *
 * @param people everybody of the squads, and the guests
 * @example hereTonight(people, { away: ['ada'], guests: [], places: {} }) // everybody but Ada
 */
export function hereTonight<P extends GroupPerson>(people: readonly P[], { away, places }: Tonight): P[] {
  return people
    .filter(({ id }) => !away.includes(id))
    .map((person) => (Object.hasOwn(places, person.id) ? { ...person, place: places[person.id]! } : person));
}

/**
 * Puts somebody into a lane by hand, or back where their pace puts them.
 *
 * @example moved(AS_USUAL, 'ada', { group: 'hold', lane: 2 }).places // { ada: { group: 'hold', lane: 2 } }
 */
export function moved(tonight: Tonight, id: string, place: Place | null): Tonight {
  const { [id]: _, ...others } = tonight.places;
  return { ...tonight, places: place ? { ...others, [id]: place } : others };
}

/** Takes somebody out for tonight, or back in; a guest who does not come is no guest. */
export function away(tonight: Tonight, id: string, is: boolean): Tonight {
  if (tonight.guests.includes(id) && is)
    return { ...moved(tonight, id, null), guests: tonight.guests.filter((guest) => guest !== id) };
  const others = tonight.away.filter((other) => other !== id);
  return { ...tonight, away: is ? [...others, id] : others };
}

/** Where somebody may be put tonight: beginners only among beginners. */
export const mayJoin = (plan: SessionPlan, person: GroupPerson, group: string): boolean =>
  groupFor(plan, { level: person.level, place: { group, lane: 1 } })?.id === group;
