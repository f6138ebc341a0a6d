<!-- The same words for several pictures, with what changes shown before it does. -->
<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { answer, api, sentenceOf, type Schemas } from '$lib/api/client';
  import { askAnew, queryClient, thesePictures } from '$lib/api/queries';
  import Sheet from '$lib/ui/Sheet.svelte';
  import { wordLabels } from '$lib/model/wordLabels';
  import { count } from '$lib/model/words';

  let {
    open = $bindable(),
    ids,
    folders,
    ondone,
  }: {
    open: boolean;
    ids: string[];
    folders: string[];
    ondone: (sentence: string, undo: () => Promise<void>) => void;
  } = $props();
  const fields = ['folder', 'credit', 'rights', 'caption', 'keywords'] as const;
  let name = $state<(typeof fields)[number]>('folder');
  /** Null until something is typed: nothing is emptied by only opening this. */
  let value = $state<string | null>(null);
  let problem = $state('');
  // Looked up when they are wanted: those chosen may never have been in view.
  const looked = createQuery(() => ({ ...thesePictures(ids), enabled: open && ids.length > 0 }));
  const items = $derived(looked.data ?? []);
  const label = $derived(wordLabels[name]);
  const to = $derived(value?.trim() ?? null);
  const changed = $derived(to === null ? [] : items.filter((item) => item.words[name] !== to));

  /** Each has again what it had. */
  async function putBack(was: { id: string; words: string }[], field: (typeof fields)[number]) {
    const now = await askAnew(thesePictures(was.map(({ id }) => id)));
    const changes = now.map(({ id, version }) => ({
      id,
      version,
      change: { [field]: was.find((one) => one.id === id)?.words ?? '' },
    }));
    await answer(api.POST('/api/files/each', { body: { changes } }));
    await queryClient.invalidateQueries({ queryKey: ['files'] });
  }

  $effect(() => {
    if (open) value = null;
  });

  async function change() {
    problem = '';
    try {
      const change: Schemas['FileChange'] = { [name]: to ?? '' };
      const done = await answer(api.POST('/api/files/change', { body: { ids, change } }));
      await queryClient.invalidateQueries({ queryKey: ['files'] });
      open = false;
      const was = changed.map((item) => ({ id: item.id, words: item.words[name] }));
      const field = name;
      ondone(`${label} of ${count(done.changed, 'picture')} changed.`, () => putBack(was, field));
    } catch (error) {
      problem = sentenceOf(error);
    }
  }
</script>

<Sheet bind:open title="Change words of {count(ids.length, 'picture')}">
  <div class="flex items-end gap-3">
    <label class="block"
      ><span class="dk-label">What</span>
      <select class="dk-field w-32" bind:value={name}>
        {#each fields as field (field)}<option value={field}>{wordLabels[field]}</option>{/each}
      </select></label
    >
    <label class="block flex-1"
      ><span class="dk-label">{label} from now on</span>
      <input
        class="dk-field"
        value={value ?? ''}
        placeholder={items.length > 0 && items.every((item) => item.words[name] === items[0]?.words[name])
          ? items[0]?.words[name]
          : 'they differ'}
        oninput={(event) => (value = event.currentTarget.value)}
        list={name === 'folder' ? 'all-folders' : undefined}
        autocomplete="off"
      /></label
    >
    <datalist id="all-folders"
      >{#each folders as folder (folder)}<option value={folder}></option>{/each}</datalist
    >
  </div>
  <p class="mt-4 font-semibold">
    {!looked.data
      ? looked.error
        ? sentenceOf(looked.error)
        : 'They are being looked up.'
      : to === null
        ? 'Type what all of them shall have; what changes is shown first.'
        : changed.length === 0
          ? 'Nothing changes: all have it already.'
          : `${count(changed.length, 'picture')} will change:`}
  </p>
  <table class="mt-1 w-full table-fixed">
    <caption class="sr-only">What changes</caption>
    <thead class="text-left text-quiet">
      <tr><th class="font-normal">Picture</th><th class="font-normal">Was</th><th class="font-normal">Will be</th></tr>
    </thead>
    <tbody>
      {#each changed.slice(0, 8) as item (item.id)}
        <tr class="border-t border-hair">
          <td class="truncate py-1 pr-3">{item.words.title}</td>
          <td class="truncate pr-3 text-quiet">{item.words[name] || 'nothing'}</td>
          <td class="truncate">{to || 'nothing'}</td>
        </tr>
      {/each}
    </tbody>
  </table>
  {#if changed.length > 8}<p class="mt-1 text-quiet">and {changed.length - 8} more.</p>{/if}
  {#if problem}<p class="dk-problem mt-2" role="alert">{problem}</p>{/if}
  {#snippet foot()}
    <button class="dk-button main" disabled={changed.length === 0} onclick={change}>Change {changed.length}</button>
  {/snippet}
</Sheet>
