import { createInfiniteQuery, keepPreviousData } from '@tanstack/svelte-query';
import { answer, api, type Schemas } from '$lib/api/client';

export type ArchiveLine = Schemas['ArchiveLine'];

const atOnce = 60;

/** The archive that the site works with. */
export const siteArchive = () => ({
  queryKey: ['archive', 'at'],
  queryFn: () => answer(api.GET('/api/archive/at')),
});

/** What a search of an archive finds, more as it is asked for. */
export const findInArchive = (address: () => string, query: () => string) =>
  createInfiniteQuery(() => ({
    queryKey: ['archive', address(), query().trim()],
    queryFn: ({ pageParam }: { pageParam: number }) =>
      answer(
        api.GET('/api/archive', {
          params: { query: { address: address(), query: query(), skip: pageParam, take: atOnce } },
        }),
      ),
    initialPageParam: 0,
    getNextPageParam: (last: { total: number }, all: { items: unknown[] }[]) => {
      const got = all.reduce((sum, one) => sum + one.items.length, 0);
      return got < last.total ? got : undefined;
    },
    placeholderData: keepPreviousData,
    enabled: address() !== '',
    retry: false,
    staleTime: Infinity,
  }));
