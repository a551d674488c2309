// Sets with what is usual filled in.
import type { DrillId, KitId } from '../../library';
import type { Breathing, Item, Sighting, SwimSet, SwimStroke } from '../plan/model';
import { EASY } from '../plan/setMeasure';

export const FREE: Breathing = { kind: 'free' };
export const EVERY_THREE: Breathing = { kind: 'every', strokes: 3, side: 'right' };

export interface SwimOptions {
  readonly stroke?: SwimStroke;
  readonly drill?: DrillId;
  readonly effort?: number;
  readonly rest: number;
  readonly breathing?: Breathing;
  readonly kit?: readonly KitId[];
  readonly note?: string;
  readonly sighting?: Sighting | null;
}

/** A set with what is usual filled in. */
export function swim(id: string, reps: number, lengths: number, o: SwimOptions): SwimSet {
  return {
    kind: 'swim',
    id,
    reps,
    lengths,
    stroke: o.stroke ?? 'front-crawl',
    drill: o.drill ?? null,
    effort: o.effort ?? EASY,
    breathing: o.breathing ?? FREE,
    sighting: o.sighting ?? null,
    strokeRateSpm: null,
    timing: { kind: 'rest', seconds: o.rest },
    kit: o.kit ?? [],
    note: o.note ?? '',
  };
}

export function inRounds(id: string, rounds: number, items: readonly Item[]): readonly Item[] {
  return rounds === 1 ? items : [{ kind: 'rounds', id, rounds, items }];
}

/** Rest after a steady swim: 15 to 20 s for each 100 m, in steps of 5 s, from 10 to 60 s. */
export function usualRest(repM: number): number {
  return Math.min(60, Math.max(10, Math.round((repM * 0.175) / 5) * 5));
}
