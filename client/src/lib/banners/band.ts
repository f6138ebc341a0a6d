import type { BandAttrs, BandException, WidthClass } from '$lib/model/attrs';

type Piece = { type: string; attrs?: Record<string, unknown>; content?: Piece[]; text?: string };

/** The piece that a banner is, as documents write it. */
export type Band = { type: 'band'; attrs: BandAttrs & { link?: string }; content?: Piece[] };

/** What it says: a small line, a title, some text, and up to two buttons. */
export type BannerWords = {
  line: string;
  title: string;
  text: string;
  buttons: { text: string; link: string }[];
};

const textOf = (piece: Piece | undefined): string =>
  piece?.text ?? (piece?.content ?? []).map((one) => (one.type === 'hardBreak' ? '\n' : textOf(one))).join('');

/** The words of a banner: what stands before its title is the small line. */
export function wordsOf(band: Band): BannerWords {
  const pieces = band.content ?? [];
  const at = pieces.findIndex((piece) => piece.type === 'heading');
  const said = (from: Piece[]) => from.filter((piece) => piece.type === 'paragraph').map(textOf);
  return {
    line: at > 0 ? said(pieces.slice(0, at)).join('\n') : '',
    title: textOf(pieces[at]),
    text: said(pieces.slice(at + 1)).join('\n'),
    buttons: pieces
      .filter((piece) => piece.type === 'button')
      .map((piece) => ({ text: textOf(piece), link: String(piece.attrs?.link ?? '') })),
  };
}

/** The same banner with other words. */
export function withWords(band: Band, { line, title, text, buttons }: BannerWords): Band {
  const content = (words: string): Piece[] =>
    words
      .split('\n')
      .flatMap((part, i) => [
        ...(i > 0 ? [{ type: 'hardBreak' }] : []),
        ...(part === '' ? [] : [{ type: 'text', text: part }]),
      ]);
  const named = (id: string) => ({ id: `banner-${id}` });
  // Without a title a line before it is text like the rest.
  const pieces: (Piece | false)[] = [
    line !== '' &&
      title !== '' && { type: 'paragraph', attrs: { ...named('line'), small: true }, content: content(line) },
    title !== '' && { type: 'heading', attrs: { ...named('title'), level: 2 }, content: content(title) },
    (text !== '' || (line !== '' && title === '')) && {
      type: 'paragraph',
      attrs: named('text'),
      content: content(text || line),
    },
    ...buttons
      .filter((button) => button.text !== '' || button.link !== '')
      .map((button, i) => ({
        type: 'button',
        attrs: { ...named(`button-${i + 1}`), link: button.link, kind: i === 0 ? 'filled' : 'outline' },
        content: content(button.text),
      })),
  ];
  return { ...band, content: pieces.filter((piece) => piece !== false) };
}

/** Pieces of words that may be left out at a width: all but the title. */
export function saidIn(band: Band) {
  const pieces = (band.content ?? []).filter((piece) => piece.attrs?.id);
  const at = pieces.findIndex((piece) => piece.type === 'heading');
  return pieces
    .map((piece, i) => ({
      id: String(piece.attrs!.id),
      name: piece.type === 'button' ? 'Button' : i < at ? 'Small line' : 'Text',
      words: textOf(piece),
      type: piece.type,
    }))
    .filter((piece) => piece.type !== 'heading');
}

/** What is otherwise at one width, in words. */
export function exceptionWords(band: Band, c: WidthClass) {
  const own = band.attrs.at?.[c];
  const fewer = saidIn(band).filter((piece) => own?.without?.includes(piece.id)).length;
  const parts = [
    own?.picture && 'another picture',
    own?.cut && 'another part of it',
    own?.across && `words ${own.down ?? band.attrs.down}, ${own.across}`,
    fewer > 0 && 'fewer words',
  ];
  return parts.filter(Boolean).join(', ') || 'as everywhere';
}

/** The exceptions with one of them changed; null takes it away. */
export function withException(band: Band, c: WidthClass, change: BandException | null) {
  const all: Partial<Record<WidthClass, BandException>> = { ...band.attrs.at };
  const own =
    change && Object.fromEntries(Object.entries({ ...all[c], ...change }).filter(([, value]) => isSaid(value)));
  if (own && Object.keys(own).length > 0) all[c] = own;
  else delete all[c];
  return Object.keys(all).length > 0 ? all : null;
}

const isSaid = (value: unknown) => value !== undefined && !(Array.isArray(value) && value.length === 0);
