<!-- The site's own columns: added, put in order, taken out; what a column holds is kept though it is not shown. -->
<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import ArrowUp from '@lucide/svelte/icons/arrow-up';
  import X from '@lucide/svelte/icons/x';
  import { answer, api, sentenceOf } from '$lib/api/client';
  import { know, ownColumns } from '$lib/api/queries';
  import Sheet from '$lib/ui/Sheet.svelte';

  let { open = $bindable() }: { open: boolean } = $props();
  const list = createQuery(() => ownColumns());
  const columns = $derived(list.data?.columns ?? []);
  let name = $state('');
  let problem = $state('');

  async function set(next: string[]) {
    problem = '';
    try {
      await know(
        ownColumns().queryKey,
        await answer(
          api.PUT('/api/columns', {
            headers: { 'If-Match': `"${list.data?.version ?? 0}"` },
            body: { columns: next, version: 0 },
          }),
        ),
      );
      return true;
    } catch (error) {
      problem = sentenceOf(error);
      await list.refetch();
      return false;
    }
  }
  const earlier = (i: number) =>
    set([...columns.slice(0, i - 1), columns[i]!, columns[i - 1]!, ...columns.slice(i + 1)]);
  async function add(event: SubmitEvent) {
    event.preventDefault();
    if (await set([...columns, name.trim()])) name = '';
  }
</script>

<Sheet bind:open title="Own columns">
  <p class="text-quiet">
    Words that only this site needs, such as an inventory number or who made the kite. Each picture has a field for
    them, the list a column, and the search finds what they hold.
  </p>
  <ul class="mt-3" aria-label="Own columns">
    {#each columns as column, i (column)}
      <li class="flex items-center gap-2 border-t border-hair py-1">
        <span class="min-w-0 flex-1 truncate">{column}</span>
        {#if i > 0}
          <button class="dk-button bare" aria-label="Move {column} earlier" onclick={() => void earlier(i)}
            ><ArrowUp size={15} /></button
          >
        {/if}
        <button
          class="dk-button bare"
          aria-label="Remove {column}"
          onclick={() => void set(columns.filter((one) => one !== column))}><X size={15} /></button
        >
      </li>
    {:else}
      <li class="border-t border-hair py-2 text-quiet">None yet.</li>
    {/each}
  </ul>
  <form class="mt-3 flex items-end gap-2" onsubmit={(event) => void add(event)}>
    <label class="min-w-0 flex-1"
      ><span class="dk-label">A new column</span><input
        class="dk-field"
        bind:value={name}
        maxlength="40"
        autocomplete="off"
      /></label
    >
    <button class="dk-button" disabled={!name.trim()}>Add it</button>
  </form>
  {#if problem}<p class="dk-problem mt-2" role="alert">{problem}</p>{/if}
  <p class="mt-3 text-quiet">A column that is taken out keeps its words: add it again, and they are there.</p>
</Sheet>
