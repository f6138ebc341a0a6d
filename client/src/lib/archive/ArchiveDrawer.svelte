<!-- The archive's search in the drawer: by words and by its own fields; what is chosen goes into the library and onto the page. -->
<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { SvelteSet } from 'svelte/reactivity';
  import { answer, api, sentenceOf } from '$lib/api/client';
  import { queryClient } from '$lib/api/queries';
  import SearchField from '$lib/ui/SearchField.svelte';
  import { count } from '$lib/model/words';
  import ArchiveItems from './ArchiveItems.svelte';
  import { findInArchive, siteArchive } from './archive.svelte';

  let { onplace }: { onplace: (ids: string[]) => void } = $props();
  const at = createQuery(siteArchive);
  const address = $derived(at.data?.address ?? '');
  let query = $state('');
  let asList = $state(false);
  let isTaking = $state(false);
  let said = $state('');
  let problem = $state('');
  const chosen = new SvelteSet<number>();
  const found = findInArchive(
    () => address,
    () => query,
  );
  const archive = $derived(found.data?.pages[0]);
  const items = $derived(found.data?.pages.flatMap((one) => one.items) ?? []);
  const fields = $derived([...new Set((archive?.choices ?? []).map((choice) => choice.label))]);

  async function take() {
    [isTaking, said, problem] = [true, '', ''];
    try {
      const { files } = await answer(api.POST('/api/archive/take', { body: { address, items: [...chosen] } }));
      const ids = files.flatMap((one) => (one.id ? [one.id] : []));
      const missed = files.filter((one) => one.error);
      problem = missed.map((one) => `${one.name}: ${one.error}`).join(' ');
      if (missed.length === 0) chosen.clear();
      if (ids.length > 0) said = `${count(ids.length, 'picture')} placed.`;
      await queryClient.invalidateQueries({ queryKey: ['files'] });
      onplace(ids);
    } catch (error) {
      problem = sentenceOf(error);
    } finally {
      isTaking = false;
    }
  }
</script>

<div class="flex flex-none flex-wrap items-center gap-2 border-t border-hair px-4 py-1.5">
  <SearchField
    bind:query
    label="Search the archive"
    placeholder="lantern maker:renn year:1964 …"
    found={archive ? `${archive.total} of ${archive.all}` : ''}
  />
  {#each fields as field (field)}
    {@const choices = archive?.choices.filter((choice) => choice.label === field) ?? []}
    {@const on = choices.find((choice) => choice.isOn)}
    <select
      class="dk-field w-32!"
      aria-label={field}
      value={on?.value ?? ''}
      onchange={(event) => {
        const to = choices.find((choice) => choice.value === event.currentTarget.value) ?? on;
        if (to) query = to.line ? `${to.line} ` : '';
      }}
    >
      <option value="">{field}: all</option>
      {#each choices as choice (choice.value)}
        <option value={choice.value} disabled={choice.count === 0 && !choice.isOn}
          >{choice.value} ({choice.count})</option
        >
      {/each}
    </select>
  {/each}
  <span class="flex gap-1" role="group" aria-label="Shown as">
    <button class="dk-button" aria-pressed={!asList} onclick={() => (asList = false)}>pictures</button>
    <button class="dk-button" aria-pressed={asList} onclick={() => (asList = true)}>a list</button>
  </span>
  <span class="min-w-0 flex-1 truncate text-right" role="status">
    {#if isTaking}Fetching {count(chosen.size, 'picture')} …{:else}{said}{/if}
  </span>
  <button class="dk-button" disabled={chosen.size === 0} onclick={() => chosen.clear()}>Choose none</button>
  <button class="dk-button main" disabled={chosen.size === 0 || isTaking} onclick={() => void take()}
    >Place {count(chosen.size, 'picture')}</button
  >
</div>
{#if problem}<p class="dk-problem flex-none px-4 pb-1.5" role="alert">{problem}</p>{/if}
<div
  class="min-h-0 flex-1 overflow-y-auto border-t border-hair bg-base-200"
  onscroll={({ currentTarget: box }) =>
    box.scrollTop + box.clientHeight > box.scrollHeight - 400 &&
    found.hasNextPage &&
    !found.isFetching &&
    void found.fetchNextPage()}
>
  {#if found.error}
    <p class="dk-problem p-4 text-read" role="alert">
      {sentenceOf(found.error)} <button class="dk-link" onclick={() => void found.refetch()}>Try again</button>
    </p>
  {:else if !archive}
    <p class="p-4 text-read text-quiet" role="status">Reading the archive’s catalogue …</p>
  {:else if archive.total === 0}
    <p class="p-4 text-read">Nothing answers to “{query.trim()}”. Fewer or shorter words find more.</p>
  {:else}
    <ArchiveItems {items} {address} {asList} {chosen} heightPx={96} />
  {/if}
</div>
