import type { Desk } from './desk.svelte';
import { askForKeys, letters } from '$lib/ui/letters.svelte';
import { sides, sizes } from './choices';

/** Keys of the desk; true where one was taken. Single letters act only while no text is being edited. */
export function deskKey(event: KeyboardEvent, desk: Desk, afterA: { at: number }): boolean {
  const figure = desk.chosenPiece?.figure;
  const takesSize = figure?.size !== 'cell';
  const id = desk.chosen;
  const control = event.ctrlKey || event.metaKey;
  if (control && event.key.toLowerCase() === 'z') {
    if (typingInField(event)) return false;
    if (event.shiftKey) desk.redo();
    else desk.undo();
    return true;
  }
  if (control && event.key === 'Enter') {
    desk.gap = desk.caretGap();
    return true;
  }
  if (event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown') && id) {
    desk.moveBy(id, event.key === 'ArrowUp' ? -1 : 1);
    return true;
  }
  if (event.key === 'Escape') {
    if (desk.swapping) desk.endSwap(null);
    else if (desk.gap) desk.gap = null;
    else if (desk.inLine) desk.drawerOpen = desk.inLine = false;
    else if (desk.drawerOpen) desk.drawerOpen = false;
    else if (desk.chosenPiece?.within) desk.choose(desk.chosenPiece.within);
    else if (desk.chosen || desk.editor?.isFocused) {
      desk.choose(null);
      // Out of the page: the tool has the focus from here on, and its keys act.
      document.querySelector<HTMLElement>('[data-desk-sheet]')?.focus();
    } else return false;
    return true;
  }
  if (control && event.key.toLowerCase() === 'k') {
    desk.drawerOpen = true;
    return true;
  }
  if (control || event.altKey || typing(event, desk) || !letters.on || meansToType(event, desk)) return false;
  if (event.key === '?') {
    askForKeys();
    return true;
  }
  if (figure && takesSize && id && Date.now() - afterA.at < 1500) {
    const side = { ArrowLeft: 'left', ArrowDown: 'centre', ArrowRight: 'right' }[event.key];
    afterA.at = 0;
    if (side) {
      desk.setFigure(id, { side: side as (typeof sides)[number] });
      return true;
    }
  }
  switch (event.key) {
    case '1':
    case '2':
    case '3':
      desk.width = Object.values(desk.site.classes.referencePx)[Number(event.key) - 1] ?? desk.width;
      return true;
    case 'l':
      desk.drawerOpen = !desk.drawerOpen;
      return true;
    case 'f': {
      const asset = (figure?.asset ?? desk.chosenPiece?.inLine?.asset ?? desk.chosenPiece?.band?.picture) || null;
      if (!asset) return false;
      desk.toRoom(asset);
      return true;
    }
    case 'P':
      void desk.toProofs();
      return true;
    case 'p':
      desk.proofOn = !desk.proofOn;
      return true;
    case '[':
    case ']': {
      const pictures = desk.pictures;
      const i = pictures.findIndex((piece) => piece.id === id);
      const next = pictures[event.key === ']' ? i + 1 : i < 0 ? pictures.length - 1 : i - 1];
      if (next) desk.choose(next.id);
      return true;
    }
    case 'a':
      afterA.at = Date.now();
      return figure !== undefined;
    case '+':
    case '=':
    case '-': {
      if (!figure || !id || !takesSize) return false;
      const now = typeof figure.size === 'number' ? 2 : sizes.indexOf(figure.size as (typeof sizes)[number]);
      const size = sizes[now + (event.key === '-' ? -1 : 1)];
      if (size) desk.setFigure(id, { size });
      return true;
    }
    case 't':
    case 'c':
      if (!figure) return false;
      dispatchEvent(new CustomEvent('desk-words', { detail: event.key }));
      return true;
  }
  return false;
}

const typingInField = (event: KeyboardEvent) => (event.target as Element).matches?.('input, textarea, select') ?? false;
/** What is chosen is one thing, and not words with a caret. */
const drawnWhole = (desk: Desk) =>
  Boolean(
    desk.chosenPiece?.figure ||
    desk.chosenPiece?.inLine ||
    desk.chosenPiece?.files ||
    desk.chosenPiece?.arrangement ||
    desk.chosenWhole,
  );
const typing = (event: KeyboardEvent, desk: Desk) =>
  typingInField(event) || ((event.target as HTMLElement).isContentEditable && !drawnWhole(desk));

/** Nothing is chosen and nothing of the tool has the focus: whoever types then means the page, and no key may act. */
const meansToType = (event: KeyboardEvent, desk: Desk) =>
  desk.chosen === null && ['BODY', 'HTML'].includes((event.target as Element).tagName ?? 'BODY');

/** What the editor would swallow and the desk needs first. */
export function frameKeys(inside: Document, desk: Desk) {
  inside.addEventListener(
    'keydown',
    (event) => {
      const inSet = desk.openedSet?.choosing.ids;
      if (inSet?.size && (event.key === 'Delete' || event.key === 'Backspace')) {
        // Pictures of the arrangement are chosen: the key means those, and not the arrangement round them.
        event.preventDefault();
        event.stopPropagation();
        desk.openedSet?.takeOut(inSet);
        return;
      }
      const whole = desk.chosenWhole;
      if (whole && event.key === 'Enter' && !event.ctrlKey && !event.metaKey) {
        event.preventDefault();
        event.stopPropagation();
        desk.enter(whole.id);
      }
      // With a picture, files, columns or a band chosen a letter is a key of the desk, never a text that takes their place.
      if (drawnWhole(desk) && event.key.length === 1 && !event.ctrlKey && !event.metaKey) event.preventDefault();
    },
    true,
  );
}
