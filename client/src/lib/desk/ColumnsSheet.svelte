<!-- Columns: how many cells stand in a row, what fills them, the shape of their pictures; and the words that hold the caret. -->
<script lang="ts">
  import ArrowDown from '@lucide/svelte/icons/arrow-down';
  import ChevronDown from '@lucide/svelte/icons/chevron-down';
  import ChevronRight from '@lucide/svelte/icons/chevron-right';
  import ArrowUp from '@lucide/svelte/icons/arrow-up';
  import Trash from '@lucide/svelte/icons/trash-2';
  import { proofOf } from '$lib/api/client';
  import FilePick from '$lib/ui/FilePick.svelte';
  import { count } from '$lib/model/words';
  import type { Desk } from './desk.svelte';
  import type { Piece } from './editor/pieces';
  import type { GroundAttrs } from '$lib/model/attrs';
  import PieceMoves from './PieceMoves.svelte';
  import GroundFields from './GroundFields.svelte';
  import WordsHere from './WordsHere.svelte';
  import WordsPlaceFields from '$lib/fields/WordsPlaceFields.svelte';

  let { desk, piece }: { desk: Desk; piece: Piece } = $props();
  const columns = $derived(piece.columns!);
  const filled = $derived(columns.cells.filter((cell) => cell.figure).length);
  const row = $derived(desk.site.rows.find((one) => one.cells === columns.inRow));
  /** The cell whose ground is being set. */
  let opened = $state<string | null>(null);
  const groundWords = (cell: string, { picture, colour }: GroundAttrs) =>
    (picture && (desk.preview.look?.figures[cell]?.title ?? 'a picture')) ||
    (colour && (desk.site.bands.colours.find((one) => one.colour === colour)?.name ?? colour)) ||
    'nothing';
  const inWords = $derived(desk.marks.kind !== 'columns');
</script>

<div class="border-b border-hair px-4 py-3">
  <PieceMoves {desk} name="Columns" />
  <p class="mt-1 text-quiet">{count(columns.cells.length, 'cell')}, {filled} with a picture</p>
  <div class="mt-2 flex flex-wrap gap-1.5">
    <button
      class="dk-button main"
      onclick={() => {
        desk.choose(piece.id, false);
        desk.drawerOpen = true;
      }}>Fill from the library</button
    >
    <FilePick label="Pictures for the cells" onfiles={(files) => void desk.cells.fillFiles(piece.id, files)}
      >From this computer</FilePick
    >
  </div>
  <p class="mt-1.5 text-quiet">
    Several pictures go into the empty cells in their order; more than that get cells of their own.
  </p>
  {#if desk.cells.said}<p class="dk-problem mt-1.5" role="alert">{desk.cells.said}</p>{/if}
</div>
{#if inWords}<WordsHere {desk} />{/if}
<div class="border-b border-hair px-4 py-3">
  <h3 class="mb-2 font-semibold">In a row</h3>
  <div class="flex flex-wrap gap-1.5" role="group" aria-label="Cells in a row">
    {#each desk.site.rows as offer (offer.cells)}
      <button
        class="dk-button dk-tabular"
        aria-pressed={columns.inRow === offer.cells}
        onclick={() => desk.cells.set(piece.id, { inRow: offer.cells })}>{offer.cells}</button
      >
    {/each}
  </div>
  {#if row}<p class="dk-tabular mt-1.5 text-quiet">
      {row.inRow.desktop} on desktop, {row.inRow.tablet} on tablet, {row.inRow.phone} on phone.
    </p>{/if}
  <div class="mt-3 flex gap-1.5" role="group" aria-label="How far they reach">
    {#each row?.reaches ?? [] as { extent, name } (extent)}
      <button
        class="dk-button"
        aria-pressed={columns.extent === extent}
        onclick={() => desk.cells.set(piece.id, { extent })}>{name}</button
      >
    {/each}
  </div>
</div>
<div class="border-b border-hair px-4 py-3">
  <h3 class="mb-2 font-semibold">Shape of all pictures</h3>
  <div class="flex flex-wrap gap-1.5" role="group" aria-label="Shape of all pictures">
    {#each [null, ...desk.site.shapes] as shape (shape)}
      <button
        class="dk-button dk-tabular"
        disabled={filled === 0}
        aria-pressed={columns.shape === shape}
        onclick={() => desk.cells.setShape(piece.id, shape)}>{shape ?? 'as is'}</button
      >
    {/each}
  </div>
</div>
<div class="border-b border-hair px-4 py-3">
  <h3 class="mb-1 font-semibold">Cells</h3>
  <ol aria-label="Cells">
    {#each columns.cells as cell, i (cell.id)}
      {@const figure = desk.inner.find((one) => one.id === cell.figure)?.figure}
      {@const name = cell.figure ? (desk.preview.look?.figures[cell.figure]?.title ?? 'Picture') : 'no picture'}
      <li class="flex items-center gap-2 border-t border-hair py-1">
        {#if figure?.asset}<img
            src={proofOf(figure.asset, 160)}
            alt=""
            class="h-8 w-12 object-contain object-left"
          />{:else}<span class="h-8 w-12 border border-dashed border-edge"></span>{/if}
        {#if cell.figure}
          <button class="dk-link min-w-0 flex-1 truncate text-left" onclick={() => desk.choose(cell.figure)}
            >{name}</button
          >
        {:else}<span class="min-w-0 flex-1 truncate text-quiet">{name}</span>{/if}
        <button
          class="dk-button bare"
          aria-label="Move cell {i + 1} earlier"
          disabled={i === 0}
          onclick={() => desk.cells.move(cell.id, -1)}><ArrowUp size={14} /></button
        >
        <button
          class="dk-button bare"
          aria-label="Move cell {i + 1} later"
          disabled={i === columns.cells.length - 1}
          onclick={() => desk.cells.move(cell.id, 1)}><ArrowDown size={14} /></button
        >
        <button
          class="dk-button bare"
          aria-label="Remove cell {i + 1}"
          onclick={() => desk.cells.takeOut(piece, cell.id)}><Trash size={14} /></button
        >
      </li>
      <li class="pb-1">
        <button
          class="dk-button bare"
          aria-expanded={opened === cell.id}
          onclick={() => (opened = opened === cell.id ? null : cell.id)}
          >{#if opened === cell.id}<ChevronDown size={14} />{:else}<ChevronRight size={14} />{/if}Behind cell {i + 1}:
          <span class="truncate text-quiet">{groundWords(cell.id, cell.ground)}</span></button
        >
        {#if opened === cell.id}
          <div class="border-l-3 border-edge">
            <GroundFields {desk} id={cell.id} ground={cell.ground} name="cell" />
          </div>
        {/if}
      </li>
    {/each}
  </ol>
  <button
    class="dk-button mt-1.5"
    disabled={columns.cells.length >= desk.site.mostCells}
    onclick={() => desk.cells.add(piece.id)}>Add a cell</button
  >
</div>
{#if columns.cells.some((cell) => cell.ground.colour || cell.ground.picture)}
  <WordsPlaceFields
    place={columns}
    mostPx={desk.site.bands.mostHeightPx}
    stands={null}
    onset={(change) => desk.cells.set(piece.id, change)}
  />
{/if}
