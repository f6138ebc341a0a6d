<!-- The library at the foot of the desk: closed a lip, open half the height, the page stays in view. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import ChevronUp from '@lucide/svelte/icons/chevron-up';
  import Search from '@lucide/svelte/icons/search';
  import type { FileItem } from '$lib/api/client';
  import ArchiveDrawer from '$lib/archive/ArchiveDrawer.svelte';
  import type { Through } from '$lib/api/queries';
  import { find } from '$lib/media/found.svelte';
  import PictureRows from '$lib/media/PictureRows.svelte';
  import ThroughWords from '$lib/media/ThroughWords.svelte';
  import { Choosing } from '$lib/ui/choosing.svelte';
  import PictureTile from '$lib/media/PictureTile.svelte';
  import FilePick from '$lib/ui/FilePick.svelte';
  import { count } from '$lib/model/words';
  import { classes } from '$lib/model/choices';
  import type { Desk } from './desk.svelte';
  import DrawerLip from './DrawerLip.svelte';
  import { slotAt } from './geometry';

  let { desk }: { desk: Desk } = $props();
  let query = $state('');
  let field = $state<HTMLInputElement>();
  let fromArchive = $state(false);
  /** A cell whose picture stands behind words: as high as they make it. */
  const overCell = (cell: NonNullable<ReturnType<Desk['cellOf']>>, heightPx: number | undefined): Through => {
    const widthPx = slotAt(cell.width, desk.site.classes.referencePx.desktop);
    return { size: cell.place, shape: heightPx ? `${Math.round(widthPx)}:${Math.max(1, Math.round(heightPx))}` : '' };
  };
  /** The place that is chosen, unless true shapes are wanted. */
  const place = $derived.by<Through | null>(() => {
    const figure = desk.chosenPiece?.figure;
    const columns = desk.chosenColumns?.columns;
    const cell = columns && desk.cellOf(columns);
    const over = columns?.cells.find(({ id }) => id === desk.trial.swapping);
    if (cell && over) return overCell(cell, desk.preview.look?.grounds[over.id]?.on.desktop.heightCssPx);
    if (cell)
      return { size: cell.place, shape: (figure ? figure.shape : (columns.shape ?? desk.site.cellShape)) ?? '' };
    const band = desk.chosenPiece?.band && desk.chosen ? desk.preview.look?.grounds[desk.chosen] : null;
    if (band) {
      const { desktop } = desk.site.classes.referencePx;
      return { size: 'edge', shape: `${desktop}:${Math.max(1, Math.round(band.on.desktop.heightCssPx))}` };
    }
    return figure ? { size: String(figure.size), shape: figure.shape ?? '' } : null;
  });
  let trueShapes = $state(false);
  const through = $derived(desk.drawerOpen && !trueShapes ? place : null);
  const found = find(
    () => query.trim(),
    () => through,
  );

  const triedWords = $derived(
    desk.trial.figure && classes.map((c) => `${c} ${desk.trial.figure?.fits[c]?.word ?? 'hidden'}`).join(', '),
  );
  const sentence = $derived(
    triedWords
      ? `As it would stand there: ${triedWords}. A click keeps it.`
      : desk.media.inLine
        ? 'Click a picture: it goes into the line, where the caret stands.'
        : desk.trial.swapping
          ? 'Point at a picture to try it there: a click keeps it, Escape leaves what stands there.'
          : desk.gap
            ? 'Click a picture: it goes where the line stands.'
            : desk.openedSet
              ? 'Click: into the arrangement, after the one chosen or at its end. Ctrl and click, or Space, choose several.'
              : desk.chosenColumns
                ? 'Click: into the next empty cell. Ctrl and click, or Space, choose several.'
                : desk.chosen
                  ? 'Click a picture: it goes after what is chosen. Or drag it to its place.'
                  : 'Click a picture: it goes to the end of the page. Or drag it to its place.',
  );
  /** A pointer on its way across the drawer tries nothing. */
  const restMs = 120;
  let trying = 0;
  /** One was placed: until the pointer moves or a key does, what slides under it is not meant. */
  let placed = false;
  $effect(() => {
    if (desk.drawerOpen) {
      if (!field) return;
      field.focus();
      // A pointer that rests where the drawer opens means nothing under it.
      placed = true;
      // What is chosen stays in view in the room that is left, unless something else was clicked meanwhile.
      const chosen = untrack(() => desk.chosen);
      setTimeout(() => desk.chosen === chosen && desk.reveal(chosen), 60);
    } else {
      clearTimeout(trying);
      untrack(() => {
        desk.trial.end(null);
        desk.media.inLine = false;
        // The next place begins with all there is.
        query = '';
      });
    }
  });

  const choosing = new Choosing();
  $effect(() => {
    if (!desk.drawerOpen || desk.trial.swapping) choosing.clear();
  });

  function press(event: MouseEvent, item: FileItem) {
    if (event.shiftKey && !desk.trial.swapping) choosing.range(found.ids, item.id);
    else if ((event.ctrlKey || event.metaKey) && !desk.trial.swapping) choosing.turn(item.id);
    else if (choosing.ids.size > 0 && event.detail > 0) choosing.turn(item.id);
    else if (choosing.ids.size > 0) placeChosen();
    else take(item);
  }
  /** What is pressed tries nothing more: the page would scroll from under a drag. Keys try what they come to. */
  function tryLater(asset: string | null) {
    clearTimeout(trying);
    if (placed && asset) return;
    if (choosing.ids.size === 0) trying = window.setTimeout(() => desk.trial.on(asset), restMs);
  }
  function placeChosen() {
    desk.media.place([...choosing.ids]);
    choosing.clear();
  }

  function placeTogether() {
    void desk.media.placeTogether([...choosing.ids]);
    choosing.clear();
  }

  function take(item: FileItem) {
    clearTimeout(trying);
    placed = true;
    if (desk.trial.swapping) desk.trial.end(item.id);
    else desk.media.place([item.id]);
  }
</script>

<svelte:window onpointermove={() => (placed = false)} onkeydown={() => (placed = false)} />
<section
  aria-label="Library"
  class="flex flex-none flex-col border-t border-base-content bg-base-100"
  class:open={desk.drawerOpen}
>
  <div class="flex h-9 flex-none items-center gap-3 px-4">
    <button
      class="flex h-full cursor-pointer items-center gap-2"
      aria-expanded={desk.drawerOpen}
      onclick={() => (desk.drawerOpen = !desk.drawerOpen)}
    >
      <ChevronUp size={15} class={desk.drawerOpen ? 'rotate-180' : ''} /><span class="font-semibold">Library</span><kbd
        class="dk-key">L</kbd
      >
    </button>
    {#if desk.drawerOpen}
      <span class="flex gap-1" role="group" aria-label="Pictures of">
        <button class="dk-button" aria-pressed={!fromArchive} onclick={() => (fromArchive = false)}>the library</button>
        <button class="dk-button" aria-pressed={fromArchive} onclick={() => (fromArchive = true)}>the archive</button>
      </span>
    {/if}
    {#if desk.drawerOpen && fromArchive}
      <span class="min-w-0 flex-1 truncate text-quiet"
        >Press pictures to choose them: they come into the library with their words, credit and rights.</span
      >
    {:else if desk.drawerOpen}
      <label class="dk-framed flex h-7 w-64 items-center gap-2 rounded-[4px] border border-edge px-2">
        <Search size={14} />
        <input
          bind:this={field}
          class="min-w-0 flex-1"
          type="search"
          bind:value={query}
          aria-label="Search the library"
          placeholder="dunes, lantern, wor …"
        />
      </label>
      <span class="min-w-0 flex-1 truncate text-quiet">{sentence}</span>
      {#if choosing.ids.size > 0}
        <button class="dk-button main" onclick={placeChosen}>Place {count(choosing.ids.size, 'picture')}</button>
        {#if choosing.ids.size > 1 && !desk.chosenColumns && !desk.openedSet}
          <button class="dk-button" onclick={placeTogether}>As a gallery</button>
        {/if}
        <button class="dk-button" onclick={() => choosing.clear()}>Choose none</button>
      {/if}
      {#if place}
        <label class="flex items-center gap-1.5">
          <input type="checkbox" role="switch" class="toggle toggle-sm" bind:checked={trueShapes} />true shapes
        </label>
      {/if}
      <FilePick label="Pictures from this computer" onfiles={(files) => void desk.media.placeFiles(files)}
        >From this computer</FilePick
      >
    {:else}
      <DrawerLip {desk} pictures={found.head?.items ?? []} said={found.head ? count(found.total, 'picture') : ''} />
    {/if}
  </div>
  {#if desk.drawerOpen && fromArchive}
    <ArchiveDrawer onplace={(ids, caption) => desk.media.placeCaptioned(ids, caption)} />
  {:else if desk.drawerOpen}
    {#if found.head && found.total === 0}
      <p class="border-t border-hair bg-base-200 p-4 text-read">
        {query.trim()
          ? `No picture answers to “${query.trim()}”: try fewer words.`
          : 'The library is empty: take pictures from this computer, or drop them onto the page.'}
      </p>
    {/if}
    <PictureRows {found} rowHeight={104} wordsHeight={through ? 88 : 70} class="min-h-0 flex-1 border-t border-hair">
      {#snippet cell(item, height, width)}
        <button
          class="block w-full cursor-pointer text-left"
          draggable="true"
          ondragstart={(event) => {
            clearTimeout(trying);
            desk.trial.on(null);
            event.dataTransfer?.setData('application/x-dekoro-picture', item.id);
          }}
          aria-pressed={choosing.ids.has(item.id)}
          onpointerenter={() => tryLater(item.id)}
          onpointermove={() => {
            if (!placed) return;
            placed = false;
            tryLater(item.id);
          }}
          onpointerdown={() => clearTimeout(trying)}
          onpointerleave={() => tryLater(null)}
          onfocus={({ currentTarget }) => currentTarget.matches(':focus-visible') && tryLater(item.id)}
          onblur={() => tryLater(null)}
          onclick={(event) => press(event, item)}
          onkeydown={(event) => {
            // Space chooses one more, Enter places.
            if (event.key !== ' ' || desk.trial.swapping) return;
            event.preventDefault();
            choosing.turn(item.id);
          }}
        >
          <PictureTile {item} {width} {height} chosen={choosing.ids.has(item.id)} number={choosing.numberOf(item.id)} />
          <span class="mt-1 block truncate">{item.words.title}</span>
          {#if item.through}<ThroughWords through={item.through} />{:else}<span
              class="dk-tabular -mr-5 block truncate text-quiet">{item.width} × {item.height}</span
            >{/if}
        </button>
      {/snippet}
    </PictureRows>
  {/if}
</section>

<style>
  .open {
    height: 44%;
  }
</style>
