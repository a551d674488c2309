// What the cards of drills and ladders can be found by.
import { findAmong } from '../words';
import { drillCard, type DrillId } from './drills';
import { ladderCard, type LadderId } from './ladders';

/** The drills that answer a question in any words, by name first. @example findDrills('sculling', drillIds()) */
export function findDrills(asked: string, drills: readonly DrillId[]): DrillId[] {
  return findAmong(asked, drills, (id) => {
    const { name, purpose, steps, cue, mistakes, trains = '' } = drillCard(id);
    return { name, others: [purpose, trains, cue, ...steps, ...mistakes].join(' ') };
  });
}

/** The ladders that answer a question in any words, by name first. */
export function findLadders(asked: string, ladders: readonly LadderId[]): LadderId[] {
  return findAmong(asked, ladders, (id) => {
    const { name, purpose, steps } = ladderCard(id);
    return { name, others: [purpose, ...steps.map((step) => step.what)].join(' ') };
  });
}
