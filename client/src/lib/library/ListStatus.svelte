<!-- What waits in the list to be kept, or what was kept last. -->
<script lang="ts">
  import { count } from '$lib/model/words';

  let {
    cells,
    pictures,
    said,
    problem,
    onundo,
  }: { cells: number; pictures: number; said: string; problem: string; onundo: (() => void) | null } = $props();
</script>

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
