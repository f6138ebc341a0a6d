import { answer, api, type Schemas } from '$lib/api/client';

export const otherFiles = (query: string) => ({
  queryKey: ['files', 'others', query],
  queryFn: () => answer(api.GET('/api/downloads', { params: { query: { query } } })),
});
/** Those of them that can be chosen. */
export const thereOf = (files: Schemas['DownloadItem'][] | undefined, is: (file: Schemas['DownloadItem']) => boolean) =>
  files?.filter((file) => !file.awaySince && is(file)) ?? [];
export const isVideo = ({ kind }: Schemas['DownloadItem']) => kind === 'video';
export const isCaptions = ({ mediaType }: Schemas['DownloadItem']) => mediaType === 'text/vtt';
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
