<!-- Gallery, slider or carousel: a change keeps pictures, words and links, and what was set for the other kinds. -->
<script lang="ts">
  import type { SiteLook } from '$lib/api/client';
  import GalleryFields from './GalleryFields.svelte';
  import { entriesOf, kinds } from './names';
  import type { Opened } from './opened.svelte';
  import LargerFields from './LargerFields.svelte';
  import LookOfSet from './LookOfSet.svelte';
  import SliderFields from './SliderFields.svelte';
  import WhereFrom from './WhereFrom.svelte';

  let { opened, site }: { opened: Opened; site: SiteLook } = $props();
  /** What it shows is asked for where a picture leads to it. */
  const opensLarger = $derived(
    Object.values(opened.look?.itemWords ?? {}).some((item) => item.leadsTo === 'largeFile'),
  );
</script>

{#if opened.problem}
  <div class="border-b border-hair bg-wash px-4 py-3" role="alert">
    <p class="dk-problem">{opened.problem}</p>
    {#if opened.theirs}
      <div class="mt-2 flex flex-wrap gap-1.5">
        <button class="dk-button main" onclick={() => opened.keepMine()}>Go on with mine</button>
        <button class="dk-button" onclick={() => opened.takeTheirs()}>Take theirs</button>
      </div>
    {/if}
  </div>
{/if}
{#if opened.look?.notices.length}
  <div class="border-b border-hair px-4 py-3" role="status">
    {#each opened.look.notices as notice, i (i)}<p class="text-soft">{notice}</p>{/each}
  </div>
{/if}
<div class="border-b border-hair px-4 py-3">
  <div class="flex gap-1.5" role="group" aria-label="Kind">
    {#each entriesOf(kinds) as [kind, name] (kind)}<button
        class="dk-button"
        aria-pressed={opened.wish!.kind === kind}
        onclick={() => opened.set({ ...opened.wish!, kind })}>{name}</button
      >{/each}
  </div>
</div>
{#if opened.wish!.kind === 'gallery'}<GalleryFields {opened} {site} />{:else}<SliderFields {opened} {site} />{/if}
{#if opensLarger}<LargerFields {opened} />{/if}
<LookOfSet {opened} {site} />
<WhereFrom {opened} />
