<!-- The list's foot: what waits to be kept or was kept last, and what can be done about it. -->
<script lang="ts">
  import { count } from '$lib/model/words';

  let {
    cells,
    pictures,
    said,
    problem,
    onundo,
    onarrange,
    onleave,
    onkeep,
  }: {
    cells: number;
    pictures: number;
    said: string;
    problem: string;
    onundo: (() => void) | null;
    onarrange: () => void;
    onleave: () => void;
    onkeep: () => void;
  } = $props();
</script>

<div class="flex min-h-9 flex-none items-center gap-3 border-t border-hair bg-base-100 px-5 py-1.5">
  <p class="min-w-0 flex-1" role="status">
    {#if cells > 0}
      <strong>{count(cells, 'cell')} of {count(pictures, 'picture')} would change.</strong> Nothing is kept yet.
    {:else if said}
      {said}
      {#if onundo}<button class="dk-link" onclick={onundo}>Undo</button>{/if}
    {:else}
      <span class="text-quiet"
        >Type in any cell, or paste cells copied from a spreadsheet. Enter and the arrow keys go up and down.</span
      >
    {/if}
    {#if problem}<span class="dk-problem">{problem}</span>{/if}
  </p>
  {#if cells === 0}
    <button class="dk-button" onclick={onarrange}>Own columns</button>
  {:else}
    <button class="dk-button" onclick={onleave}>Leave as it was</button>
    <button class="dk-button main" onclick={onkeep}>Keep {count(cells, 'change')}</button>
  {/if}
</div>
