import Papa from 'papaparse';
import type { FileItem, Schemas } from '$lib/api/client';

/** The words that the list shows and takes, in the order of its columns. */
export const columns = ['title', 'alt', 'caption', 'credit', 'keywords', 'folder'] as const;
export type Column = (typeof columns)[number];

/** Words that wait to be kept, by picture. */
export type Waiting = Record<string, Partial<Record<Column, string>>>;

/** Copied cells of a spreadsheet: rows of cells; null where it is one cell's text and nothing more. */
export function cellsOf(text: string): string[][] | null {
  const trimmed = text.replace(/\r?\n$/, '');
  if (!/[\t\n]/.test(trimmed)) return null;
  return Papa.parse<string[]>(trimmed, { delimiter: '\t', quoteChar: '"' }).data;
}

/** What copied cells change, laid from a cell of the first picture on to the right and down. */
export function pasted(items: FileItem[], column: Column, cells: string[][]): Waiting {
  const first = columns.indexOf(column);
  const waiting: Waiting = {};
  cells.slice(0, items.length).forEach((row, i) => {
    const item = items[i]!;
    row.slice(0, columns.length - first).forEach((cell, j) => {
      const name = columns[first + j]!;
      const text = cell.trim();
      if (text !== item.words[name]) (waiting[item.id] ??= {})[name] = text;
    });
  });
  return waiting;
}

/** What is to be kept: only what differs, with the version each picture was read at. */
export const changesOf = (items: FileItem[], waiting: Waiting): Schemas['OneChange'][] =>
  items
    .filter((item) => waiting[item.id])
    .map((item) => ({ id: item.id, version: item.version, change: waiting[item.id] as Schemas['FileChange'] }));

/** The words as they are now, to go back to. */
export const before = (items: FileItem[], waiting: Waiting): Waiting =>
  Object.fromEntries(
    items
      .filter((item) => waiting[item.id])
      .map((item) => [
        item.id,
        Object.fromEntries(Object.keys(waiting[item.id]!).map((name) => [name, item.words[name as Column]])),
      ]),
  );
