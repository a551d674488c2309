import { outsideSwimmer, type OutsideSwimmer } from '@upwell/core/water';
import type { LevelId } from '@upwell/core/swimmers';
import { useRecordsQuery } from '@/records';
import { useSwimmerQuery } from '@/swimmers';
import { useTracksQuery } from './api';
import type { BreathingSide } from '@upwell/contract/swimmers';

/** A level stands for somebody who was not chosen yet. */
export type Who = { readonly level: LevelId } | { readonly id: string };

export interface Outside {
  readonly name: string;
  readonly swimmer: OutsideSwimmer;
  readonly breathes: BreathingSide;
  readonly id: string | null;
}

/** What is known of a swimmer for a course; null while it is on its way. */
export function useSwimmerOutside(who: Who, courseM: number): Outside | null {
  const id = 'id' in who ? who.id : '';
  const { data: page } = useSwimmerQuery(id, { skip: id === '' });
  const { data: records } = useRecordsQuery(id, { skip: id === '' });
  const { data: tracks } = useTracksQuery({ of: 'swimmers', id }, { skip: id === '' });
  if ('level' in who) {
    const known = { level: who.level, model: 'long-line', bests: [], drift: null, rateSpm: null } as const;
    return { name: '', swimmer: outsideSwimmer(known, courseM), breathes: 'both', id: null };
  }
  if (!page) return null;
  // The newest first, as the records have them.
  const last = (kind: string) => records?.tests.find((t) => t.kind === kind)?.outcome;
  const ramp = last('rate-ramp')?.ramp;
  const tested = records?.tests.find((t) => t.kind === 'closed-eyes');
  const swum = tracks?.find((t) => t.drift !== null);
  const drift = swum && (!tested || swum.on > tested.heldOn) ? swum.drift : (tested?.outcome.drift ?? null);
  const known = {
    level: page.level,
    model: page.strokeModel,
    bests: page.bestTimes,
    drift,
    rateSpm: Math.round(ramp?.distanceRateSpm ?? 0) || null,
    topRateSpm: ramp?.bestRateSpm ?? null,
  };
  const name = `${page.givenName} ${page.familyName}`;
  return { name, swimmer: outsideSwimmer(known, courseM), breathes: page.breathingSide, id: page.id };
}
