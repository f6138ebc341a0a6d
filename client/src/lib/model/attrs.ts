import type { Schemas } from '$lib/api/client';

/** A window drawn by hand on one picture, in fractions of it. */
export type DrawnCut = { of: string; x: number; y: number; width: number; height: number };

/** What a figure has of its own on one class of screen; what is not given is as everywhere. */
export type FigureException = {
  hidden?: boolean;
  asset?: string;
  size?: FigureAttrs['size'];
  side?: FigureAttrs['side'];
  beside?: boolean;
  /** “as is” where it stands whole. */
  shape?: string;
  cut?: DrawnCut;
};
/** What stands round a picture, as it is written out. */
export type LookAttrs = Schemas['FrameStyleValues'];
export type WidthClass = 'phone' | 'tablet' | 'desktop';

/** What a figure holds: decisions only, as Core's reader takes them. */
export type FigureAttrs = {
  id: string | null;
  asset: string;
  /** “cell” in a cell of columns, which gives the size. */
  size: 'third' | 'half' | 'column' | 'wide' | 'edge' | 'cell' | number;
  side: 'left' | 'centre' | 'right';
  beside: boolean;
  shape: string | null;
  alt: string | null;
  decorative: boolean;
  captionSource: 'none' | 'title' | 'caption' | 'description' | 'credit' | 'own';
  caption: string;
  linkKind: 'none' | 'largeFile' | 'page' | 'address';
  linkTarget: string;
  cut: DrawnCut | null;
  at: Partial<Record<WidthClass, FigureException>> | null;
  /** One of the site's looks by its id, or one of its own. */
  look: string | LookAttrs | null;
  /** Plays where the picture stands, which is its still. */
  video: OwnVideo | HostedVideo | null;
};

/** A file of the library, by id. */
export type OwnVideo = {
  file: string;
  captions: string | null;
  controls: boolean;
  loops: boolean;
  startsItself: boolean;
};
/** As a file plays that was just put in. */
export const ownVideo = (file: string): OwnVideo => ({
  file,
  captions: null,
  controls: true,
  loops: false,
  startsItself: false,
});
/** One that another site plays. */
type HostedVideo = { address: string; player: string; title: string };

/** One number for each class of screen, phone first. */
export type Each = [number, number, number];

/** How high a piece with grounds is at least, and where its words stand. */
export type WordsPlace = {
  leastHeight: Each;
  across: 'left' | 'centre' | 'right';
  down: 'top' | 'middle' | 'bottom';
};
export type ColumnsAttrs = WordsPlace & { id: string | null; inRow: number; extent: 'column' | 'wide' };
export type ButtonAttrs = { id: string | null; link: string; kind: 'filled' | 'outline' };

/** A small picture among the words of a line. */
export type LinePictureAttrs = {
  id: string | null;
  asset: string;
  height: 'letters' | 'line';
  alt: string | null;
  decorative: boolean;
};
/** Files to take away; without words of its own each is called as in the library. */
export type FilesAttrs = { id: string | null; files: { file: string; words: string | null }[] };

/** A set of pictures that has a life of its own, by its id. */
export type ArrangementAttrs = { id: string | null; arrangement: string; reach: 'column' | 'wide' | 'edge' };

/** What stands behind the words of a band or a cell. */
export type GroundAttrs = {
  colour: string | null;
  picture: string | null;
  /** A file of the library that plays over the picture. */
  video: string | null;
  /** An arrangement whose pictures follow behind a band. */
  set: string | null;
  repeats: boolean;
  tint: string;
  tintStrength: Each;
  words: 'dark' | 'light';
};
export type CellAttrs = GroundAttrs & { id: string | null };
/** What a band has of its own on one class of screen; what is not given is as everywhere. */
export type BandException = Partial<Pick<WordsPlace, 'across' | 'down'>> & {
  picture?: string;
  /** What has to be seen there of the picture. */
  cut?: DrawnCut;
  /** Ids of its pieces of words that are left out there. */
  without?: string[];
};
export type BandAttrs = CellAttrs & WordsPlace & { at?: Partial<Record<WidthClass, BandException>> | null };

/** Nothing behind, and words where they stand without anybody's doing. */
export const placeDefaults: WordsPlace = { leastHeight: [0, 0, 0], across: 'left', down: 'middle' };
export const groundDefaults: GroundAttrs = {
  colour: null,
  picture: null,
  video: null,
  set: null,
  repeats: false,
  tint: '#000000',
  tintStrength: [0, 0, 0],
  words: 'dark',
};

/** The id of a new piece. */
export const newId = () => crypto.randomUUID().replaceAll('-', '').slice(0, 10);
