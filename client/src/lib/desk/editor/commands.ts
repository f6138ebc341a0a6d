import type { JSONContent } from '@tiptap/core';
import type { Node as PmNode } from '@tiptap/pm/model';
import { NodeSelection, TextSelection, type EditorState, type Selection, type Transaction } from '@tiptap/pm/state';
import { newId, type BandAttrs, type FigureAttrs, type FigureException, type WidthClass } from '$lib/model/attrs';
import { isWhole } from './nodes';
import { contentOf } from './pieces';

/** Where something new would stand: after the piece with this id, or first of all, in the page or inside a band. */
export type Gap = { after: string | null; inside?: string };

/** A piece with its place in the document. */
export type At = { node: PmNode; pos: number };

/** A piece of the page, a cell, a picture in one, or a picture in a line. */
export function at(doc: PmNode, id: string): At | null {
  let found: At | null = null;
  doc.descendants((node, pos) => {
    if (!found && node.attrs.id === id) found = { node, pos };
    return !found && !node.isText;
  });
  return found;
}

export function posOf(doc: PmNode, gap: Gap): number {
  const after = gap.after === null ? null : at(doc, gap.after);
  if (after) return after.pos + after.node.nodeSize;
  const band = gap.inside === undefined ? null : at(doc, gap.inside);
  return band ? band.pos + 1 : doc.firstChild!.nodeSize;
}

/** Whether what is put there stands inside a band, which holds no other band. */
export function isInBand(doc: PmNode, gap: Gap): boolean {
  const after = gap.after === null ? null : at(doc, gap.after);
  return after ? doc.resolve(after.pos).parent.type.name === 'band' : gap.inside !== undefined;
}

/** Whether a picture stands anywhere on the page, at whatever width, or behind words. */
export function holdsPicture(doc: PmNode, asset: string): boolean {
  let found = false;
  doc.descendants(({ attrs }) => {
    found ||= attrs.asset === asset || attrs.picture === asset;
    found ||= Object.values((attrs as FigureAttrs).at ?? {}).some((own) => own.asset === asset);
  });
  return found;
}

/** What a piece is chosen by: as a whole, or by a caret in its words. */
export const choiceOf = (doc: PmNode, { node, pos }: At): Selection =>
  isWhole(node) ? NodeSelection.create(doc, pos) : TextSelection.near(doc.resolve(pos + 1));

/**
 * Attributes of a piece changed; what is chosen stays chosen.
 * @param run Number of a run of changes, as of letters typed into one field: together they are one step.
 */
export function withAttributes({ tr, selection }: EditorState, pos: number, change: object, run?: number): Transaction {
  // The history takes what is of one composition for one step.
  if (run !== undefined) tr.setMeta('composition', run);
  for (const [name, value] of Object.entries(change)) tr.setNodeAttribute(pos, name, value);
  if (selection instanceof NodeSelection) tr.setSelection(NodeSelection.create(tr.doc, tr.mapping.map(selection.from)));
  return tr;
}

/** Title and what belongs to the page as a whole. */
export function withPage(
  { tr, doc, schema }: EditorState,
  change: { title?: string; path?: string; summary?: string },
) {
  if (change.path !== undefined) tr.setNodeAttribute(0, 'path', change.path);
  if (change.summary !== undefined) tr.setNodeAttribute(0, 'summary', change.summary);
  if (change.title !== undefined)
    tr.replaceWith(1, doc.firstChild!.nodeSize - 1, change.title ? schema.text(change.title) : []);
  return tr;
}

/** A piece taken out; a cell or band that would be left with nothing keeps an empty line. */
export function takenOut(state: EditorState, { node, pos }: At): Transaction {
  const parent = state.doc.resolve(pos).parent;
  return ['cell', 'band'].includes(parent.type.name) && parent.childCount === 1
    ? state.tr.replaceWith(pos, pos + node.nodeSize, state.schema.node('paragraph'))
    : state.tr.delete(pos, pos + node.nodeSize);
}

/** A piece in a gap; what stands there makes room. Null where that changes nothing or cannot be. */
export function movedTo(state: EditorState, id: string, gap: Gap): Transaction | null {
  const from = at(state.doc, id);
  if (!from || gap.after === id || (from.node.type.name === 'band' && isInBand(state.doc, gap))) return null;
  const target = posOf(state.doc, gap);
  if (target === from.pos || target === from.pos + from.node.nodeSize) return null;
  const tr = takenOut(state, from);
  const pos = tr.mapping.map(target);
  tr.insert(pos, from.node);
  tr.setSelection(
    from.node.isAtom && isWhole(from.node)
      ? NodeSelection.create(tr.doc, pos)
      : TextSelection.near(tr.doc.resolve(pos + 1)),
  );
  return tr.scrollIntoView();
}

/** An empty line where the page does not end with one, and the caret in it: it is never kept. */
export function caretAtEnd({ tr, doc, schema }: EditorState): Transaction {
  if (doc.lastChild?.type.name !== 'paragraph')
    tr.insert(tr.doc.content.size, schema.node('paragraph', { id: newId() }));
  return tr.setSelection(TextSelection.atEnd(tr.doc));
}

/** Another draft in the place of this one, in one step; pieces that are the same stay, and the caret in them. */
export const withDraft = (
  state: EditorState,
  draft: { title: string; path: string; summary: string; document: unknown },
): Transaction => withDoc(state, state.schema.nodeFromJSON(contentOf(draft)));

/** The same of a whole document. */
export function withDoc({ tr, doc: was }: EditorState, now: PmNode): Transaction {
  const most = Math.min(was.childCount, now.childCount);
  let [head, tail] = [0, 0];
  while (head < most && was.child(head).eq(now.child(head))) head++;
  while (tail < most - head && was.child(was.childCount - 1 - tail).eq(now.child(now.childCount - 1 - tail))) tail++;
  const fresh = now.slice(beginOf(now, head), beginOf(now, now.childCount - tail)).content;
  return tr.replaceWith(beginOf(was, head), beginOf(was, was.childCount - tail), fresh);
}

/** Where the piece with this number begins. */
function beginOf(doc: PmNode, number: number) {
  let pos = 0;
  for (let i = 0; i < number; i++) pos += doc.child(i).nodeSize;
  return pos;
}

/** What was written for the picture before is not said of the next one. */
export function withPicture(attrs: FigureAttrs | BandAttrs, asset: string, c: WidthClass | null): object {
  if (!('asset' in attrs)) return { picture: asset };
  return c ? { at: withException(attrs.at, c, { asset }) } : { asset, alt: null };
}

/** Nothing is kept of a width that is as everywhere. */
export function withException(at: FigureAttrs['at'], c: WidthClass, change: FigureException | null): FigureAttrs['at'] {
  const own = Object.fromEntries(
    Object.entries(change ? { ...at?.[c], ...change } : {}).filter(([, value]) => value !== undefined),
  );
  const all = { ...at, [c]: own };
  if (Object.keys(own).length === 0) delete all[c];
  return Object.keys(all).length > 0 ? all : null;
}

/** A document with another picture in one place. */
export const withPictureIn = (node: JSONContent, place: string, asset: string, c: WidthClass | null): JSONContent =>
  node.attrs?.id === place
    ? { ...node, attrs: { ...node.attrs, ...withPicture(node.attrs as FigureAttrs | BandAttrs, asset, c) } }
    : { ...node, ...(node.content && { content: node.content.map((one) => withPictureIn(one, place, asset, c)) }) };
