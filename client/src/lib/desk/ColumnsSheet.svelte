<!-- Columns: how many cells stand in a row, what fills them, the shape of their pictures; and the words that hold the caret. -->
<script lang="ts">
  import ArrowDown from '@lucide/svelte/icons/arrow-down';
  import ArrowUp from '@lucide/svelte/icons/arrow-up';
  import Trash from '@lucide/svelte/icons/trash-2';
  import { proofOf } from '$lib/api/client';
  import { count } from '$lib/ui/words';
  import type { Desk, Piece } from './desk.svelte';
  import PieceMoves from './PieceMoves.svelte';
  import TextMarks from './TextMarks.svelte';

  let { desk, piece }: { desk: Desk; piece: Piece } = $props();
  let picker = $state<HTMLInputElement>();
  const columns = $derived(piece.columns!);
  const filled = $derived(columns.cells.filter((cell) => cell.figure).length);
  const offer = $derived(desk.site.rows.find((row) => row.cells === columns.inRow)?.inRow);
  const shapes = $derived(
    desk.inCells.filter((figure) => figure.within === piece.id).map((figure) => figure.figure!.shape),
  );
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
    <button class="dk-button" onclick={() => picker?.click()}>From this computer</button>
    <input
      bind:this={picker}
      type="file"
      multiple
      hidden
      aria-label="Pictures for the cells"
      onchange={(event) => void desk.fillFiles(piece.id, [...(event.currentTarget.files ?? [])])}
    />
  </div>
  <p class="mt-1.5 text-quiet">
    Several pictures go into the empty cells in their order; more than that get cells of their own.
  </p>
</div>
<div class="border-b border-hair px-4 py-3">
  <h3 class="mb-2 font-semibold">In a row</h3>
  <div class="flex flex-wrap gap-1.5" role="group" aria-label="Cells in a row">
    {#each desk.site.rows as row (row.cells)}
      <button
        class="dk-button dk-tabular"
        aria-pressed={columns.inRow === row.cells}
        onclick={() => desk.setColumns(piece.id, { inRow: row.cells })}>{row.cells}</button
      >
    {/each}
  </div>
  {#if offer}<p class="dk-tabular mt-1.5 text-quiet">
      {offer.desktop} on desktop, {offer.tablet} on tablet, {offer.phone} on phone.
    </p>{/if}
  <div class="mt-3 flex gap-1.5" role="group" aria-label="How far they reach">
    {#each [['column', 'as the column'], ['wide', 'wide']] as const as [extent, name] (extent)}
      <button
        class="dk-button"
        aria-pressed={columns.extent === extent}
        onclick={() => desk.setColumns(piece.id, { extent })}>{name}</button
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
        disabled={shapes.length === 0}
        aria-pressed={shapes.length > 0 && shapes.every((one) => one === shape)}
        onclick={() => desk.setShapes(piece, shape)}>{shape ?? 'as is'}</button
      >
    {/each}
  </div>
</div>
<div class="border-b border-hair px-4 py-3">
  <h3 class="mb-1 font-semibold">Cells</h3>
  <ol aria-label="Cells">
    {#each columns.cells as cell, i (cell.id)}
      {@const figure = desk.inCells.find((one) => one.id === cell.figure)?.figure}
      {@const name = cell.figure ? (desk.look?.figures[cell.figure]?.title ?? 'Picture') : 'no picture'}
      <li class="flex items-center gap-2 border-t border-hair py-1">
        {#if figure}<img
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
          onclick={() => desk.moveCell(cell.id, -1)}><ArrowUp size={14} /></button
        >
        <button
          class="dk-button bare"
          aria-label="Move cell {i + 1} later"
          disabled={i === columns.cells.length - 1}
          onclick={() => desk.moveCell(cell.id, 1)}><ArrowDown size={14} /></button
        >
        <button
          class="dk-button bare"
          aria-label="Take cell {i + 1} out"
          onclick={() => desk.takeCellOut(piece, cell.id)}><Trash size={14} /></button
        >
      </li>
    {/each}
  </ol>
  <button
    class="dk-button mt-1.5"
    disabled={columns.cells.length >= desk.site.mostCells}
    onclick={() => desk.addCell(piece.id)}>Add a cell</button
  >
</div>
{#if inWords}<TextMarks {desk} />{/if}
