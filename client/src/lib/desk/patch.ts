import type { Schemas } from '$lib/api/client';

type Change = Schemas['DraftChange'];
export type Operation = { op: 'add' | 'remove' | 'replace'; path: string; value?: unknown };

const blocksOf = (change: Change) => (change.document as { content?: unknown[] }).content ?? [];

/**
 * What makes one draft of another (JSON Patch, RFC 6902): pieces that changed, came or went, and the page's own words.
 */
export function patchOf(before: Change, now: Change): Operation[] {
  const words = (['title', 'path', 'summary'] as const)
    .filter((name) => before[name] !== now[name])
    .map((name) => ({ op: 'replace' as const, path: `/${name}`, value: now[name] }));
  const [old, pieces] = [blocksOf(before).map(written), blocksOf(now)];
  const fresh = pieces.map(written);
  let from = 0;
  while (from < old.length && from < fresh.length && old[from] === fresh[from]) from++;
  let [oldTo, freshTo] = [old.length, fresh.length];
  while (oldTo > from && freshTo > from && old[oldTo - 1] === fresh[freshTo - 1])
    [oldTo, freshTo] = [oldTo - 1, freshTo - 1];
  const operations: Operation[] = words;
  const kept = Math.min(oldTo, freshTo);
  for (let i = from; i < kept; i++)
    if (old[i] !== fresh[i]) operations.push({ op: 'replace', path: `/document/content/${i}`, value: pieces[i] });
  for (let i = kept; i < freshTo; i++) operations.push({ op: 'add', path: `/document/content/${i}`, value: pieces[i] });
  for (let i = oldTo - 1; i >= kept; i--) operations.push({ op: 'remove', path: `/document/content/${i}` });
  return operations;
}

const written = (piece: unknown) => JSON.stringify(piece);
