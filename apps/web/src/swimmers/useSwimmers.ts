// The swimmers of a club or a squad, all pages of them.
import type { SwimmerRow } from '@upwell/contract/swimmers';
import { useEffect, useMemo } from 'react';
import { useSwimmersInfiniteQuery } from './api';

interface SwimmerList {
  readonly swimmers: readonly SwimmerRow[];
  /** Whether the first page came, or cannot come. */
  readonly settled: boolean;
}

/** Everybody, or those of a squad, page by page; with nobody asked for, nobody. */
export function useSwimmerList(squadId?: string | null): SwimmerList {
  const asked = { limit: 100, ...(squadId ? { squadId } : {}) };
  const { data, isError, hasNextPage, isFetchingNextPage, fetchNextPage } = useSwimmersInfiniteQuery(asked, {
    skip: squadId === null,
  });
  useEffect(() => {
    if (hasNextPage && !isFetchingNextPage) void fetchNextPage();
  }, [hasNextPage, isFetchingNextPage, fetchNextPage]);
  const pages = squadId === null ? undefined : data?.pages;
  const swimmers = useMemo(() => (pages ?? []).flatMap((p) => p.items), [pages]);
  return { swimmers, settled: squadId === null || pages !== undefined || isError };
}

/** The rows of {@link useSwimmerList}. */
export const useSwimmers = (squadId?: string | null): readonly SwimmerRow[] => useSwimmerList(squadId).swimmers;
