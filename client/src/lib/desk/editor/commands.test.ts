import { getSchema, type JSONContent } from '@tiptap/core';
import { EditorState, NodeSelection } from '@tiptap/pm/state';
import { describe, expect, it } from 'vitest';
import {
  at,
  caretAtEnd,
  isInBand,
  movedTo,
  posOf,
  takenOut,
  withAttributes,
  withDraft,
  withException,
} from './commands';
import type { FigureViews } from './figureView';
import { extensions, kinds, newPiece, type InsertedKind } from './nodes';
import { contentOf } from './pieces';

const schema = getSchema(extensions({} as FigureViews));
const words = (id: string, text: string) => ({ type: 'paragraph', attrs: { id }, content: [{ type: 'text', text }] });
const figure = (id: string) => ({ type: 'figure', attrs: { id, asset: 'a' } });
const band = (id: string, ...content: JSONContent[]) => ({ type: 'band', attrs: { id }, content });
const draft = (...content: JSONContent[]) => ({
  title: 'Kites',
  path: 'kites',
  summary: '',
  document: { type: 'doc', content },
});
const stateOf = (...content: JSONContent[]) =>
  EditorState.create({ doc: schema.nodeFromJSON(contentOf(draft(...content))) });
const order = ({ doc }: { doc: EditorState['doc'] }) => {
  const ids: string[] = [];
  doc.descendants((node) => {
    if (node.attrs.id) ids.push(node.attrs.id as string);
  });
  return ids;
};

describe('Pieces move', () => {
  const state = stateOf(words('one', 'One.'), figure('two'), band('three', words('inner', 'In.')));

  it('to any gap, and to where they stand not at all', () => {
    expect(order(movedTo(state, 'two', { after: null })!)).toEqual(['two', 'one', 'three', 'inner']);
    expect(order(movedTo(state, 'two', { after: 'inner' })!)).toEqual(['one', 'three', 'inner', 'two']);
    expect(movedTo(state, 'two', { after: 'one' })).toBeNull();
    expect(movedTo(state, 'two', { after: 'two' })).toBeNull();
  });

  it('but a band into no other band, itself least of all', () => {
    expect(isInBand(state.doc, { after: 'inner' })).toBe(true);
    expect(isInBand(state.doc, { after: null, inside: 'three' })).toBe(true);
    expect(movedTo(state, 'three', { after: 'inner' })).toBeNull();
  });

  it('and leave an empty line in a band that would hold nothing', () => {
    const { doc } = takenOut(state, at(state.doc, 'inner')!);
    expect(doc.lastChild!.childCount).toBe(1);
    expect(doc.lastChild!.firstChild!.type.name).toBe('paragraph');
    expect(posOf(doc, { after: null, inside: 'three' })).toBe(at(doc, 'three')!.pos + 1);
  });
});

it('A chosen picture stays chosen while what is set of it changes', () => {
  const state = stateOf(words('one', 'One.'), figure('two'));
  const { pos } = at(state.doc, 'two')!;
  const chosen = state.apply(state.tr.setSelection(NodeSelection.create(state.doc, pos)));
  const changed = chosen.apply(withAttributes(chosen, pos, { size: 'third', caption: 'Two' }));
  expect(at(changed.doc, 'two')!.node.attrs).toMatchObject({ size: 'third', caption: 'Two' });
  expect((changed.selection as NodeSelection).node.attrs.id).toBe('two');
});

it('Every kind of piece can be put in, and each has an id of its own', () => {
  const state = stateOf(words('one', 'One.'));
  const nodes = (Object.keys(kinds) as InsertedKind[]).map((kind) => newPiece(state.schema, kind));
  for (const node of nodes)
    expect(() => state.tr.insert(posOf(state.doc, { after: 'one' }), node).doc.check()).not.toThrow();
  expect(new Set(nodes.map((node) => node.attrs.id)).size).toBe(nodes.length);
});

describe('Another draft in the place of this one', () => {
  it('is the other draft', () => {
    const state = stateOf(words('one', 'One.'), words('two', 'Two.'), figure('three'));
    for (const other of [
      draft(words('one', 'One.'), figure('three')),
      draft(words('one', 'One.'), words('new', 'New.'), words('two', 'Two.'), figure('three')),
      draft(figure('three')),
    ])
      expect(state.apply(withDraft(state, other)).doc.eq(schema.nodeFromJSON(contentOf(other)))).toBe(true);
  });

  it('keeps the caret in a piece that is the same', () => {
    const state = stateOf(words('one', 'One.'), words('two', 'Two.'));
    const end = state.apply(caretAtEnd(state));
    const next = end.apply(
      withDraft(end, draft(words('new', 'Before all.'), words('one', 'One.'), words('two', 'Two.'))),
    );
    expect(next.selection.$from.parent.textContent).toBe('Two.');
    expect(next.selection.$from.parentOffset).toBe('Two.'.length);
  });
});

it('Nothing is kept of a width that is as everywhere', () => {
  const small = withException(null, 'phone', { size: 'third' });
  expect(small).toEqual({ phone: { size: 'third' } });
  expect(withException(small, 'phone', { size: undefined })).toBeNull();
  expect(withException(small, 'tablet', { hidden: true })).toEqual({
    phone: { size: 'third' },
    tablet: { hidden: true },
  });
  expect(withException(small, 'phone', null)).toBeNull();
});
