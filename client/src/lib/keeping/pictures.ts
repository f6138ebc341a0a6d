import { answer, api, outlives, type FileItem, type Schemas } from '$lib/api/client';
import { askAnew, onePicture, queryClient } from '$lib/api/queries';
import { ownWord, type WordName } from '$lib/model/wordLabels';
import { fieldsOf } from './fieldsOf';

/** The field of a column of the site's own. */
export const ownField = (name: string) => `own:${name}`;

/** What is typed of the library's pictures, in whichever place. */
export const pictures = fieldsOf<FileItem>({
  kind: 'picture',
  load: async (id) => (await askAnew(onePicture(id))).file,
  read: (item, field) =>
    field === 'keep'
      ? item.keep && boxOf(item.keep)
      : field === 'hasOwnAddress'
        ? item.ownAddress !== null
        : field.startsWith('own:')
          ? ownWord(item, field.slice(4))
          : item.words[field as WordName],
  send: (item, change) =>
    answer(
      api.PATCH('/api/files/{id}', {
        params: { path: { id: item.id } },
        headers: { 'If-Match': `"${item.version}"` },
        body: changeOf(change),
        keepalive: outlives(change),
      }),
    ),
  kept: (item) => {
    queryClient.setQueryData(
      onePicture(item.id).queryKey,
      (old: Schemas['FileDetail'] | undefined) => old && { ...old, file: item },
    );
    void queryClient.invalidateQueries({ queryKey: ['files'] });
  },
});

export type Box = { x: number; y: number; width: number; height: number };
const boxOf = ({ x, y, width, height }: Box): Box => ({ x, y, width, height });

function changeOf(change: Record<string, unknown>): Schemas['FileChange'] {
  const own = Object.entries(change).filter(([field]) => field.startsWith('own:'));
  const { keep, ...rest } = Object.fromEntries(Object.entries(change).filter(([field]) => !field.startsWith('own:')));
  return {
    ...rest,
    ...(keep ? { keep: { ...(keep as Box), byHand: true } } : {}),
    ...(own.length > 0
      ? { own: Object.fromEntries(own.map(([field, text]) => [field.slice(4), text as string])) }
      : {}),
  };
}
