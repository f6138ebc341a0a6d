<!-- An arrangement by itself: the stage at the ruler's width, its running order below, its layout beside it. -->
<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { onMount } from 'svelte';
  import Redo from '@lucide/svelte/icons/redo-2';
  import Undo from '@lucide/svelte/icons/undo-2';
  import { beforeNavigate, goto } from '$app/navigation';
  import { page } from '$app/state';
  import { sentenceOf } from '$lib/api/client';
  import { on } from '$lib/api/events';
  import { askAnew, sitePlan } from '$lib/api/queries';
  import ItemFields from '$lib/arrangements/ItemFields.svelte';
  import KindChoice from '$lib/arrangements/KindChoice.svelte';
  import { Opened } from '$lib/arrangements/opened.svelte';
  import ReadIn from '$lib/arrangements/ReadIn.svelte';
  import RunningOrder from '$lib/arrangements/RunningOrder.svelte';
  import WordsTable from '$lib/arrangements/WordsTable.svelte';
  import { classes } from '$lib/model/choices';
  import type { WidthClass } from '$lib/model/attrs';
  import TextField from '$lib/fields/TextField.svelte';
  import FilePick from '$lib/ui/FilePick.svelte';
  import FromLibrary from '$lib/media/FromLibrary.svelte';
  import PageFrame from '$lib/ui/PageFrame.svelte';
  import { undoKey } from '$lib/ui/undoKey';
  import { count } from '$lib/model/words';

  const opened = new Opened(page.params.id ?? '');
  const site = createQuery(sitePlan);
  let failed = $state('');
  let at = $state<WidthClass>('desktop');
  let table = $state(false);
  let styled = $state(0);
  const item = $derived(
    opened.wish?.items.find((one) => opened.choosing.ids.size === 1 && opened.choosing.ids.has(one.id)),
  );
  onMount(() => {
    opened.load().catch((error) => (failed = sentenceOf(error)));
    const offs = [
      on('arrangement', (sent) => sent.id === opened.id && void opened.heard(sent.version)),
      on('again', () => void opened.heardAgain()),
      // A look that it has may be another now.
      on('site', async () => {
        await askAnew(sitePlan());
        styled++;
        opened.kept++;
      }),
    ];
    return () => offs.forEach((off) => off());
  });
  beforeNavigate(() => void opened.keep());

  async function showHistory() {
    await opened.keep();
    await goto(`/arrangements/${opened.id}/history`);
  }

  function keys(event: KeyboardEvent) {
    const step = undoKey(event);
    if (!step) return;
    event.preventDefault();
    opened[step]();
  }
</script>

<svelte:window
  onkeydown={keys}
  onbeforeunload={(event) => {
    if (!opened.isUnkept) return;
    void opened.keep();
    event.preventDefault();
  }}
/>
<svelte:head><title>{opened.wish?.name ?? 'Arrangement'} · Dekoro</title></svelte:head>

{#if failed}
  <p class="dk-problem p-6 text-read" role="alert">{failed} <a class="dk-link" href="/arrangements">To the list</a></p>
{:else if opened.wish && opened.look && site.data}
  <div class="flex min-h-0 flex-1">
    <aside aria-label="Sheet" class="w-[296px] flex-none overflow-y-auto border-r border-hair bg-base-100">
      <div class="border-b border-hair px-4 py-3">
        <TextField
          label="Name"
          value={opened.wish.name}
          required="Give it a name: pages and lists call it by it."
          onset={(name) => opened.setName(name)}
        />
        <p class="mt-1.5 text-quiet">
          {count(opened.wish.items.length, 'picture')},
          {opened.look.usedIn.length > 0
            ? `on ${opened.look.usedIn.map((one) => one.title).join(', ')}`
            : 'on no page yet'}
        </p>
        <div class="mt-2 flex flex-wrap gap-1.5">
          <button class="dk-button" disabled={!opened.canUndo} onclick={opened.undo}><Undo size={14} />Undo</button>
          <button class="dk-button" disabled={!opened.canRedo} onclick={opened.redo}><Redo size={14} />Redo</button>
          <button class="dk-button" onclick={showHistory}>History</button>
        </div>
      </div>
      <KindChoice {opened} site={site.data} />
    </aside>
    <div class="flex min-w-0 flex-1 flex-col">
      <div class="flex flex-none items-center gap-1.5 border-b border-hair px-4 py-2" role="group" aria-label="Width">
        {#each classes as c (c)}
          <button class="dk-button dk-tabular" aria-pressed={at === c} onclick={() => (at = c)}
            >{c} {site.data.classes.referencePx[c]}</button
          >
        {/each}
        <button class="dk-button ml-auto" aria-pressed={table} onclick={() => (table = !table)}>Words table</button>
      </div>
      {#if table}<WordsTable {opened} />{:else}
        <div class="min-h-0 flex-1 bg-table p-4">
          <PageFrame
            src="/stage/{opened.id}"
            anew={opened.kept}
            {styled}
            shows={item && `stage-${item.id}`}
            title="The arrangement at {site.data.classes.referencePx[at]} px"
            widthPx={site.data.classes.referencePx[at]}
          />
        </div>
      {/if}
      <section aria-label="Pictures" class="flex-none border-t border-base-content bg-base-100 px-4 py-2">
        <div class="mb-1 flex flex-wrap items-center gap-x-3 gap-y-1">
          <h2 class="font-semibold whitespace-nowrap" title="Drag, or use the arrows">Running order</h2>
          <span class="ml-auto"></span>
          {#if !opened.wish.follows}
            <FromLibrary label="From the library" onchoose={(ids) => opened.add(ids)} />
            <ReadIn {opened} />
            <FilePick label="Pictures to add" onfiles={(files) => void opened.addFiles(files)}
              >From this computer</FilePick
            >
          {:else}
            <span class="text-quiet">These come from the search “{opened.wish.follows}”: the library adds to them.</span
            >
          {/if}
        </div>
        <RunningOrder {opened} limits={site.data.arrangements} />
      </section>
    </div>
    {#if item}
      <aside
        aria-label="Picture"
        class="w-[296px] flex-none overflow-y-auto border-l border-hair bg-base-100 px-4 py-3"
      >
        <h2 class="mb-2 font-semibold">{opened.titleOf(item)}</h2>
        {#key item.id}<ItemFields {opened} {item} limits={site.data.arrangements} />{/key}
      </aside>
    {/if}
  </div>
{/if}
