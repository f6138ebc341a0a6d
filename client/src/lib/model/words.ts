/** 61000 → "61 kB". */
export function weight(bytes: number) {
  if (bytes < 1000) return `${Math.round(bytes)} B`;
  if (bytes < 995_000) return `${bytes < 10_000 ? (bytes / 1000).toFixed(1) : Math.round(bytes / 1000)} kB`;
  return `${(bytes / 1e6).toFixed(1)} MB`;
}

export const count = (n: number, one: string, many = one + 's') => `${n} ${n === 1 ? one : many}`;

export const timeOf = (at: string | number) =>
  new Intl.DateTimeFormat(undefined, { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' }).format(new Date(at));

export const dayOf = (iso: string) =>
  new Intl.DateTimeFormat(undefined, { day: 'numeric', month: 'short', year: 'numeric' }).format(new Date(iso));

/** Where a keep area comes from; where nothing stands out there is none. */
export const keepSaid = (keep: { byHand: boolean } | null | undefined) =>
  !keep ? 'no clear subject' : keep.byHand ? 'set by hand' : 'a first guess';
export const keepsMiddle =
  'Nothing stands out clearly, so cuts keep the middle. Move the box over what must stay in view.';

/** How the tool writes the names that the server uses for what is still to be mended. */
export const markWords: Record<string, string> = {
  noAlt: 'no alt',
  fileNameAsTitle: 'file name as title',
  soft: 'soft',
};
