import { filesOf, folderOf } from '$lib/media/uploads.svelte';
import type { Desk } from './desk.svelte';
import type { Gap } from './editor/commands';
import { gapsOf, nearest } from './geometry';

const [pictureType, pieceType] = ['application/x-dekoro-picture', 'application/x-dekoro-piece'];
/** Where a drag stands: over the page at all, and the line it would land at. */
type Over = { dropping: boolean; line: (Gap & { y: number }) | null };

const takes = (data: DataTransfer | null) =>
  data?.types.some((type) => ['Files', pictureType, pieceType].includes(type)) ?? false;
const under = (event: DragEvent, what: string) => (event.target as Element).closest?.<HTMLElement>(what) ?? null;

/** Pictures, pieces and files that are dragged onto the page land where the line shows, in a cell, or in a place that waits. */
export function takeDrops(inside: Document, column: Element, desk: Desk, onover: (now: Over) => void) {
  // After the editor, which clears what others have said of the drag.
  inside.addEventListener('dragstart', (event) => {
    const block = under(event, 'figure[data-block]');
    if (block) event.dataTransfer?.setData(pieceType, block.dataset.block ?? '');
  });
  const over = (event: DragEvent) => {
    if (!takes(event.dataTransfer)) return;
    event.preventDefault();
    event.stopPropagation();
    const cell = under(event, '.cell[data-block]');
    for (const one of inside.querySelectorAll('.cell.dk-over')) if (one !== cell) one.classList.remove('dk-over');
    cell?.classList.add('dk-over');
    onover({ dropping: true, line: cell ? null : nearest(gapsOf(column), event.clientY) });
  };
  const drop = (event: DragEvent) => {
    if (!takes(event.dataTransfer)) return;
    event.preventDefault();
    event.stopPropagation();
    const gap = nearest(gapsOf(column), event.clientY) ?? { after: null };
    onover({ dropping: false, line: null });
    const cell = under(event, '.cell[data-block]');
    cell?.classList.remove('dk-over');
    const columns = cell?.parentElement?.dataset.block;
    const waits = under(event, 'figure[data-block]')?.dataset.block;
    const data = event.dataTransfer!;
    if (cell && columns) void dropInCell(desk, data, columns, cell.dataset.block!);
    else if (waits && desk.pieceOf(waits)?.figure?.asset === '' && !data.getData(pieceType))
      void dropInPlace(desk, data, waits);
    else void dropInGap(desk, data, gap);
  };
  // Entering is answered too: what the drag stands over may be another thing at the very moment it is let go.
  inside.addEventListener('dragenter', over, true);
  inside.addEventListener('dragover', over, true);
  inside.addEventListener('dragleave', (event) => event.relatedTarget || onover({ dropping: false, line: null }), true);
  inside.addEventListener('drop', drop, true);
}

async function dropInCell(desk: Desk, data: DataTransfer, columns: string, cell: string) {
  const [picture, piece] = [data.getData(pictureType), data.getData(pieceType)];
  if (piece) desk.cells.moveInto(columns, cell, piece);
  else if (picture) desk.cells.fill(columns, [picture], cell);
  else await desk.cells.fillFiles(columns, await filesOf(data), cell);
}

async function dropInPlace(desk: Desk, data: DataTransfer, place: string) {
  const picture = data.getData(pictureType);
  if (picture) desk.set(place, { asset: picture });
  else await desk.media.fillPlace(place, await filesOf(data));
}

async function dropInGap(desk: Desk, data: DataTransfer, gap: Gap) {
  const [picture, piece] = [data.getData(pictureType), data.getData(pieceType)];
  if (picture) return desk.media.place([picture], gap);
  if (piece) return desk.moves.to(piece, gap);
  // A folder is one thing, and stays one.
  const folder = folderOf(data);
  const files = await filesOf(data);
  await (folder ? desk.media.placeFilesTogether(files, folder, gap) : desk.media.placeFiles(files, gap));
}

/** Files and words with pictures that are pasted; words alone, and pieces of a page of ours, are the editor's own. */
export function takePastes(inside: Document, desk: Desk) {
  inside.addEventListener(
    'paste',
    (event) => {
      const files = [...(event.clipboardData?.files ?? [])];
      const html = event.clipboardData?.getData('text/html') ?? '';
      // Tables and titles are read as words by what reads a page from elsewhere.
      const isRead = /<(img|table|h1)\b/i.test(html) && !html.includes('data-pm-slice');
      if (files.length === 0 && !isRead) return;
      event.preventDefault();
      event.stopPropagation();
      void (isRead ? desk.media.placePasted(html) : desk.media.placeFiles(files));
    },
    true,
  );
}
