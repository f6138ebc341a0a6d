import type { FileItem } from '$lib/api/client';
import { ownField, pictures } from '$lib/keeping/pictures';
import type { Column } from '$lib/media/listing';

const fieldOf = (column: Column) => column.word ?? ownField(column.label);

/** Cells of the list that are typed into one by one; what one held before is had back in one step. */
export class TypedCells {
  private at = { cell: '', was: '' };
  last = $state.raw<{ item: FileItem; column: Column; was: string } | null>(null);

  text = (item: FileItem, column: Column) => pictures.of(item.id).value<string>(item, fieldOf(column));

  /** Whether what stands there is refused, or met what another window kept. */
  isOpen = (item: FileItem, column: Column) =>
    ['refused', 'split'].includes(pictures.of(item.id).at(fieldOf(column))?.stand ?? '');

  type(item: FileItem, column: Column, text: string) {
    const cell = cellOf(item, column);
    if (this.at.cell !== cell) this.at = { cell, was: this.text(item, column) };
    pictures.of(item.id).type(item, fieldOf(column), text);
  }

  /** @returns what is to be said, and what is wrong; null where nothing had been typed. */
  async leave(item: FileItem, column: Column): Promise<[said: string, problem: string] | null> {
    const words = pictures.of(item.id);
    const field = fieldOf(column);
    const { cell, was } = this.at;
    if (cell !== cellOf(item, column) || !words.at(field)) return null;
    this.at = { cell: '', was: '' };
    await words.leave(field);
    const left = words.at(field);
    if (!left) this.last = { item, column, was };
    if (left?.stand === 'split')
      return ['', `Changed elsewhere meanwhile, to “${String(left.theirs)}”: choose in the picture’s sheet.`];
    return left ? ['', left.sentence || words.offline] : ['Saved.', ''];
  }

  async putBack() {
    if (!this.last) return '';
    const { item, column, was } = this.last;
    this.last = null;
    await pictures.of(item.id).set(item, fieldOf(column), was);
    return 'As it was before.';
  }
}

const cellOf = (item: FileItem, column: Column) => `${item.id} ${column.key}`;
