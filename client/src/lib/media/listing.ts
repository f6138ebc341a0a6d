import { count } from '$lib/model/words';
import Papa from 'papaparse';
import type { FileItem, Schemas } from '$lib/api/client';
import { ownWord, wordLabels, type WordName } from '$lib/model/wordLabels';

/** A column of the list: a word that every library has, or one of the site's own. */
export type Column = { key: string; label: string; word?: WordName };

const words: WordName[] = ['title', 'alt', 'caption', 'credit', 'keywords', 'folder'];

/** The columns that the list shows and takes, in their order. */
export const columnsWith = (own: readonly string[]): Column[] => [
  ...words.map((word) => ({ key: word, label: wordLabels[word], word })),
  ...own.map((name) => ({ key: `own-${name.toLowerCase().replaceAll(' ', '-')}`, label: name })),
];

const wordIn = (item: FileItem, column: Column) =>
  column.word ? item.words[column.word] : ownWord(item, column.label);

/** Words that wait to be kept, by picture and by column's key. */
export type Waiting = Record<string, Record<string, string>>;

/** Copied cells of a spreadsheet: rows of cells; null where it is one cell's text and nothing more. */
export function cellsOf(text: string): string[][] | null {
  const trimmed = text.replace(/\r?\n$/, '');
  if (!/[\t\n]/.test(trimmed)) return null;
  return Papa.parse<string[]>(trimmed, { delimiter: '\t', quoteChar: '"' }).data;
}

/** What copied cells change, laid from a cell of the first picture on to the right and down. */
export function pasted(items: FileItem[], columns: Column[], first: number, cells: string[][]): Waiting {
  const waiting: Waiting = {};
  cells.slice(0, items.length).forEach((row, i) => {
    const item = items[i]!;
    row.slice(0, columns.length - first).forEach((cell, j) => {
      const column = columns[first + j]!;
      const text = cell.trim();
      if (text !== wordIn(item, column)) (waiting[item.id] ??= {})[column.key] = text;
    });
  });
  return waiting;
}

/** What is to be kept: only what differs, with the version each picture was read at. */
export const changesOf = (items: FileItem[], columns: Column[], waiting: Waiting): Schemas['OneChange'][] =>
  items
    .filter((item) => waiting[item.id])
    .map((item) => {
      const changed = columns.filter((column) => waiting[item.id]![column.key] !== undefined);
      const texts = (some: Column[]) =>
        Object.fromEntries(some.map((column) => [column.word ?? column.label, waiting[item.id]![column.key]]));
      const own = changed.filter((column) => !column.word);
      const change = { ...texts(changed.filter((column) => column.word)), ...(own.length > 0 && { own: texts(own) }) };
      return { id: item.id, version: item.version, change: change as Schemas['FileChange'] };
    });

/** The words as they are now, to go back to. */
export const before = (items: FileItem[], columns: Column[], waiting: Waiting): Waiting =>
  Object.fromEntries(
    items
      .filter((item) => waiting[item.id])
      .map((item) => [
        item.id,
        Object.fromEntries(
          columns
            .filter((column) => waiting[item.id]![column.key] !== undefined)
            .map((column) => [column.key, wordIn(item, column)]),
        ),
      ]),
  );

/** What is said of pictures whose words someone else had changed meanwhile; nothing where there are none. */
export const leftInWords = (left: number) =>
  left === 0
    ? ''
    : ` ${count(left, 'picture')} had been changed by someone else meanwhile ` +
      `and ${left === 1 ? 'is' : 'are'} as they left it.`;
