import { answer, api, outlives, type Schemas } from '$lib/api/client';
import { askAnew, queryClient } from '$lib/api/queries';
import { oneFile } from '$lib/media/otherFiles';
import { fieldsOf } from './fieldsOf';

type Detail = Schemas['DownloadDetail']['file'];

/** What is typed of the library's other files. */
export const files = fieldsOf<Detail>({
  kind: 'file',
  load: async (id) => (await askAnew(oneFile(id))).file,
  read: (item, field) => (field === 'isAway' ? item.awaySince !== null : item[field as keyof Detail]),
  send: (item, change) =>
    answer(
      api.PATCH('/api/downloads/{id}', {
        params: { path: { id: item.id } },
        headers: { 'If-Match': `"${item.version}"` },
        body: change as Schemas['DownloadChange'],
        keepalive: outlives(change),
      }),
    ),
  kept: (item) => {
    queryClient.setQueryData(
      oneFile(item.id).queryKey,
      (old: Schemas['DownloadDetail'] | undefined) => old && { ...old, file: item },
    );
    void queryClient.invalidateQueries({ queryKey: ['files'] });
  },
});
