import type { Schemas } from '$lib/api/client';

/** How the words of a picture are called wherever they are asked for. */
export const wordLabels: Record<keyof Schemas['Words'], string> = {
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
