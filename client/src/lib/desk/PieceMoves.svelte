<!-- The head of a piece's sheet: what it is, and moving it or taking it out. -->
<script lang="ts">
  import ArrowDown from '@lucide/svelte/icons/arrow-down';
  import ArrowUp from '@lucide/svelte/icons/arrow-up';
  import Trash from '@lucide/svelte/icons/trash-2';
  import X from '@lucide/svelte/icons/x';
  import type { Desk } from './desk.svelte';

  let { desk, name }: { desk: Desk; name: string } = $props();
</script>

<div class="flex items-center gap-0.5">
  <h2 class="min-w-0 flex-1 truncate text-read font-semibold">{name}</h2>
  {#if desk.chosen}
    <button
      class="dk-button bare"
      disabled={!desk.moves.can(desk.chosen, -1)}
      aria-label="Move up"
      title="Move up (Alt+↑)"
      onclick={() => desk.moves.by(desk.chosen!, -1)}><ArrowUp size={15} /></button
    >
    <button
      class="dk-button bare"
      disabled={!desk.moves.can(desk.chosen, 1)}
      aria-label="Move down"
      title="Move down (Alt+↓)"
      onclick={() => desk.moves.by(desk.chosen!, 1)}
    >
      <ArrowDown size={15} />
    </button>
    <button class="dk-button bare" aria-label="Remove" title="Remove" onclick={() => desk.moves.takeOut(desk.chosen!)}
      ><Trash size={15} /></button
    >
  {/if}
  <button
    class="dk-button bare"
    aria-label="To the page's sheet"
    title="To the page's sheet (Esc)"
    onclick={() => desk.choose(null)}><X size={15} /></button
  >
</div>
