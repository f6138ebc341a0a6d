<!-- The line over the page: its name and state, undo and redo, whether the draft is kept. -->
<script lang="ts">
  import History from '@lucide/svelte/icons/history';
  import Redo from '@lucide/svelte/icons/redo-2';
  import Undo from '@lucide/svelte/icons/undo-2';
  import { timeOf } from '$lib/model/words';
  import type { Desk } from './desk.svelte';

  let { desk }: { desk: Desk } = $props();
  const keeping = $derived(desk.autosave);
  const states: Record<string, string> = {
    off: 'switched off',
    draft: 'draft',
    changed: 'changed',
    published: 'published',
  };
  const sentence = $derived(
    keeping.state === 'kept'
      ? `${states[keeping.page] ?? ''}, saved ${timeOf(keeping.keptAt)}`
      : keeping.state === 'refused' || keeping.state === 'split'
        ? 'not saved yet'
        : 'saving',
  );
</script>

<div class="flex h-10 w-[296px] flex-none items-center border-r border-hair pr-1.5 pl-4">
  <div class="min-w-0 flex-1 leading-[1.25]">
    <h1 class="truncate font-semibold">{desk.title || 'Untitled'}</h1>
    <p class="truncate {keeping.state === 'refused' ? 'text-coarse' : 'text-quiet'}" role="status">{sentence}</p>
  </div>
  <button
    class="dk-button bare"
    onclick={() => void desk.session.toHistory()}
    aria-label="History"
    title="History: how the page stood before"><History size={16} /></button
  >
  <button
    class="dk-button bare"
    disabled={!desk.deeds.canUndo}
    onclick={desk.undo}
    aria-label="Undo"
    title="Undo (Ctrl+Z)"
  >
    <Undo size={16} />
  </button>
  <button
    class="dk-button bare"
    disabled={!desk.deeds.canRedo}
    onclick={desk.redo}
    aria-label="Redo"
    title="Redo (Ctrl+Shift+Z)"
  >
    <Redo size={16} />
  </button>
</div>
