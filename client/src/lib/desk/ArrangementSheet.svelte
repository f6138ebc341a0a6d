<!-- An arrangement on a page: how far it reaches here; its layout and pictures, which change on every page that shows it. -->
<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { onMount, untrack } from 'svelte';
  import { sentenceOf } from '$lib/api/client';
  import { on } from '$lib/api/events';
  import { arrangementList } from '$lib/api/queries';
  import KindChoice from '$lib/arrangements/KindChoice.svelte';
  import RunningOrder from '$lib/arrangements/RunningOrder.svelte';
  import { sizeWords } from '$lib/model/choices';
  import type { Desk } from './desk.svelte';
  import PieceMoves from './PieceMoves.svelte';
  import type { ArrangementAttrs } from '$lib/model/attrs';

  let { desk, id, attrs }: { desk: Desk; id: string; attrs: ArrangementAttrs } = $props();
  const all = createQuery(arrangementList);
  const opened = untrack(() => desk.sets.of(attrs.arrangement));
  let failed = $state('');
  const reaches = ['column', 'wide', 'edge'] as const;
  const elsewhere = $derived(opened.look?.usedIn.filter((page) => page.id !== desk.id) ?? []);

  onMount(() => {
    if (attrs.arrangement) opened.load().catch((error) => (failed = sentenceOf(error)));
    desk.openedSet = opened;
    const offs = [
      on('arrangement', (sent) => sent.id === opened.id && void opened.heard(sent.version)),
      on('again', () => void opened.heardAgain()),
    ];
    return () => {
      offs.forEach((off) => off());
      desk.openedSet = null;
      void opened.keep();
    };
  });
</script>

<svelte:window
  onbeforeunload={(event) => {
    if (!opened.isUnkept) return;
    void opened.keep();
    event.preventDefault();
  }}
/>

<div class="border-b border-hair px-4 py-3">
  <PieceMoves {desk} name={opened.wish?.name ?? 'Arrangement'} />
  {#if opened.wish}
    <p class="mt-1 text-quiet">
      {elsewhere.length > 0
        ? `Also on ${elsewhere.map((page) => page.title).join(', ')}: what changes here changes there.`
        : 'On this page alone.'}
    </p>
    <div class="mt-2 flex flex-wrap gap-1.5">
      {#if !opened.wish.follows}
        <button class="dk-button main" onclick={() => (desk.drawerOpen = true)}>Add pictures</button>
      {/if}
      <a class="dk-link self-center" href="/arrangements/{opened.id}">Open by itself</a>
    </div>
  {/if}
  {#if failed}<p class="dk-problem mt-1" role="alert">{failed}</p>{/if}
  <label class="dk-label mt-3" for="which-arrangement">Shown here</label>
  <select
    id="which-arrangement"
    class="dk-field"
    value={attrs.arrangement}
    onchange={(event) => desk.set(id, { arrangement: event.currentTarget.value })}
  >
    {#if !attrs.arrangement}<option value="">choose one</option>{/if}
    {#each all.data?.arrangements ?? [] as one (one.id)}<option value={one.id}>{one.name}</option>{/each}
  </select>
  <h3 class="dk-label mt-3">Reaches over</h3>
  <div class="flex gap-1.5" role="group" aria-label="Reaches over">
    {#each reaches as reach (reach)}
      <button class="dk-button" aria-pressed={attrs.reach === reach} onclick={() => desk.set(id, { reach })}
        >{sizeWords(reach, desk.site.sizes)}</button
      >
    {/each}
  </div>
</div>
{#if opened.wish}
  <div class="border-b border-hair px-4 py-3">
    <h3 class="mb-2 font-semibold">Pictures</h3>
    <RunningOrder {opened} limits={desk.site.arrangements} tall />
  </div>
  <KindChoice {opened} site={desk.site} />
{/if}
