import type { FileItem, Schemas } from '$lib/api/client';

export type WordName = Exclude<keyof Schemas['PictureMetadata'], 'own'>;

/** How the words of a picture are called wherever they are asked for. */
export const wordLabels: Record<WordName, string> = {
  title: 'Title',
  alt: 'Alt text',
  caption: 'Caption',
  description: 'Description',
  credit: 'Credit',
  rights: 'Rights',
  folder: 'Folder',
  source: 'Source',
  keywords: 'Keywords',
};

/** What a picture has under a column of the site's own; names differ by no more than capitals. */
export const ownWord = (item: FileItem, name: string) =>
  Object.entries(item.words.own ?? {}).find(([one]) => one.toLowerCase() === name.toLowerCase())?.[1] ?? '';
