import { linkSync, mkdirSync, mkdtempSync, rmSync, writeFileSync, copyFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { root } from './server';

/**
 * A site drawn from a number: pictures, places, texts, and the site's own widths. The same number makes the same site.
 */
export function randomSite(seed: number) {
  const random = mulberry(seed);
  const { int, some } = choosing(random);
  const files = some(pictures, 8);
  const { figure, piece } = piecesFrom(random, files);
  const tablet = int(500, 900);
  const desktop = int(tablet + 150, 1400);
  const style = {
    name: `Random site ${seed}`,
    classes: {
      tabletFromPx: tablet,
      desktopFromPx: desktop,
      referencePx: { phone: 390, tablet: int(tablet, desktop - 1), desktop: desktop + int(0, 300) },
    },
    paddingPx: { phone: int(8, 24), tablet: int(16, 48), desktop: int(16, 64) },
    columnPx: int(480, 860),
    widePx: int(900, 1400),
    gutterPx: int(8, 40),
    textPx: int(15, 21),
  };
  const pages = Array.from({ length: process.env.DEKORO_ALL ? 3 : 2 }, (_, p) => ({
    id: `p${p}`,
    kind: 'page',
    title: words(random, int(1, 5)),
    path: p === 0 ? '' : `page-${p}`,
    summary: '',
    document: {
      type: 'doc',
      content: [
        figure(`p${p}first`),
        ...Array.from({ length: int(4, process.env.DEKORO_ALL ? 14 : 9) }, (_, i) => piece(`p${p}b${i}`)),
      ],
    },
  }));

  const folder = mkdtempSync(join(tmpdir(), 'dekoro-random-'));
  mkdirSync(join(folder, 'files'));
  for (const file of files) {
    const [from, to] = [join(root, 'demo/files', file), join(folder, 'files', file)];
    try {
      linkSync(from, to);
    } catch {
      copyFileSync(from, to);
    }
  }
  writeFileSync(join(folder, 'site.json'), JSON.stringify({ style, pictures: {}, pages }));
  return { folder, pages: pages.length, remove: () => rmSync(folder, { recursive: true }) };
}

export const choosing = (random: () => number) => {
  const int = (from: number, to: number) => from + Math.floor(random() * (to - from + 1));
  return {
    int,
    one: <T>(list: readonly T[]): T => list[int(0, list.length - 1)]!,
    some: <T>(list: readonly T[], count: number) => [...list].sort(() => random() - 0.5).slice(0, count),
  };
};

export type Piece = { type: string; attrs?: Record<string, unknown>; content?: Piece[]; text?: string };

/** Pieces of pages, of every kind there is. */
export function piecesFrom(random: () => number, files: readonly string[]) {
  const { int, one } = choosing(random);
  const shapeOf = () => one(['3:2', '16:9', '1:1', '4:5', `${int(1, 9)}:${int(1, 9)}`]);
  const sizeOf = () => (random() < 0.25 ? int(40, 1600) : one(['third', 'half', 'column', 'wide', 'edge']));
  const cutOf = (of: string) => ({
    of,
    x: int(0, 4) / 10,
    y: int(0, 4) / 10,
    width: int(2, 6) / 10,
    height: int(2, 6) / 10,
  });
  const exception = () => {
    const asset = random() < 0.3 ? one(files) : undefined;
    return {
      hidden: random() < 0.2,
      asset,
      size: random() < 0.5 ? sizeOf() : undefined,
      side: random() < 0.3 ? one(['left', 'centre', 'right']) : undefined,
      beside: random() < 0.3 ? random() < 0.5 : undefined,
      shape: random() < 0.3 ? one(['as is', shapeOf()]) : undefined,
      cut: asset && random() < 0.3 ? cutOf(asset) : undefined,
    };
  };
  const exceptions = () =>
    random() < 0.35 ? { phone: exception(), tablet: random() < 0.5 ? exception() : null } : null;
  const figure = (id: string, asset = one(files)) => ({
    type: 'figure',
    attrs: {
      id,
      at: exceptions(),
      look:
        random() < 0.2
          ? {
              line: one(['none', 'solid', 'double']),
              linePx: int(0, 12),
              paddingPx: int(0, 24),
              background: '#ffffff',
              roundPx: [int(0, 40), 0, 8, 999],
            }
          : null,
      cut: random() < 0.1 ? cutOf(asset) : null,
      asset,
      size: sizeOf(),
      side: one(['left', 'centre', 'right']),
      beside: random() < 0.6,
      shape: random() < 0.4 ? null : shapeOf(),
      decorative: random() < 0.3,
      alt: 'A picture of the museum',
      captionSource: one(['none', 'own']),
      caption: words(random, int(2, 30)),
      linkKind: one(['none', 'none', 'largeFile']),
    },
  });
  let inLines = 0;
  const inLine = () => ({
    type: 'linePicture',
    attrs: { id: `line${++inLines}`, asset: one(files), height: one(['letters', 'line']), decorative: true },
  });
  const paragraph = () => ({
    type: 'paragraph',
    content: [
      { type: 'text', text: words(random, int(1, 120)) },
      ...(random() < 0.25 ? [inLine(), { type: 'text', text: words(random, int(1, 20)) }] : []),
    ],
  });
  const each = (most: number) => [int(0, most), int(0, most), int(0, most)];
  const button = () => ({
    type: 'button',
    attrs: { link: 'https://kites.example/', kind: one(['filled', 'outline']) },
    content: [{ type: 'text', text: words(random, int(1, 5)) }],
  });
  const ground = () => ({
    picture: random() < 0.5 ? one(files) : null,
    repeats: random() < 0.2,
    colour: one([null, '#143c58', '#fdfcf8']),
    words: one(['dark', 'light']),
    tintStrength: each(200),
  });
  const columns = (id: string) => ({
    type: 'columns',
    attrs: {
      id,
      inRow: int(2, 6),
      extent: one(['column', 'wide']),
      leastHeight: random() < 0.2 ? each(400) : null,
      across: one(['left', 'centre', 'right']),
      down: one(['top', 'middle', 'bottom']),
    },
    content: Array.from({ length: int(1, 7) }, (_, i) => ({
      type: 'cell',
      attrs: { id: `${id}c${i}`, ...(random() < 0.4 ? ground() : {}) },
      content: [
        ...(random() < 0.8 ? [figure(`${id}c${i}f`)] : []),
        ...Array.from({ length: int(0, 2) }, () => ({
          type: 'paragraph',
          content: [{ type: 'text', text: words(random, int(1, 20)) }],
        })),
        ...(random() < 0.2 ? [button()] : []),
      ],
    })),
  });
  const bandException = (id: string) => {
    const picture = random() < 0.4 ? one(files) : undefined;
    return {
      picture,
      cut: picture && random() < 0.5 ? cutOf(picture) : undefined,
      across: random() < 0.4 ? one(['left', 'centre', 'right']) : undefined,
      down: random() < 0.4 ? one(['top', 'middle', 'bottom']) : undefined,
      without: random() < 0.5 ? [`${id}w`] : [],
    };
  };
  const band = (id: string) => ({
    type: 'band',
    attrs: {
      id,
      ...ground(),
      leastHeight: each(500),
      across: one(['left', 'centre', 'right']),
      down: one(['top', 'middle', 'bottom']),
      at: random() < 0.4 ? { phone: bandException(id), desktop: random() < 0.4 ? bandException(id) : undefined } : null,
    },
    content: [
      { type: 'heading', attrs: { level: int(2, 4) }, content: [{ type: 'text', text: words(random, int(1, 8)) }] },
      ...(random() < 0.5 ? [figure(`${id}f`)] : []),
      ...(random() < 0.3 ? [columns(`${id}c`)] : []),
      { ...paragraph(), attrs: { id: `${id}w` } },
      ...(random() < 0.3 ? [button()] : []),
    ],
  });
  const piece = (id: string) => {
    const kind = random();
    if (kind < 0.34) return figure(id);
    if (kind < 0.42) return band(id);
    if (kind < 0.5) return columns(id);
    if (kind < 0.8) return paragraph();
    if (kind < 0.88)
      return {
        type: 'heading',
        attrs: { level: int(2, 4) },
        content: [{ type: 'text', text: words(random, int(1, 8)) }],
      };
    if (kind < 0.94)
      return {
        type: one(['bulletList', 'orderedList']),
        content: Array.from({ length: int(1, 5) }, () => ({ type: 'listItem', content: [paragraph()] })),
      };
    if (kind < 0.96) return button();
    if (kind < 0.98) return { type: 'blockquote', content: [paragraph()] };
    return { type: 'horizontalRule' };
  };
  return {
    figure: figure as (id: string) => Piece,
    piece: piece as (id: string) => Piece,
    paragraph: paragraph as () => Piece,
  };
}

/** So many words of the museum, as a sentence. */
export const words = (random: () => number, count: number) =>
  Array.from({ length: count }, () => vocabulary[Math.floor(random() * vocabulary.length)]!).join(' ') + '.';

const vocabulary = (
  'kite wind sand line sail dune spar bridle reel tide lantern gull pier hut hand sky knot silk bamboo string warden ' +
  'afternoon well-worn half-past north-east Vanes “Avenue” 1987 18-metre Tower, Yawl, wave-tossed'
).split(' ');

/** Of every kind, none so large that making its files holds the test up. */
const pictures = [
  'line-reel.jpg',
  'tail-in-the-wind.gif',
  'bunting.svg',
  'kite-cut-out.png',
  'two-lanterns.jpg',
  'patchwork-sail.png',
  'serpent-small.jpg',
  'workshop-window.jpg',
  'box-kite-winter.webp',
  'bridle-knots.avif',
  'lighthouse-turned.jpg',
  'wave-rokkaku-grey-day.jpg',
  'museum-door.jpg',
  'silk-reds-and-golds.webp',
];

/** A small generator with a seed (mulberry32). */
export function mulberry(seed: number) {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}
