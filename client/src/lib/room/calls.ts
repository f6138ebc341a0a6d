import { answer, api, type Schemas } from '$lib/api/client';

export type Edits = Schemas['EditsResponse'];

/** What the server works out for the room; nothing of it is kept by asking. */
export const openRoom = (id: string) => answer(api.GET('/api/files/{id}/room', { params: { path: { id } } }));
export const scales = () => ({
  queryKey: ['scales'],
  queryFn: () => answer(api.GET('/api/room/scales')),
  staleTime: Infinity,
});
export const turned = (id: string, edits: Edits, quarters: number) =>
  answer(api.POST('/api/files/{id}/room/turn', { params: { path: { id }, query: { quarters } }, body: edits }));
export const cutTo = (id: string, edits: Edits, shape: string) =>
  answer(api.POST('/api/files/{id}/room/cut', { params: { path: { id }, query: { shape } }, body: edits }));
export const evened = (id: string) => answer(api.GET('/api/files/{id}/room/even', { params: { path: { id } } }));
export const guessed = (id: string) => answer(api.GET('/api/files/{id}/room/guess', { params: { path: { id } } }));
/** Where the version in use is sharpest, and how many of its px count. */
export const sharpestIn = (id: string) =>
  answer(api.GET('/api/files/{id}/room/sharpest', { params: { path: { id } } }));
