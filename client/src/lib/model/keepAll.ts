import { answer, api, type Schemas } from '$lib/api/client';

/** Takes all pictures of a proposal into the library; the words come back with them, for no page yet. */
export async function keepAll(found: Schemas['ProposalResponse']) {
  const kept = await answer(
    api.POST('/api/intake/{id}/keep', {
      params: { path: { id: found.id } },
      body: {
        pictures: found.pictures.map(({ file }) => ({ id: file.id, words: {} })),
        page: null,
        newKind: null,
        newTitle: null,
        after: null,
      },
    }),
  );
  const refused = kept.files.filter((file) => file.error).map((file) => ({ name: file.name, sentence: file.error! }));
  return { words: kept.words as { content?: unknown[] } | null, leftOut: [...found.leftOut, ...refused] };
}
