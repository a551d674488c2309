import { useEffect, useMemo } from 'react';
import type { KnownSwimmer } from '@upwell/core/exchange/shapes';
import { useSwimmersInfiniteQuery } from '@/swimmers';

/** Names of everybody, or of a squad, page by page; with nobody asked for, nobody. */
export function useEverybody(squadId?: string | null): readonly KnownSwimmer[] {
  const asked = { limit: 100, ...(squadId ? { squadId } : {}) };
  const { data, hasNextPage, isFetchingNextPage, fetchNextPage } = useSwimmersInfiniteQuery(asked, {
    skip: squadId === null,
  });
  useEffect(() => {
    if (hasNextPage && !isFetchingNextPage) void fetchNextPage();
  }, [hasNextPage, isFetchingNextPage, fetchNextPage]);
  const pages = squadId === null ? undefined : data?.pages;
  return useMemo(
    () => (pages ?? []).flatMap((p) => p.items).map((s) => ({ id: s.id, name: `${s.givenName} ${s.familyName}` })),
    [pages],
  );
}
