<!-- A table of files: which, in what order, and what each is called. -->
<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import ArrowDown from '@lucide/svelte/icons/arrow-down';
  import ArrowUp from '@lucide/svelte/icons/arrow-up';
  import X from '@lucide/svelte/icons/x';
  import { queryClient } from '$lib/api/queries';
  import { otherFiles, thereOf } from '$lib/media/otherFiles';
  import { uploads } from '$lib/media/uploads.svelte';
  import FilePick from '$lib/ui/FilePick.svelte';
  import type { Desk } from './desk.svelte';
  import FileChoice from '$lib/fields/FileChoice.svelte';
  import PieceMoves from './PieceMoves.svelte';
  import type { FilesAttrs } from '$lib/model/attrs';

  let { desk, id, files }: { desk: Desk; id: string; files: FilesAttrs['files'] } = $props();
  const all = createQuery(() => otherFiles(''));
  const there = $derived(thereOf(all.data?.items, () => true));
  const offered = $derived(there.filter(({ id: one }) => !files.some(({ file }) => file === one)));
  let problem = $state('');
  const set = (to: FilesAttrs['files']) => desk.set(id, { files: to });
  const add = (ids: string[]) => set([...files, ...ids.map((file) => ({ file, words: null }))]);
  const titleOf = (file: string) => there.find((one) => one.id === file)?.title;

  function move(i: number, by: -1 | 1) {
    const to = [...files];
    to.splice(i + by, 0, ...to.splice(i, 1));
    set(to);
  }

  async function addNew(chosen: File[]) {
    const { ids, refused } = await uploads.addOthers(chosen);
    problem = refused ?? '';
    await queryClient.invalidateQueries({ queryKey: ['files', 'others'] });
    if (ids.length > 0) add(ids);
  }
</script>

<div class="border-b border-hair px-4 py-3">
  <PieceMoves {desk} name="Table of files" />
</div>
<ol aria-label="Files in the table">
  {#each files as { file, words }, i (i)}
    {@const title = titleOf(file)}
    <li class="flex items-center gap-0.5 border-b border-hair px-4 py-2">
      <input
        class="dk-field min-w-0 flex-1"
        aria-label="What the file is called"
        placeholder={title ?? 'no longer in the library'}
        value={words ?? ''}
        onchange={(event) =>
          set(files.map((one, at) => (at === i ? { file, words: event.currentTarget.value.trim() || null } : one)))}
      />
      <button class="dk-button bare" aria-label="Move “{title}” up" disabled={i === 0} onclick={() => move(i, -1)}
        ><ArrowUp size={15} /></button
      >
      <button
        class="dk-button bare"
        aria-label="Move “{title}” down"
        disabled={i === files.length - 1}
        onclick={() => move(i, 1)}><ArrowDown size={15} /></button
      >
      <button
        class="dk-button bare"
        aria-label="Remove “{title}”"
        onclick={() => set(files.filter((_, at) => at !== i))}><X size={15} /></button
      >
    </li>
  {/each}
</ol>
<div class="px-4 py-3">
  {#if offered.length > 0}
    <FileChoice label="One more of the library" value={null} files={offered} onset={(file) => file && add([file])} />
  {:else}<p class="text-quiet">All files of the library are in the table.</p>{/if}
  <div class="mt-2">
    <FilePick label="Files from this computer" onfiles={(chosen) => void addNew(chosen)}>From this computer</FilePick>
  </div>
  {#if problem}<p class="dk-problem mt-1.5" role="alert">{problem}</p>{/if}
  <p class="mt-2 text-quiet">Visitors see each file's type and size; both follow the file.</p>
</div>
