import type { Schemas } from '$lib/api/client';

type Values = Schemas['ArrangementValues'];

/** Values with one field, wherever it stands, as it is kept; null where that is no other. */
export function withKept(values: Values, kept: Values, field: string): Values | null {
  const put = <T extends object | null | undefined>(mine: T, theirs: T): T =>
    mine && theirs && field in mine && field in theirs ? { ...mine, [field]: theirs[field as never] } : mine;
  const next = {
    ...put(values, kept),
    gallery: put(values.gallery, kept.gallery),
    slider: put(values.slider, kept.slider),
    items: values.items.map((item) => put(item, kept.items.find(({ id }) => id === item.id) ?? item)),
  };
  return JSON.stringify(next) === JSON.stringify(values) ? null : next;
}
