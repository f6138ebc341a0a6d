<script lang="ts">
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { answer, api, sentenceOf } from '$lib/api/client';
  import type { Through } from '$lib/api/queries';
  import ThroughChoice from '$lib/library/ThroughChoice.svelte';
  import Apart from '$lib/library/Apart.svelte';
  import AddMenu from '$lib/library/AddMenu.svelte';
  import Filters from '$lib/library/Filters.svelte';
  import { find } from '$lib/media/found.svelte';
  import ListView from '$lib/library/ListView.svelte';
  import ContactSheet from '$lib/library/ContactSheet.svelte';
  import PictureSheet from '$lib/library/PictureSheet.svelte';
  import ChosenLine from '$lib/library/ChosenLine.svelte';
  import { Choosing } from '$lib/ui/choosing.svelte';
  import ViewChoice from '$lib/library/ViewChoice.svelte';
  import WordsRound from '$lib/library/WordsRound.svelte';
  import { filesOf, holdsFiles, uploads } from '$lib/media/uploads.svelte';
  import { bundleOf, isWords } from '$lib/intake/bundle';
  import { intake, isReadable } from '$lib/intake/intake.svelte';
  import { inAddress, partsOf } from '$lib/ui/inAddress.svelte';
  import SearchField from '$lib/ui/SearchField.svelte';
  import { letters } from '$lib/ui/letters.svelte';
  import { count } from '$lib/model/words';

  const names = ['q', 'at', 'through', 'list'];
  const begun = partsOf(names);
  let query = $state(begun.q ?? '');
  let through = $state.raw<Through | null>(throughOf(begun.through));
  let chosen = $state<string | null>(begun.at || null);
  let rounding = $state(false);
  let asList = $state(page.url.searchParams.has('list'));
  inAddress(
    names,
    ['at', 'list'],
    () => ({
      q: query.trim(),
      at: chosen ?? '',
      through: through ? `${through.size} ${through.shape}`.trim() : '',
      list: asList ? '1' : '',
    }),
    (parts) => {
      if (parts.q !== query.trim()) query = parts.q ?? '';
      [chosen, through, asList] = [parts.at || null, throughOf(parts.through), parts.list !== ''];
    },
  );
  function throughOf(written: string | undefined): Through | null {
    const [size, shape = ''] = (written ?? '').split(' ');
    return size ? { size, shape } : null;
  }
  const choosing = new Choosing();
  let over = $state(false);
  const found = find(
    () => query.trim(),
    () => through,
  );
  const folders = $derived(found.head?.folders ?? []);
  /** Mails, saved pages and bundles are looked at first; pictures go straight in, unless words lie beside them. */
  async function takeFiles(files: File[]) {
    if (files.some(isWords)) return intake.files([await bundleOf(files)]);
    const pictures = files.filter((file) => !isReadable(file));
    if (pictures.length > 0) void addWithFolder(pictures);
    if (pictures.length < files.length) void intake.files(files.filter(isReadable));
  }
  /** Files of a folder that was chosen or dropped are in a folder of that name here too. */
  async function addWithFolder(files: File[]) {
    const ids = await uploads.add(files);
    const folders = files.map((file) => file.webkitRelativePath.split('/')[0] ?? '');
    for (const folder of folders.filter((one, i) => one !== '' && folders.indexOf(one) === i))
      await putInto(
        folder,
        ids.filter((id, i) => id !== null && folders[i] === folder).map((id) => id!),
      );
  }
  async function putInto(folder: string, ids: string[]) {
    if (ids.length === 0) return;
    const fresh = (await answer(api.POST('/api/files/these', { body: { ids } }))).items;
    const without = fresh.filter((item) => item.words.folder === '').map((item) => item.id);
    if (without.length > 0) await answer(api.POST('/api/files/change', { body: { ids: without, change: { folder } } }));
  }
  const take = async (data: DataTransfer | null) => void takeFiles(await filesOf(data));
  /** Escape goes back one step: from a field of the sheet, from what is chosen together, from the sheet. */
  function keys(event: KeyboardEvent) {
    if (event.defaultPrevented || rounding || document.querySelector('[role=dialog], [role=menu]')) return;
    const target = event.target as HTMLElement;
    const field = target.matches('input:not([type=checkbox]), textarea, select');
    const control = event.ctrlKey || event.metaKey;
    if (event.key === 'Escape') stepBack(target, field);
    else if (control && event.key.toLowerCase() === 'a' && !field && !asList) choosing.only([...found.ids]);
    else if (field || control || event.altKey || !letters.on || !chosen) return;
    else if (event.key === 'f') void goto(`/library/room/${chosen}`);
    else if (event.key === 't') document.getElementById('word-alt')?.focus();
    else if (event.key === 'c') document.getElementById('word-caption')?.focus();
    else return;
    event.preventDefault();
  }
  function stepBack(target: HTMLElement, field: boolean) {
    const tile = chosen ? document.getElementById(`picture-${chosen}`) : null;
    if (field && target.closest('aside')) tile?.focus();
    else if (field) target.blur();
    else if (choosing.ids.size > 0) choosing.clear();
    else if (chosen) {
      chosen = null;
      tile?.focus();
    }
  }
</script>

<svelte:head><title>Library · Dekoro</title></svelte:head>
<svelte:window
  onkeydown={keys}
  onpaste={(event) => {
    if (event.clipboardData?.files.length) void take(event.clipboardData);
  }}
/>

<div
  class="relative flex min-h-0 flex-1"
  role="region"
  aria-label="Library"
  ondragover={(event) => holdsFiles(event) && (event.preventDefault(), (over = true))}
  ondragleave={(event) => event.currentTarget.contains(event.relatedTarget as Node) || (over = false)}
  ondrop={(event) => {
    event.preventDefault();
    over = false;
    void take(event.dataTransfer);
  }}
>
  <div class="flex min-w-0 flex-1 flex-col">
    <h1 class="sr-only">Library</h1>
    <div class="flex flex-wrap items-center gap-x-3 gap-y-2 border-b border-hair bg-base-200 px-5 py-2.5">
      <SearchField
        bind:query
        label="Search the library"
        placeholder="dunes shape:wide …"
        found={found.head ? count(found.total, 'picture') : ''}
      />
      <ThroughChoice bind:through />
      <ViewChoice view={asList ? 'list' : 'sheet'} onchange={(view) => (asList = view === 'list')} />
      <AddMenu onfiles={(files) => void takeFiles(files)} />
    </div>
    <Filters bind:query switches={found.head?.switches ?? []}>
      <button class="dk-button ml-auto min-h-6" disabled={found.total === 0} onclick={() => (rounding = true)}
        >Words round</button
      >
    </Filters>
    {#each found.head?.notUnderstood ?? [] as sentence, i (i)}
      <p class="border-b border-hair bg-wash px-5 py-1.5" role="status">{sentence}</p>
    {/each}
    <Apart />
    {#if intake.problem}<p class="dk-problem border-b border-hair px-5 py-1.5" role="alert">{intake.problem}</p>{/if}
    {#if found.error}<p class="dk-problem p-5" role="alert">{sentenceOf(found.error)}</p>{/if}
    <div class="min-h-0 flex-1">
      {#if found.head && found.total === 0}
        <div class="h-full bg-base-200 p-8">
          <p class="max-w-[52ch] text-read">
            {query.trim() === ''
              ? 'The library is empty. Drop pictures anywhere on this screen, paste one, or add them from this computer.'
              : `No picture answers to “${query.trim()}”. Fewer or shorter words find more: lan finds lantern.`}
          </p>
        </div>
      {:else if asList}
        <ListView {found} {chosen} {folders} onchoose={(id) => (chosen = id)} />
      {:else}
        <ContactSheet {found} {chosen} {choosing} onchoose={(id) => (chosen = id)} />
      {/if}
    </div>
    <ChosenLine
      {choosing}
      {folders}
      waiting={found.head?.switches.some((one) => one.group === 'Waiting' && one.isOn) ?? false}
      onround={() => (rounding = true)}
    />
  </div>
  {#if chosen}<PictureSheet
      id={chosen}
      {folders}
      onclose={() => (chosen = null)}
      onchoose={(id) => (chosen = id)}
    />{/if}
  {#if over}
    <div
      class="pointer-events-none absolute inset-4 z-30 grid place-items-center border-2 border-dashed border-base-content bg-base-100/85"
    >
      <p class="text-read font-semibold">Let go to take these files into the library</p>
    </div>
  {/if}
</div>
<WordsRound bind:open={rounding} ids={choosing.ids.size > 0 ? [...choosing.ids] : found.ids} />
