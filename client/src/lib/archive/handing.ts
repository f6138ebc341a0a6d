import { answer, api, type Schemas } from '$lib/api/client';
import { queryClient } from '$lib/api/queries';

export type Deposit = Schemas['DepositResponse'];

/** Where pictures are handed to the archive. */
export const depositAddress = () => ({
  queryKey: ['archive', 'deposits', 'at'],
  queryFn: () => answer(api.GET('/api/deposits/at')),
});

/** What has not reached the archive yet. */
export const depositList = () => ({
  queryKey: ['files', 'deposits'],
  queryFn: () => answer(api.GET('/api/deposits')),
});

async function then<T>(asked: Promise<T>) {
  const came = await asked;
  await queryClient.invalidateQueries({ queryKey: ['files'] });
  return came;
}

/** Pictures go there with their words, now or as soon as the archive can be reached. */
export const handOver = (ids: string[]) => then(answer(api.POST('/api/deposits', { body: { ids } })));

/** Words that changed since go there too. */
export const handOnWords = (id: string) =>
  then(answer(api.POST('/api/deposits/{id}/words', { params: { path: { id } } })));

/** One that is not there yet stays here. */
export const keepHere = (id: string) => then(answer(api.DELETE('/api/deposits/{id}', { params: { path: { id } } })));

/** How far a picture is, in words. */
export function depositSaid({ state, handedAt }: Deposit) {
  if (handedAt && state === 'waiting') return 'new words wait';
  if (handedAt) return 'handed over';
  return state === 'refused' ? 'refused' : 'waits to be handed over';
}
