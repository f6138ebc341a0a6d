<!-- All arrangements: what is in each, and where it stands. -->
<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { goto } from '$app/navigation';
  import Plus from '@lucide/svelte/icons/plus';
  import { answer, api, proofOf, sentenceOf } from '$lib/api/client';
  import { arrangementList, queryClient } from '$lib/api/queries';
  import { kinds } from '$lib/arrangements/names';
  import { uploads } from '$lib/media/uploads.svelte';
  import FilePick from '$lib/ui/FilePick.svelte';
  import { count } from '$lib/model/words';

  const list = createQuery(arrangementList);
  let name = $state('');
  let problem = $state('');

  async function make(pictures: string[]) {
    problem = '';
    try {
      const made = await answer(
        api.POST('/api/arrangements', { body: { name: name.trim() || 'Without a name yet', pictures } }),
      );
      await goto(`/arrangements/${made.id}`);
    } catch (error) {
      problem = sentenceOf(error);
    }
  }

  /** The one that was removed last: a press brings it back. */
  let away = $state.raw<{ id: string; name: string } | null>(null);

  async function takeAway(one: { id: string; name: string }) {
    problem = '';
    try {
      await answer(api.DELETE('/api/arrangements/{id}', { params: { path: { id: one.id } } }));
      away = { id: one.id, name: one.name };
      await queryClient.invalidateQueries({ queryKey: ['arrangements'] });
    } catch (error) {
      problem = sentenceOf(error);
    }
  }
  async function putBack(id: string) {
    problem = '';
    try {
      await answer(api.POST('/api/arrangements/{id}/back', { params: { path: { id } } }));
      away = null;
      await queryClient.invalidateQueries({ queryKey: ['arrangements'] });
    } catch (error) {
      problem = sentenceOf(error);
    }
  }
</script>

<svelte:head><title>Arrangements · Dekoro</title></svelte:head>

<div class="min-h-0 flex-1 overflow-y-auto bg-base-200 px-6 pb-10">
  <div class="flex flex-wrap items-end gap-3 pt-5 pb-4">
    <h1 class="mr-auto text-read font-semibold">Arrangements</h1>
    <div>
      <label class="dk-label" for="new-name">Name of a new one</label>
      <input id="new-name" class="dk-field w-64" bind:value={name} placeholder="Kites of the hall" />
    </div>
    <button class="dk-button" disabled={!name.trim()} onclick={() => void make([])}><Plus size={15} />Empty</button>
    <FilePick
      label="Pictures for a new arrangement"
      onfiles={async (files) => void make((await uploads.add(files)).filter((id) => id !== null))}
      >Of pictures from this computer</FilePick
    >
  </div>
  {#if problem}<p class="dk-problem pb-3" role="alert">{problem}</p>{/if}
  {#if away}
    <p class="mb-3 flex items-center gap-3 border border-hair bg-base-100 px-4 py-2" role="status">
      <span class="flex-1">“{away.name}” is removed. It waits for 30 days, and its pictures stay in the library.</span>
      <button class="dk-button" onclick={() => away && void putBack(away.id)}>Undo</button>
    </p>
  {/if}
  {#if list.data?.arrangements.length === 0}
    <p class="max-w-[60ch] text-read text-quiet">
      No arrangement yet. Name one above; or choose several pictures in the library at the foot of a page and place them
      as a gallery.
    </p>
  {/if}
  <ul class="grid gap-3">
    {#each list.data?.arrangements ?? [] as one (one.id)}
      <li class="flex items-center gap-5 border-t border-hair bg-base-100 px-4 py-3">
        <a class="flex min-w-0 flex-1 items-center gap-5" href="/arrangements/{one.id}">
          <span class="w-56 flex-none">
            <span class="block truncate text-read font-semibold">{one.name}</span>
            <span class="text-quiet">{kinds[one.kind]}, {count(one.count, 'picture')}</span>
          </span>
          <span class="flex h-14 min-w-0 flex-1 gap-1 overflow-hidden">
            {#each one.pictures as asset, i (i)}<img src={proofOf(asset, 160)} alt="" class="h-14 w-auto" />{/each}
          </span>
        </a>
        <span class="w-56 flex-none text-quiet"
          >{one.usedIn.length > 0 ? `on ${one.usedIn.map((page) => page.title).join(', ')}` : 'on no page yet'}</span
        >
        <button
          class="dk-button"
          disabled={one.usedIn.length > 0}
          title={one.usedIn.length > 0 ? 'It stands on a page: take it out there first' : undefined}
          aria-label="Remove “{one.name}”"
          onclick={() => void takeAway(one)}>Remove</button
        >
      </li>
    {/each}
  </ul>
</div>
