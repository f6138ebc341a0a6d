<!-- One picture for another everywhere: choose it, see before and after in every place, carry it out, put it back. -->
<script lang="ts">
  import { createQuery, keepPreviousData } from '@tanstack/svelte-query';
  import { answer, api, proofOf, sentenceOf, type FileItem, type Schemas } from '$lib/api/client';
  import { queryClient } from '$lib/api/queries';
  import Sheet from '$lib/ui/Sheet.svelte';
  import { count } from '$lib/model/words';
  import ThroughWords from '$lib/media/ThroughWords.svelte';

  let { open = $bindable(), file }: { open: boolean; file: FileItem } = $props();
  let query = $state('');
  let chosen = $state.raw<FileItem | null>(null);
  let done = $state.raw<Schemas['Swapped'] | null>(null);
  let isBack = $state(false);
  let sentence = $state('');
  let problem = $state('');
  const found = createQuery(() => ({
    queryKey: ['files', 'swap', query],
    queryFn: () => answer(api.GET('/api/files', { params: { query: { query, take: 24 } } })),
    placeholderData: keepPreviousData,
    enabled: open,
  }));
  const places = createQuery(() => ({
    queryKey: ['files', 'swap-places', file.id, chosen?.id],
    queryFn: () =>
      answer(api.GET('/api/files/{id}/swap', { params: { path: { id: file.id }, query: { with: chosen!.id } } })),
    enabled: open && chosen !== null && done === null,
  }));

  $effect(() => {
    if (!open) return;
    chosen = done = null;
    sentence = problem = query = '';
    isBack = false;
  });

  async function carry(id: string, body: Schemas['Swap']) {
    problem = '';
    try {
      const now = await answer(api.POST('/api/files/{id}/swap', { params: { path: { id } }, body }));
      await queryClient.invalidateQueries();
      return now;
    } catch (error) {
      problem = sentenceOf(error);
      return null;
    }
  }
  async function swap() {
    done = await carry(file.id, { with: chosen!.id });
    if (done)
      sentence =
        `“${chosen!.words.title}” stands in ${count(done.places, 'place')} on ${count(done.pages, 'page')} now; ` +
        'visitors see it once you publish.';
  }
  async function putBack() {
    if (done && (await carry(chosen!.id, done.undo))) {
      done = null;
      isBack = true;
      sentence = `All is as it was: “${file.words.title}” is back in its places.`;
    }
  }
</script>

<Sheet bind:open title="Swap “{file.words.title}” everywhere">
  {#if sentence}<p class="text-read" role="status">{sentence}</p>{/if}
  {#if !sentence && chosen === null}
    <input
      class="dk-field"
      type="search"
      bind:value={query}
      aria-label="Search for the other picture"
      placeholder="dunes, lantern, wor …"
    />
    <div class="mt-4 grid grid-cols-4 gap-6">
      {#each found.data?.items.filter((item) => item.id !== file.id) ?? [] as item (item.id)}
        <button class="cursor-pointer text-left" onclick={() => (chosen = item)}>
          <img src={proofOf(item.picture, 160)} alt="" class="h-20 w-full object-contain object-left" />
          <span class="mt-1 block truncate">{item.words.title}</span>
        </button>
      {/each}
    </div>
  {:else if !sentence && chosen}
    <table class="w-full border-separate border-spacing-y-3 text-left">
      <thead class="text-quiet">
        <tr
          ><th class="font-normal">Place</th><th class="font-normal">Stands there</th><th class="font-normal"
            >Would stand there</th
          ></tr
        >
      </thead>
      <tbody>
        {#each places.data ?? [] as place, i (i)}
          <tr class="align-top">
            <td class="pr-3"><strong>{place.pageTitle}</strong><br /><span class="text-quiet">{place.size}</span></td>
            <td class="pr-3">
              <img
                src={proofOf(file.picture, 160, place.before.cut)}
                alt=""
                class="mb-1 h-20 w-auto max-w-none"
              /><ThroughWords through={place.before} />
            </td>
            <td>
              <img
                src={proofOf(chosen.picture, 160, place.after.cut)}
                alt=""
                class="mb-1 h-20 w-auto max-w-none"
              /><ThroughWords through={place.after} />
            </td>
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
  {#if problem}<p class="dk-problem mt-2" role="alert">{problem}</p>{/if}
  {#snippet foot()}
    {#if done}
      <button class="dk-button" onclick={putBack}>Restore</button>
      <button class="dk-button main" onclick={() => (open = false)}>Done</button>
    {:else}
      <button
        class="dk-button"
        class:main={isBack}
        onclick={() => (chosen && !sentence ? (chosen = null) : (open = false))}
        >{chosen && !sentence ? 'Another picture' : 'Close'}</button
      >
      {#if chosen && !sentence}
        <button class="dk-button main" disabled={!places.data?.length} onclick={swap}
          >Swap in {count(places.data?.length ?? 0, 'place')}</button
        >
      {/if}
    {/if}
  {/snippet}
</Sheet>
