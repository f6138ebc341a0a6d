<script lang="ts">
  import '../app.css';
  import { QueryClientProvider } from '@tanstack/svelte-query';
  import { onMount } from 'svelte';
  import { listen } from '$lib/api/events';
  import { queryClient } from '$lib/api/queries';
  import { keepTyped } from '$lib/keeping/restore';
  import { askToFind } from '$lib/ui/acts.svelte';
  import { askForKeys, letters } from '$lib/ui/letters.svelte';
  import Bar from '$lib/shell/Bar.svelte';
  import FirstSteps from '$lib/shell/FirstSteps.svelte';
  import { holdUnderPress } from '$lib/shell/underPress';
  import UploadList from '$lib/shell/UploadList.svelte';
  import { filesOf, holdsFiles, uploads } from '$lib/media/uploads.svelte';

  let { children } = $props();
  onMount(listen);
  onMount(keepTyped);
  onMount(holdUnderPress);

  /** On the desk into the page's words, elsewhere to the first thing of the place. */
  function toContent() {
    const page = document.querySelector<HTMLIFrameElement>('main iframe[title^="The page at"]');
    const words = page?.contentDocument?.querySelector<HTMLElement>('.ProseMirror');
    if (words) page?.contentWindow?.focus();
    (words ?? document.querySelector<HTMLElement>('main :is(a[href], button, input):not(:disabled)'))?.focus();
  }

  /** A drag is answered as it enters and while it is over: what it stands over may be another thing as it is let go. */
  const takesFiles = (event: DragEvent) => holdsFiles(event) && event.preventDefault();

  /** Files let go where no place takes them come into the library: they are never swallowed. */
  async function drop(event: DragEvent) {
    if (event.defaultPrevented) return;
    event.preventDefault();
    void uploads.add(await filesOf(event.dataTransfer));
  }

  function keys(event: KeyboardEvent) {
    // One that is closing is still there for a moment, and takes no keys any more.
    const open = '[role=dialog]:not([data-state=closed]),[role=menu]:not([data-state=closed])';
    if (event.defaultPrevented || document.querySelector(open)) return;
    const control = event.ctrlKey || event.metaKey;
    const writes = (event.target as Element).matches?.('input, textarea, select, [contenteditable=true]');
    if (event.key === '?' && letters.on && !control && !event.altKey && !writes) {
      event.preventDefault();
      askForKeys();
    } else if (control && event.key.toLowerCase() === 'k') {
      event.preventDefault();
      askToFind();
    }
  }
</script>

<!-- A file let go beside its target must not take the tool's place in the window. -->
<svelte:window onkeydown={keys} ondragenter={takesFiles} ondragover={takesFiles} ondrop={drop} />

<QueryClientProvider client={queryClient}>
  <div class="flex h-screen flex-col">
    <button class="dk-button sr-only focus:not-sr-only focus:absolute focus:z-50" onclick={toContent}
      >To the content</button
    >
    <Bar />
    <main class="flex min-h-0 flex-1 flex-col">{@render children()}</main>
    <UploadList />
    <FirstSteps />
  </div>
</QueryClientProvider>
