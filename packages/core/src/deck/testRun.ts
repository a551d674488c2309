import type { LevelId } from '../swimmers';
import { blockOf, groupOf, planOf, setOf } from '../sessions/plan/testPlans';
import type { AnySet, GroupPlan } from '../sessions';
import type { DeckEvent, DeckFact, RunSetup } from './model';
import { runSetup, type DeckPerson } from './setup';

/** Noon of an invented day, deck clock. */
export const T0 = 1_800_000_000_000;

/** Events one after the other, with seconds after the start. */
export class Notebook {
  readonly events: DeckEvent[] = [];

  constructor(
    setup: RunSetup,
    private readonly device = 'phone',
  ) {
    this.at(0, { kind: 'begin', setup });
  }

  at(seconds: number, fact: DeckFact, device = this.device): string {
    const id = `${device}-${String(this.events.length).padStart(5, '0')}`;
    this.events.push({ id, atMs: T0 + Math.round(seconds * 1000), device, ...fact });
    return id;
  }
}

export const peopleOf = (speeds: readonly number[], level: LevelId = 'hold'): DeckPerson[] =>
  speeds.map((v400Mps, i) => ({
    id: `${level}-${i}`,
    name: `${level} ${i}`,
    level,
    v400Mps,
    paceIsGuess: false,
    bests: [],
    age: 'adult',
    healthFlags: [],
  }));

/** 4 × 50 leaving on the lane's send-off, swum at exactly 1 m/s by four swimmers in one lane. */
export const fourFifties = (sets: readonly AnySet[] = [setOf({ effort: 1 / 1.0000001 })]): GroupPlan =>
  groupOf(sets, { swimmers: 4, lanes: 1, paceTable: [{ effort: 0.5, share: 1 }] });

export function setupFor(group: GroupPlan, people = peopleOf([1, 1, 1, 1])): RunSetup {
  return runSetup('Tonight', planOf([group]), people);
}

export { blockOf, groupOf, planOf, setOf };
