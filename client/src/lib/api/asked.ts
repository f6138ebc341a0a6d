/** What was asked of the server and answered, kept for whoever asks next. */
import { CancelledError, QueryClient } from '@tanstack/svelte-query';

export const queryClient = new QueryClient({ defaultOptions: { queries: { staleTime: 5_000, retry: 1 } } });

/** What a change was answered with is known from then on: an answer that was asked for before it comes too late. */
export async function know(queryKey: readonly unknown[], data: unknown) {
  await queryClient.cancelQueries({ queryKey, exact: true });
  queryClient.setQueryData(queryKey, data);
}

/**
 * As it stands from now on. A question that is already under way may have been asked before the change that is meant,
 * so its answer is not taken; whoever waited for it gets this one.
 */
export async function askAnew<T>(query: { queryKey: readonly unknown[]; queryFn: () => Promise<T> }): Promise<T> {
  await queryClient.cancelQueries({ queryKey: query.queryKey, exact: true });
  for (;;) {
    try {
      return await queryClient.fetchQuery({ ...query, staleTime: 0 });
    } catch (error) {
      // Somebody asked still later: theirs is awaited.
      if (!(error instanceof CancelledError)) throw error;
    }
  }
}
