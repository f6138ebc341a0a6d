import { QueryClient } from '@tanstack/svelte-query';
import { answer, api } from './client';

export const queryClient = new QueryClient({ defaultOptions: { queries: { staleTime: 5_000, retry: 1 } } });

export const sitePlan = () => ({
  queryKey: ['site'],
  queryFn: () => answer(api.GET('/api/site')),
  staleTime: Infinity,
});
export const pageList = () => ({ queryKey: ['pages'], queryFn: () => answer(api.GET('/api/pages')) });
export const publishPreview = () => ({ queryKey: ['publish'], queryFn: () => answer(api.GET('/api/publish')) });
export const keptSearches = () => ({ queryKey: ['searches'], queryFn: () => answer(api.GET('/api/searches')) });
export const onePicture = (id: string) => ({
  queryKey: ['files', 'one', id],
  queryFn: () => answer(api.GET('/api/files/{id}', { params: { path: { id } } })),
});

const pageSize = 120;

/** A place that pictures are looked at through. */
export type Through = { size: string; shape: string };

/** The library's pictures for a search, a hundred or so at a time; through a place, best first. */
export const pictures = (query: string, through: Through | null = null) => ({
  queryKey: ['files', 'search', query, through],
  queryFn: ({ pageParam }: { pageParam: number }) =>
    answer(api.GET('/api/files', { params: { query: { query, skip: pageParam, take: pageSize, ...through } } })),
  initialPageParam: 0,
  // Pages of a hundred thousand pictures are not worth comparing one by one.
  structuralSharing: false,
  getNextPageParam: (last: { total: number }, all: { items: unknown[] }[]) => {
    const got = all.reduce((sum, page) => sum + page.items.length, 0);
    return got < last.total ? got : undefined;
  },
});
