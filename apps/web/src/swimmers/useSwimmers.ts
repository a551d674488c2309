import type { SwimmerRow } from '@upwell/contract/swimmers';
import { useEffect, useMemo } from 'react';
import { useSwimmersInfiniteQuery } from './api';

/** Everybody, or those of a squad, page by page; with nobody asked for, nobody. */
export function useSwimmers(squadId?: string | null): readonly SwimmerRow[] {
  const asked = { limit: 100, ...(squadId ? { squadId } : {}) };
  const { data, hasNextPage, isFetchingNextPage, fetchNextPage } = useSwimmersInfiniteQuery(asked, {
    skip: squadId === null,
  });
  useEffect(() => {
    if (hasNextPage && !isFetchingNextPage) void fetchNextPage();
  }, [hasNextPage, isFetchingNextPage, fetchNextPage]);
  const pages = squadId === null ? undefined : data?.pages;
  return useMemo(() => (pages ?? []).flatMap((p) => p.items), [pages]);
}
