import type { Desk } from './desk.svelte';
import { askToFind } from '$lib/ui/acts.svelte';
import { undoKey } from '$lib/ui/undoKey';
import { askForKeys, letters } from '$lib/ui/letters.svelte';
import { sides, sizes } from '$lib/model/choices';

/** Keys of the desk; true where one was taken. Single letters act only while no text is being edited. */
export function deskKey(event: KeyboardEvent, desk: Desk, afterA: { at: number }): boolean {
  const control = event.ctrlKey || event.metaKey;
  if (control || event.altKey || event.key === 'Escape') return withControl(event, desk, control);
  if (typing(event, desk) || !letters.on || meansToType(event, desk)) return false;
  if (afterASide(event, desk, afterA)) return true;
  if (event.key === 'a') afterA.at = Date.now();
  return letterKeys[event.key]?.(desk, event.key) ?? false;
}

function withControl(event: KeyboardEvent, desk: Desk, control: boolean): boolean {
  if (event.key === 'Escape') return !control && !event.altKey && stepOut(desk);
  if (event.altKey) {
    const by = { ArrowUp: -1, ArrowDown: 1 }[event.key] as -1 | 1 | undefined;
    if (!by || !desk.chosen) return false;
    desk.moves.by(desk.chosen, by);
    return true;
  }
  const step = undoKey(event);
  if (step) {
    // What stands in a number's field is taken over first.
    if (typingInField(event)) (event.target as HTMLElement).blur();
    desk[step]();
    return true;
  }
  switch (event.key.toLowerCase()) {
    case 'enter':
      desk.gap = desk.caretGap();
      return true;
    case 'k':
      askToFind();
      return true;
    default:
      return false;
  }
}

/** Escape ends what was begun last, then what is chosen, and last of all leaves the page. */
function stepOut(desk: Desk): boolean {
  if (desk.trial.swapping) desk.trial.end(null);
  else if (desk.gap) desk.gap = null;
  else if (desk.drawerOpen) {
    desk.drawerOpen = desk.media.inLine = false;
    // Back to where the work was: the caret or what is chosen, else the tool itself.
    if (desk.chosen) desk.editor?.view.focus();
    else document.querySelector<HTMLElement>('[data-desk-sheet]')?.focus();
  } else if (desk.chosenPiece?.within) desk.choose(desk.chosenPiece.within);
  else if (desk.chosen || desk.editor?.isFocused) {
    desk.choose(null);
    // Out of the page: the tool has the focus from here on, and its keys act.
    document.querySelector<HTMLElement>('[data-desk-sheet]')?.focus();
  } else return false;
  return true;
}

/** A, then an arrow: the chosen picture goes to that side. */
function afterASide(event: KeyboardEvent, desk: Desk, afterA: { at: number }): boolean {
  if (Date.now() - afterA.at >= 1500 || !sizedFigure(desk)) return false;
  const side = { ArrowLeft: 'left', ArrowDown: 'centre', ArrowRight: 'right' }[event.key];
  afterA.at = 0;
  if (side) desk.set(desk.chosen!, { side: side as (typeof sides)[number] });
  return side !== undefined;
}

/** The chosen picture, where it has a size of its own. */
const sizedFigure = (desk: Desk) => {
  const figure = desk.chosen ? desk.chosenPiece?.figure : null;
  return figure && figure.size !== 'cell' ? figure : null;
};

/** Each says whether it did anything. */
type LetterKey = (desk: Desk, key: string) => boolean;

const widthKey: LetterKey = (desk, key) => {
  desk.width = Object.values(desk.site.classes.referencePx)[Number(key) - 1] ?? desk.width;
  return true;
};

const pictureKey: LetterKey = (desk, key) => {
  const i = desk.pictures.findIndex((piece) => piece.id === desk.chosen);
  const next = desk.pictures[key === ']' ? i + 1 : i < 0 ? desk.pictures.length - 1 : i - 1];
  if (next) desk.choose(next.id);
  return true;
};

const sizeKey: LetterKey = (desk, key) => {
  const figure = sizedFigure(desk);
  if (!figure) return false;
  const now = typeof figure.size === 'number' ? 2 : sizes.indexOf(figure.size as (typeof sizes)[number]);
  const size = sizes[now + (key === '-' ? -1 : 1)];
  if (size) desk.set(desk.chosen!, { size });
  return true;
};

const wordsKey: LetterKey = (desk, key) => {
  if (!desk.chosenPiece?.figure) return false;
  dispatchEvent(new CustomEvent('desk-words', { detail: key }));
  return true;
};

const letterKeys: Record<string, LetterKey> = {
  '?': () => {
    askForKeys();
    return true;
  },
  '1': widthKey,
  '2': widthKey,
  '3': widthKey,
  l: (desk) => {
    desk.drawerOpen = !desk.drawerOpen;
    return true;
  },
  f: (desk) => {
    const piece = desk.chosenPiece;
    const asset = piece?.figure?.asset ?? piece?.inLine?.asset ?? piece?.band?.picture;
    if (asset) desk.session.toRoom(asset);
    return Boolean(asset);
  },
  P: (desk) => {
    void desk.session.toProofs();
    return true;
  },
  p: (desk) => {
    desk.proofOn = !desk.proofOn;
    return true;
  },
  '[': pictureKey,
  ']': pictureKey,
  a: (desk) => Boolean(desk.chosenPiece?.figure),
  '+': sizeKey,
  '=': sizeKey,
  '-': sizeKey,
  t: wordsKey,
  c: wordsKey,
};

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
      // With a picture, files, columns or a band chosen a letter is a key of the desk, never a text that takes their
      // place.
      if (drawnWhole(desk) && event.key.length === 1 && !event.ctrlKey && !event.metaKey) event.preventDefault();
    },
    true,
  );
}
