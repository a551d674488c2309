import type { ClubRules } from '@upwell/contract/club';
import { useEffect, useState } from 'react';
import { v7 } from 'uuid';
import type { ApiError } from '@/api/problem';
import { useClubRulesQuery, useSaveClubRulesMutation } from './api';

/** What one tap changes, whatever the rules are by then: another head coach's change of something else stays. */
type Tap = (rules: ClubRules) => Partial<ClubRules>;

const after = (rules: ClubRules, taps: readonly Tap[]): ClubRules =>
  taps.reduce((now, tap) => ({ ...now, ...tap(now) }), rules);

interface ClubRulesHere {
  /** With what was tapped; null until they are known. */
  readonly rules: ClubRules | null;
  readonly change: (tap: Tap) => void;
  /** Why they cannot be read. */
  readonly unread: ApiError | undefined;
  readonly again: () => void;
  /** Why the last tap was refused. */
  readonly refused: ApiError | null;
}

/** The rules of the club, changed by taps that do not wait for each other. */
export function useClubRules(): ClubRulesHere {
  const { data: stored, error, refetch } = useClubRulesQuery();
  const [save, saving] = useSaveClubRulesMutation();
  const [taps, setTaps] = useState<readonly Tap[]>([]);
  const conflict = saving.error !== undefined && 'status' in saving.error && saving.error.status === 409;
  useEffect(() => {
    if (!stored || taps.length === 0 || saving.isLoading || (saving.isError && !conflict)) return;
    const { version, ...rules } = stored;
    const store = async () => {
      const { error: refused } = await save({ ...after(rules, taps), version, writeId: v7() });
      if (!refused) setTaps((now) => now.slice(taps.length));
      // Changed elsewhere meanwhile: what was tapped goes on top of what is stored now. Anything else is said below.
      else if ('status' in refused && refused.status === 409) await refetch();
      else setTaps([]);
    };
    void store();
  }, [stored, taps, saving.isLoading, saving.isError, conflict, save, refetch]);
  return {
    rules: stored ? after(stored, taps) : null,
    change(tap) {
      saving.reset();
      setTaps((now) => [...now, tap]);
    },
    unread: error,
    again: () => void refetch(),
    refused: saving.error && !conflict ? saving.error : null,
  };
}
