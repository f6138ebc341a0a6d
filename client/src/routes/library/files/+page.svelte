<!-- Files that are no pictures: found, opened, added. -->
<script lang="ts">
  import { createQuery, keepPreviousData } from '@tanstack/svelte-query';
  import Plus from '@lucide/svelte/icons/plus';
  import { sentenceOf } from '$lib/api/client';
  import ViewChoice from '$lib/library/ViewChoice.svelte';
  import { kindWords, otherFiles } from '$lib/media/otherFiles';
  import { uploads } from '$lib/media/uploads.svelte';
  import FilePick from '$lib/ui/FilePick.svelte';
  import SearchField from '$lib/ui/SearchField.svelte';
  import TypeMark from '$lib/media/TypeMark.svelte';
  import { count, dayOf, weight } from '$lib/model/words';

  let query = $state('');
  const found = createQuery(() => ({ ...otherFiles(query.trim()), placeholderData: keepPreviousData }));
  const items = $derived(found.data?.items.filter((item) => !item.awaySince) ?? []);
  const away = $derived(found.data?.items.filter((item) => item.awaySince) ?? []);
</script>

<svelte:head><title>Other files · Dekoro</title></svelte:head>
<div
  class="flex min-h-0 flex-1 flex-col"
  role="region"
  aria-label="Other files"
  ondrop={(event) => {
    event.preventDefault();
    void uploads.add(event.dataTransfer?.files ?? []);
  }}
>
  <h1 class="sr-only">Other files</h1>
  <div class="flex items-center gap-3 border-b border-hair bg-base-200 px-5 py-2.5">
    <SearchField
      bind:query
      label="Search the other files"
      placeholder="programme pdf …"
      found={found.data ? count(items.length, 'file') : ''}
    />
    <ViewChoice view="others" />
    <FilePick label="Add files" onfiles={(files) => void uploads.add(files)}><Plus size={15} />Add files</FilePick>
  </div>
  {#if found.error}<p class="dk-problem p-5" role="alert">{sentenceOf(found.error)}</p>{/if}
  <div class="min-h-0 flex-1 overflow-y-auto bg-base-200 px-5 py-3">
    {#if found.data && items.length === 0}
      <p class="max-w-[56ch] p-3 text-read">
        {query.trim() === ''
          ? 'Documents, sound, video and packed files are kept here, to link to from any page. ' +
            'Drop them on this screen, or add them from this computer.'
          : `No file answers to “${query.trim()}”. Fewer or shorter words find more.`}
      </p>
    {/if}
    <ul aria-label="Files">
      {#each items as item (item.id)}
        <li class="border-b border-hair">
          <a class="dk-file flex items-center gap-4 py-2.5" href="/library/files/{item.id}">
            <TypeMark name={item.typeName} />
            <span class="min-w-0 flex-1">
              <span class="block truncate text-read">{item.title}</span>
              <span class="block truncate text-quiet">{item.fileName}{item.folder ? ` · ${item.folder}` : ''}</span>
            </span>
            <span class="dk-tabular w-44 text-quiet">{kindWords[item.kind]} · {weight(item.bytes)}</span>
            <span class="w-32 text-quiet"
              >{item.standsIn.length === 0 ? 'not linked' : `linked on ${count(item.standsIn.length, 'page')}`}</span
            >
            <span class="w-28 text-right text-quiet">{dayOf(item.addedAt)}</span>
          </a>
        </li>
      {/each}
    </ul>
    {#if away.length > 0}
      <h2 class="mt-6 text-quiet">Removed, for 30 days still here</h2>
      <ul aria-label="Files removed">
        {#each away as item (item.id)}
          <li><a class="dk-link" href="/library/files/{item.id}">{item.title}</a></li>
        {/each}
      </ul>
    {/if}
  </div>
</div>

<style>
  .dk-file:hover {
    background: var(--color-base-100);
  }
</style>
