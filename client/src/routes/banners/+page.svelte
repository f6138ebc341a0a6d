<!-- What stands at the top of which page, and when: a year of banners, and any day of it as visitors see it. -->
<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { onMount } from 'svelte';
  import ChevronLeft from '@lucide/svelte/icons/chevron-left';
  import ChevronRight from '@lucide/svelte/icons/chevron-right';
  import Plus from '@lucide/svelte/icons/plus';
  import Redo from '@lucide/svelte/icons/redo-2';
  import Undo from '@lucide/svelte/icons/undo-2';
  import { beforeNavigate } from '$app/navigation';
  import { page } from '$app/state';
  import { sentenceOf } from '$lib/api/client';
  import { on } from '$lib/api/events';
  import { sitePlan } from '$lib/api/queries';
  import { Banners } from '$lib/banners/banners.svelte';
  import CalendarSheet from '$lib/banners/CalendarSheet.svelte';
  import BannerSheet from '$lib/banners/BannerSheet.svelte';
  import DayView from '$lib/banners/DayView.svelte';
  import YearStrip from '$lib/banners/YearStrip.svelte';
  import FromLibrary from '$lib/media/FromLibrary.svelte';
  import { uploads } from '$lib/media/uploads.svelte';
  import FilePick from '$lib/ui/FilePick.svelte';
  import { undoKey } from '$lib/ui/undoKey';

  const banners = new Banners();
  const site = createQuery(sitePlan);
  let failed = $state('');
  let planning = $state(false);
  onMount(() => {
    const asked = page.url.searchParams;
    [banners.pageId, banners.day] = [asked.get('page') ?? '', asked.get('day') ?? ''];
    banners
      .load()
      .then(() => {
        // Whoever chose one meanwhile goes on with it.
        if (banners.chosen) return;
        banners.choose(asked.get('banner') ?? banners.times.shownOn(banners.day) ?? banners.items[0]?.id ?? null);
      })
      .catch((error) => (failed = sentenceOf(error)));
    const offs = [
      on('banner', () => void banners.heard()),
      on('again', () => void banners.heard()),
      on('site', () => void banners.seen()),
    ];
    return () => offs.forEach((off) => off());
  });
  beforeNavigate(() => void banners.keep());

  async function fromFiles(files: File[]) {
    const pictures = (await uploads.add(files)).filter((id) => id !== null);
    for (const assetId of pictures) await banners.begin({ assetId });
  }

  function keys(event: KeyboardEvent) {
    const step = undoKey(event);
    if (!step) return;
    event.preventDefault();
    void banners.steps[step]();
  }
</script>

<svelte:window
  onkeydown={keys}
  onbeforeunload={(event) => {
    if (!banners.isUnkept) return;
    void banners.keep();
    event.preventDefault();
  }}
/>
<svelte:head><title>Banners · Dekoro</title></svelte:head>

<CalendarSheet bind:open={planning} {banners} onmake={(event) => banners.begin(event)} />
<h1 class="sr-only">Banners</h1>
{#if failed}
  <p class="dk-problem p-6 text-read" role="alert">{failed}</p>
{:else if banners.list && site.data}
  <div class="flex flex-none flex-wrap items-center gap-x-3 gap-y-1 border-b border-hair px-4 py-1.5">
    <label class="flex items-center gap-1.5 text-quiet"
      >On<select
        class="dk-field w-52! text-base-content"
        aria-label="Page whose top is shown"
        value={banners.pageId}
        onchange={(event) => {
          banners.pageId = event.currentTarget.value;
          void banners.seen();
        }}
      >
        {#each banners.list.pages as one (one.id)}<option value={one.id}>{one.title}</option>{/each}
      </select></label
    >
    <span class="flex items-center" role="group" aria-label="Year">
      <button class="dk-button bare" aria-label="The year before" onclick={() => banners.goTo(banners.year - 1)}
        ><ChevronLeft size={16} /></button
      >
      <span class="dk-tabular px-1 font-semibold">{banners.year}</span>
      <button class="dk-button bare" aria-label="The year after" onclick={() => banners.goTo(banners.year + 1)}
        ><ChevronRight size={16} /></button
      >
    </span>
    <p class="min-w-0 flex-1 truncate" role="status">
      {#if banners.problem && !banners.theirs}<span class="dk-problem">{banners.problem}</span>{/if}
    </p>
    <button
      class="dk-button bare"
      disabled={!banners.steps.canUndo}
      aria-label="Undo"
      onclick={() => void banners.steps.undo()}><Undo size={16} /></button
    >
    <button
      class="dk-button bare"
      disabled={!banners.steps.canRedo}
      aria-label="Redo"
      onclick={() => void banners.steps.redo()}><Redo size={16} /></button
    >
    <button class="dk-button" onclick={() => (planning = true)}>Calendar</button>
    {#if banners.items.length > 0}{@render beginnings()}{/if}
  </div>
  {#if banners.theirs}
    <div class="flex flex-none items-center gap-3 border-b border-hair bg-wash px-5 py-2" role="alert">
      <p class="flex-1">{banners.problem} It is called “{banners.theirs.values.name}” there.</p>
      <button class="dk-button main" onclick={() => banners.keepMine()}>Go on with mine</button>
      <button class="dk-button" onclick={() => banners.takeTheirs()}>Take theirs (undo brings mine back)</button>
    </div>
  {/if}
  {#if banners.items.length === 0}
    <div class="max-w-[64ch] p-8 text-read">
      <p>
        A banner is the large picture, film or colour with words at the top of pages. Give it first and last days, and
        it comes and goes by itself, every year if you like.
      </p>
      <p class="mt-2 text-quiet">Begin with a picture, or with “Add a banner” for words on a colour.</p>
      <div class="mt-4 flex flex-wrap gap-2">{@render beginnings()}</div>
    </div>
  {:else}
    <YearStrip {banners} />
    <div class="flex min-h-0 flex-1">
      {#if banners.pageId}<DayView {banners} site={site.data} />{/if}
      {#if banners.banner}
        <aside aria-label="Banner" class="w-[320px] flex-none overflow-y-auto border-l border-hair bg-base-100">
          {#key banners.banner.id}<BannerSheet {banners} site={site.data} />{/key}
        </aside>
      {/if}
    </div>
  {/if}
{/if}

{#snippet beginnings()}
  <FromLibrary
    label="From the library"
    many={false}
    through={{ size: 'edge', shape: '' }}
    onchoose={([assetId]) => assetId && void banners.begin({ assetId })}
  />
  <FilePick label="Picture for a new banner" onfiles={(files) => void fromFiles(files)}>From this computer</FilePick>
  <button class="dk-button" onclick={() => void banners.begin({})}><Plus size={15} />Add a banner</button>
{/snippet}
