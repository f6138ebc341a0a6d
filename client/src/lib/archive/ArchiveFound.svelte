<!-- What a search of an archive finds, more as it is scrolled; what it could not give is named. -->
<script lang="ts">
  import type { SvelteSet } from 'svelte/reactivity';
  import { sentenceOf } from '$lib/api/client';
  import ArchiveItems from './ArchiveItems.svelte';
  import type { findInArchive } from './archive.svelte';

  let {
    found,
    address,
    query,
    asList,
    chosen,
    heightPx,
  }: {
    found: ReturnType<typeof findInArchive>;
    address: string;
    query: string;
    asList: boolean;
    chosen: SvelteSet<number>;
    heightPx: number;
  } = $props();
  const archive = $derived(found.data?.pages[0]);
  const items = $derived(found.data?.pages.flatMap((one) => one.items) ?? []);
  /** So near its end, more is asked for. */
  const nearPx = 600;
</script>

<div
  class="min-h-0 flex-1 overflow-y-auto bg-base-200"
  onscroll={({ currentTarget: box }) =>
    box.scrollTop + box.clientHeight > box.scrollHeight - nearPx &&
    found.hasNextPage &&
    !found.isFetching &&
    void found.fetchNextPage()}
>
  {#if found.error}
    <p class="dk-problem p-5 text-read" role="alert">
      {sentenceOf(found.error)} <button class="dk-link" onclick={() => void found.refetch()}>Try again</button>
    </p>
  {:else if !archive}
    <p class="p-5 text-read text-quiet" role="status">
      {address === '' ? 'Give the archive’s address first.' : 'Reading the archive’s catalogue …'}
    </p>
  {:else if archive.total === 0}
    <p class="p-5 text-read">Nothing answers to “{query.trim()}”. Fewer or shorter words find more.</p>
  {:else}
    <ArchiveItems
      {items}
      {address}
      {asList}
      {chosen}
      {heightPx}
      searching={found.isFetching && !found.isFetchingNextPage}
    />
  {/if}
  {#each archive?.leftOut ?? [] as one, i (i)}
    <p class="border-t border-hair px-5 py-1.5"><span class="text-soft">{one.name}.</span> {one.sentence}</p>
  {/each}
</div>
