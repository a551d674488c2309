import { useMemo } from 'react';
import type { KnownSwimmer } from '@upwell/core/exchange/shapes';
import { useSwimmers } from '@/swimmers';

/** Names of everybody, or of a squad; with nobody asked for, nobody. */
export function useEverybody(squadId?: string | null): readonly KnownSwimmer[] {
  const swimmers = useSwimmers(squadId);
  return useMemo(() => swimmers.map((s) => ({ id: s.id, name: `${s.givenName} ${s.familyName}` })), [swimmers]);
}
