<!-- The archive's search in the drawer: by words and by its own fields; what is chosen goes into the library and onto the page. -->
<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { SvelteSet } from 'svelte/reactivity';
  import { answer, api, sentenceOf, type Schemas } from '$lib/api/client';
  import { queryClient } from '$lib/api/queries';
  import SearchField from '$lib/ui/SearchField.svelte';
  import { count } from '$lib/model/words';
  import ArchiveFound from './ArchiveFound.svelte';
  import ShownAs from './ShownAs.svelte';
  import { findInArchive, siteArchive } from './archive.svelte';

  let { onplace }: { onplace: (ids: string[], caption: Schemas['CaptionSource']) => void } = $props();
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
  const fields = $derived([...new Set((archive?.choices ?? []).map((choice) => choice.label))]);

  async function take() {
    [isTaking, said, problem] = [true, '', ''];
    try {
      const asked = [...chosen];
      const { files, caption } = await answer(api.POST('/api/archive/take', { body: { address, items: asked } }));
      const ids = files.flatMap((one) => (one.id ? [one.id] : []));
      // What did not come stays chosen, to be tried again.
      asked.forEach((item, i) => files[i]?.id && chosen.delete(item));
      problem = files.flatMap((one) => (one.error ? [`${one.name}: ${one.error}`] : [])).join(' ');
      if (ids.length > 0) said = `${count(ids.length, 'picture')} placed.`;
      await queryClient.invalidateQueries({ queryKey: ['files'] });
      onplace(ids, caption);
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
  <ShownAs bind:asList />
  <span class="min-w-0 truncate" role="status">
    {#if isTaking}Fetching {count(chosen.size, 'picture')} …{:else}{said}{/if}
  </span>
  {#if chosen.size > 0}<button class="dk-button" onclick={() => chosen.clear()}>Choose none</button>{/if}
  <button class="dk-button main" disabled={chosen.size === 0 || isTaking} onclick={() => void take()}
    >{chosen.size === 0 ? 'Place pictures' : `Place ${count(chosen.size, 'picture')}`}</button
  >
</div>
{#if problem}<p class="dk-problem flex-none px-4 pb-1.5" role="alert">{problem}</p>{/if}
<ArchiveFound {found} {address} {query} {asList} {chosen} heightPx={96} />
