import { Fields, type Source } from './fields.svelte';

/** The fields of all things of one kind: of each there is one, whichever place shows it. */
export function fieldsOf<T extends { version: number }>(source: Source<T>) {
  const all = new Map<string, Fields<T>>();
  const of = (id: string) => {
    const found = all.get(id) ?? new Fields(id, source);
    all.set(id, found);
    return found;
  };
  return { kind: source.kind, of, flush: () => Promise.all([...all.values()].map((fields) => fields.now())) };
}
