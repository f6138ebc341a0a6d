import { answer, api } from './client';

export { askAnew, know, queryClient } from './asked';

export const sitePlan = () => ({
  queryKey: ['site'],
  queryFn: () => answer(api.GET('/api/site')),
  staleTime: Infinity,
});
/** All pages and posts by name, in the order of the menu: to be chosen from, and for lists to be laid out. */
export const pageNames = () => ({
  queryKey: ['pages', 'names'],
  queryFn: () => answer(api.GET('/api/pages/outline')),
});
/** How many pages are asked for at a time. */
export const cardsAtATime = 24;
/** So many pages of a kind with all that their cards say. */
export const pageCards = (kind: string, number: number) => ({
  queryKey: ['pages', 'cards', kind, number],
  queryFn: () =>
    answer(api.GET('/api/pages', { params: { query: { kind, skip: number * cardsAtATime, take: cardsAtATime } } })),
});
export const arrangementList = () => ({
  queryKey: ['arrangements'],
  queryFn: () => answer(api.GET('/api/arrangements')),
});
export const bannerList = () => ({ queryKey: ['banners'], queryFn: () => answer(api.GET('/api/banners')) });
export const publishPreview = () => ({ queryKey: ['publish'], queryFn: () => answer(api.GET('/api/publish')) });
export const keptSearches = () => ({ queryKey: ['searches'], queryFn: () => answer(api.GET('/api/searches')) });
export const ownColumns = () => ({ queryKey: ['files', 'columns'], queryFn: () => answer(api.GET('/api/columns')) });
export const onePicture = (id: string) => ({
  queryKey: ['files', 'one', id],
  queryFn: () => answer(api.GET('/api/files/{id}', { params: { path: { id } } })),
});

/** How many pictures are asked for at a time. */
export const pageSize = 120;

/** A place that pictures are looked at through. */
export type Through = { size: string; shape: string };

/** One page of the library's pictures for a search; through a place, best first. What is out of view is soon let go. */
export const picturePage = (line: string, through: Through | null, number: number) => ({
  queryKey: ['files', 'search', line, through, number],
  queryFn: async ({ signal }: { signal: AbortSignal }) => {
    const query = { query: line, skip: number * pageSize, take: pageSize, ...through };
    return {
      ...(await answer(api.GET('/api/files', { params: { query }, signal }))),
      of: keyOf(line, through),
      number,
    };
  },
  structuralSharing: false,
  gcTime: number === 0 ? 300_000 : 10_000,
});

/** The order and shape of all that a search finds. */
export const outline = (line: string, through: Through | null) => ({
  queryKey: ['files', 'outline', line, through],
  queryFn: async ({ signal }: { signal: AbortSignal }) => {
    const query = { query: line, ...through };
    return {
      ...(await answer(api.GET('/api/files/outline', { params: { query }, signal }))),
      of: keyOf(line, through),
    };
  },
  structuralSharing: false,
  gcTime: 10_000,
});

/** Tells what one search answers from what another does. */
const keyOf = (line: string, through: Through | null) => JSON.stringify([line, through]);

export const thesePictures = (ids: string[]) => ({
  queryKey: ['files', 'these', ids],
  queryFn: async () => (await answer(api.POST('/api/files/these', { body: { ids } }))).items,
});
