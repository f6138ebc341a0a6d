import { answer, api } from '$lib/api/client';

export const otherFiles = (query: string) => ({
  queryKey: ['files', 'others', query],
  queryFn: () => answer(api.GET('/api/downloads', { params: { query: { query } } })),
});
export const oneFile = (id: string) => ({
  queryKey: ['files', 'other', id],
  queryFn: () => answer(api.GET('/api/downloads/{id}', { params: { path: { id } } })),
});
export const kindWords: Record<string, string> = {
  pdf: 'document',
  sound: 'sound',
  video: 'video',
  archive: 'packed files',
  office: 'document',
  text: 'text',
};
