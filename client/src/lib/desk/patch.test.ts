import { expect, it } from 'vitest';
import { patchOf, type Operation } from './patch';

type Draft = Parameters<typeof patchOf>[0];
const draft = (title: string, ids: number[]): Draft => ({
  title,
  path: null,
  summary: null,
  document: { type: 'doc', content: ids.map((id) => ({ type: 'paragraph', attrs: { id } })) },
});

/** As the server applies it (RFC 6902), for what is told here. */
function applied(before: Draft, operations: Operation[]): Draft {
  const now = structuredClone(before) as Draft & Record<string, unknown>;
  const content = (now.document as unknown as { content: unknown[] }).content;
  for (const { op, path, value } of operations) {
    const at = /^\/document\/content\/(\d+)$/.exec(path);
    if (!at) now[path.slice(1)] = value;
    else content.splice(Number(at[1]), op === 'add' ? 0 : 1, ...(op === 'remove' ? [] : [value]));
  }
  return now;
}

it('What is told of a change makes one draft of the other, whatever came, went or changed', () => {
  let seed = 7;
  const random = (below: number) => (seed = (seed * 48271) % 2147483647) % below;
  for (let i = 0; i < 500; i++) {
    const ids = () => Array.from({ length: random(7) }, () => random(5));
    const [before, now] = [draft('A', ids()), draft(random(2) ? 'A' : 'B', ids())];
    expect(applied(before, patchOf(before, now))).toEqual(now);
  }
});

it('Of a long page one changed piece alone is told', () => {
  const [before, now] = [draft('A', [...Array(300).keys()]), draft('A', [...Array(300).keys()])];
  (now.document as unknown as { content: object[] }).content[150] = { type: 'paragraph', attrs: { id: 'new' } };
  expect(patchOf(before, now)).toEqual([
    { op: 'replace', path: '/document/content/150', value: { type: 'paragraph', attrs: { id: 'new' } } },
  ]);
});
