import { raceOutlook, racePlan, type RaceChoices, type RaceFacts } from '@upwell/core/race';

/** Somebody with a race, and what is known and decided about it. */
export interface Racer {
  readonly id: string;
  readonly facts: RaceFacts;
  readonly choices: RaceChoices;
}

/** The weeks and the outlook of some swimmers on a day. */
export function plansOf({ racers, today }: { readonly racers: readonly Racer[]; readonly today: string }) {
  return racers.map(({ id, facts, choices }) => ({
    id,
    facts,
    plan: racePlan(facts, choices, today),
    outlook: raceOutlook(facts, choices, today),
  }));
}
