import type { FigureAttrs, FigureException, LookAttrs } from './attrs';

export const classes = ['phone', 'tablet', 'desktop'] as const;
export const sides = ['left', 'centre', 'right'] as const;

export const sizes = ['third', 'half', 'column', 'wide', 'edge'] as const;

/** What the server calls each size. */
export type SizeNames = { role: string | null; name: string }[];

export const sizeWords = (size: FigureAttrs['size'], named: SizeNames) =>
  typeof size === 'number' ? `${size} px` : (named.find((one) => one.role === size)?.name ?? 'in a cell');

/** What is otherwise at one width, in words. */
export function exceptionWords(own: FigureException | undefined, named: SizeNames) {
  if (!own) return 'as everywhere';
  if (own.hidden) return 'hidden';
  const parts = [
    own.asset && 'another picture',
    own.size !== undefined && sizeWords(own.size, named),
    own.side,
    own.beside !== undefined && (own.beside ? 'text beside' : 'no text beside'),
    own.cut ? 'cut by hand' : own.shape,
  ];
  return parts.filter(Boolean).join(', ') || 'as everywhere';
}

/** A number for each class of screen with one of them changed. */
export const inEach = <T extends number[]>(list: T, i: number, value: number): T =>
  list.map((one, at) => (at === i ? value : one)) as T;

export const lineStyles = ['none', 'solid', 'dashed', 'dotted', 'double'] as const;

/** What stands round a picture, in words. */
export function lookWords(look: LookAttrs) {
  const round = look.roundPx ?? [];
  const parts = [
    look.line !== 'none' && look.linePx > 0 && `${look.linePx} px ${look.line}`,
    look.paddingPx > 0 && `${look.paddingPx} px round it`,
    round.some((px) => px > 0) && 'round corners',
    look.shadow && 'a shadow',
  ];
  return parts.filter(Boolean).join(', ') || 'plain';
}

export const captionSources = {
  none: 'none',
  title: "the picture's title",
  caption: "the picture's caption",
  description: "the picture's description",
  credit: "the picture's credit",
  own: 'own words',
} as const;

export const linkKinds = {
  none: 'nowhere',
  largeFile: 'the larger view',
  page: 'a page of this site',
  address: 'an address',
} as const;

export const textKinds = [
  ['paragraph', 'Text'],
  ['heading2', 'Heading'],
  ['heading3', 'Subheading'],
  ['heading4', 'Minor heading'],
  ['bulletList', 'List'],
  ['orderedList', 'Numbers'],
  ['blockquote', 'Quote'],
  ['button', 'Button'],
] as const;

/** A link as the server writes it, as where a click on a picture leads. */
export const linkOf = (written: string) =>
  /^page:[^#]+$/.test(written)
    ? ({ linkKind: 'page', linkTarget: written.slice(5) } as const)
    : ({ linkKind: 'address', linkTarget: written } as const);
