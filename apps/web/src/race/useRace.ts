import type { RacePlanView } from '@upwell/contract/race';
import { raceOutlook, racePlan, raceReadiness, type RaceFacts } from '@upwell/core/race';
import { useCallback, useMemo } from 'react';
import { useDraft, useToday } from '@/state/hooks';
import { draftOf, raceKey, type RaceDraft } from './raceDraft';

/** Everything a race plan shows, worked out here at every change; a few milliseconds. */
export function useRace(view: RacePlanView, facts: RaceFacts) {
  const today = useToday();
  const stored = useMemo(() => draftOf(view), [view]);
  const [kept, setKept, drop] = useDraft<RaceDraft | null>(raceKey(view.swimmerId), null);
  const change = useCallback(
    (next: (now: RaceDraft) => RaceDraft) => setKept((now) => next(now ?? stored)),
    [setKept, stored],
  );
  const draft = kept ?? stored;
  const { choices } = draft;
  return {
    id: view.swimmerId,
    name: view.name,
    today,
    draft,
    changed: kept !== null && JSON.stringify(kept.choices) !== JSON.stringify(view.choices),
    change,
    drop,
    outlook: useMemo(() => raceOutlook(facts, choices, today), [facts, choices, today]),
    plan: useMemo(() => racePlan(facts, choices, today), [facts, choices, today]),
    ready: useMemo(() => raceReadiness(facts, choices, today), [facts, choices, today]),
  };
}

export type Race = ReturnType<typeof useRace>;

/** What each view of the way gets. */
export interface PaneProps {
  readonly race: Race;
  readonly facts: RaceFacts;
  readonly coach: boolean;
}
