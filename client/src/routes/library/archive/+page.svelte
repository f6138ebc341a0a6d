<!-- An outside archive: searched by its own fields, looked at in small, several taken at once. -->
<script lang="ts">
  import { SvelteSet } from 'svelte/reactivity';
  import { page } from '$app/state';
  import ArchiveFound from '$lib/archive/ArchiveFound.svelte';
  import ShownAs from '$lib/archive/ShownAs.svelte';
  import { findInArchive } from '$lib/archive/archive.svelte';
  import { intake } from '$lib/intake/intake.svelte';
  import SearchField from '$lib/ui/SearchField.svelte';
  import { count } from '$lib/model/words';

  const address = $derived(page.url.searchParams.get('address') ?? '');
  let query = $state('');
  let asList = $state(false);
  const chosen = new SvelteSet<number>();

  const found = findInArchive(
    () => address,
    () => query,
  );
  const archive = $derived(found.data?.pages[0]);
  const fields = $derived([...new Set((archive?.choices ?? []).map((choice) => choice.label))]);
</script>

<svelte:head><title>{archive?.label ?? 'Archive'} · Dekoro</title></svelte:head>

<div class="flex min-h-0 flex-1">
  <aside aria-label="Narrow by field" class="w-56 flex-none overflow-y-auto border-r border-hair px-4 py-3">
    <p><a class="dk-link" href="/library/in">From elsewhere</a></p>
    <h1 class="mt-2 text-read">{archive?.label ?? 'Archive'}</h1>
    {#if archive}
      <p class="text-quiet">{archive.summary}</p>
      {#each fields as field (field)}
        <div role="group" aria-label={field} class="mt-4">
          <h2 class="text-quiet">{field}</h2>
          {#each archive.choices.filter((choice) => choice.label === field) as choice (choice.value)}
            <button
              class="dk-choice dk-tabular"
              aria-pressed={choice.isOn}
              disabled={choice.count === 0 && !choice.isOn}
              onclick={() => (query = choice.line ? `${choice.line} ` : '')}
            >
              <span class="min-w-0 flex-1 truncate">{choice.value}</span>{choice.count}
            </button>
          {/each}
        </div>
      {/each}
    {/if}
  </aside>
  <div class="flex min-w-0 flex-1 flex-col">
    <div class="flex items-center gap-3 border-b border-hair bg-base-200 px-5 py-2.5">
      <SearchField
        bind:query
        label="Search the archive"
        placeholder="lantern maker:renn year:1964 …"
        found={archive ? `${archive.total} of ${archive.all}` : ''}
      />
      <ShownAs bind:asList />
    </div>
    <ArchiveFound {found} {address} {query} {asList} {chosen} heightPx={130} />
    <div class="flex flex-none items-center gap-3 border-t border-base-content bg-base-100 px-5 py-2">
      <p class="flex-1" role="status">
        {#if intake.problem}<span class="dk-problem">{intake.problem}</span>
        {:else if intake.reading}Fetching {count(chosen.size, 'picture')} …
        {:else if chosen.size > 0}<strong>{count(chosen.size, 'picture')} chosen.</strong>
          <span class="text-quiet">Labels, credits and rights come with them.</span>
        {:else}<span class="text-quiet">Click pictures to choose them; Shift takes all up to there.</span>{/if}
      </p>
      <button class="dk-button" disabled={chosen.size === 0} onclick={() => chosen.clear()}>Choose none</button>
      <button
        class="dk-button main"
        disabled={chosen.size === 0 || intake.reading !== ''}
        onclick={() => intake.archive(address, [...chosen])}>Look at what comes</button
      >
    </div>
  </div>
</div>

<style>
  .dk-choice {
    display: flex;
    width: 100%;
    min-height: 24px;
    align-items: center;
    gap: 8px;
    padding-inline: 6px;
    margin-inline: -6px;
    border-radius: 4px;
    text-align: left;
    cursor: pointer;
  }
  .dk-choice:hover {
    background: var(--color-base-200);
  }
  .dk-choice:disabled {
    color: var(--dk-ink-2);
    cursor: default;
  }
  .dk-choice[aria-pressed='true'] {
    background: var(--color-neutral);
    color: var(--color-neutral-content);
  }
</style>
