<!-- Files that lie in the data folder and that no record names: seen, and taken into the library again. -->
<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { answer, api, sentenceOf } from '$lib/api/client';
  import { queryClient } from '$lib/api/queries';
  import Sheet from '$lib/ui/Sheet.svelte';
  import { count, dayOf, weight } from '$lib/model/words';

  const list = createQuery(() => ({
    queryKey: ['files', 'quarantine'],
    queryFn: () => answer(api.GET('/api/quarantine')),
  }));
  const files = $derived(list.data?.files ?? []);
  let open = $state(false);
  let problem = $state('');

  async function restore(name: string) {
    problem = '';
    try {
      await answer(api.POST('/api/quarantine/{name}/restore', { params: { path: { name } } }));
      await queryClient.invalidateQueries({ queryKey: ['files'] });
    } catch (error) {
      problem = sentenceOf(error);
    }
  }
</script>

{#if files.length > 0}
  <p class="flex items-center gap-3 border-b border-hair bg-wash px-5 py-1.5" role="status">
    <span class="flex-1"
      >{count(files.length, 'file')} in the data folder {files.length === 1 ? 'has' : 'have'} no record.</span
    >
    <button class="dk-button" onclick={() => (open = true)}>Look at {files.length === 1 ? 'it' : 'them'}</button>
  </p>
{/if}
<Sheet bind:open title="Files without a record">
  <p class="text-quiet">
    They were found when Dekoro started: the database does not know them, as after an older copy of it was put back.
    They wait {list.data?.waitDays} days. Taken into the library, each is there again under a new title.
  </p>
  <ul class="mt-3 divide-y divide-hair border-y border-hair" aria-label="Files without a record">
    {#each files as file (file.name)}
      <li class="flex items-center gap-4 py-2">
        <span class="grid h-14 w-20 place-items-center bg-table">
          <img
            src="/api/quarantine/{file.name}/picture"
            alt=""
            class="max-h-14 max-w-20"
            onerror={(event) => (event.currentTarget as HTMLElement).remove()}
          />
        </span>
        <span class="dk-tabular min-w-0 flex-1">
          {weight(file.bytes)}
          <span class="block text-quiet">found on {dayOf(file.since)}, goes on {dayOf(file.goesOn)}</span>
        </span>
        <button class="dk-button" onclick={() => void restore(file.name)}>Into the library</button>
      </li>
    {:else}
      <li class="py-2 text-quiet">All of them are in the library again.</li>
    {/each}
  </ul>
  {#if problem}<p class="dk-problem mt-2" role="alert">{problem}</p>{/if}
</Sheet>
