import { answer, api, outlives, Problem, sentenceOf, type Schemas } from '$lib/api/client';

type Values = Schemas['BannerValues'];
type Kept = Schemas['BannerResponse'];

/** What of a banner a sentence about one field is about. */
const partsOf: Record<string, (keyof Values)[]> = {
  name: ['name'],
  targets: ['targets'],
  dates: ['from', 'until', 'yearly'],
  band: ['band'],
};

/** Keeps a banner: what is refused stays as it is kept, and the rest goes without it. */
export async function sendBanner(id: string, kept: Kept, values: Values) {
  let [body, field, sentence] = [values, '', ''];
  for (;;) {
    try {
      const put = api.PUT('/api/banners/{id}', {
        params: { path: { id } },
        headers: { 'If-Match': `"${kept.version}"` },
        body,
        keepalive: outlives(body),
      });
      return { now: await answer(put), field, sentence };
    } catch (error) {
      const parts = error instanceof Problem && error.status === 400 ? partsOf[error.field ?? ''] : undefined;
      if (!parts || parts.every((part) => body[part] === kept.values[part])) throw error;
      [field, sentence] = [(error as Problem).field!, sentenceOf(error)];
      body = { ...body, ...Object.fromEntries(parts.map((part) => [part, kept.values[part]])) };
    }
  }
}
