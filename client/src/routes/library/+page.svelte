<script lang="ts">
  import { createInfiniteQuery, keepPreviousData } from '@tanstack/svelte-query';
  import { goto } from '$app/navigation';
  import Plus from '@lucide/svelte/icons/plus';
  import { sentenceOf } from '$lib/api/client';
  import { pictures, type Through } from '$lib/api/queries';
  import ThroughChoice from '$lib/library/ThroughChoice.svelte';
  import ContactSheet from '$lib/library/ContactSheet.svelte';
  import PictureSheet from '$lib/library/PictureSheet.svelte';
  import ChosenLine from '$lib/library/ChosenLine.svelte';
  import { Choosing } from '$lib/library/choosing.svelte';
  import WordsRound from '$lib/library/WordsRound.svelte';
  import UploadList from '$lib/library/UploadList.svelte';
  import { filesOf, uploads } from '$lib/library/uploads.svelte';
  import { intake, isReadable } from '$lib/intake/intake.svelte';
  import SearchField from '$lib/ui/SearchField.svelte';
  import { count } from '$lib/ui/words';

  let query = $state('');
  let through = $state.raw<Through | null>(null);
  let chosen = $state<string | null>(null);
  let rounding = $state(false);
  const choosing = new Choosing();
  let over = $state(false);
  let picker = $state<HTMLInputElement>();
  let folderPicker = $state<HTMLInputElement>();
  const found = createInfiniteQuery(() => ({ ...pictures(query.trim(), through), placeholderData: keepPreviousData }));
  const items = $derived(found.data?.pages.flatMap((page) => page.items) ?? []);
  const total = $derived(found.data?.pages[0]?.total ?? 0);
  const folders = $derived(found.data?.pages[0]?.folders ?? []);

  const switches = $derived(found.data?.pages[0]?.switches ?? []);
  const notUnderstood = $derived(found.data?.pages[0]?.notUnderstood ?? []);
  const groups = $derived([
    ...new Set(switches.filter((one) => one.group !== 'Waiting' || one.count > 0 || one.isOn).map((one) => one.group)),
  ]);

  /** Mails and saved pages are looked at first; pictures go straight in. */
  function takeFiles(files: File[]) {
    const pictures = files.filter((file) => !isReadable(file));
    if (pictures.length > 0) void uploads.add(pictures);
    if (pictures.length < files.length) void intake.files(files.filter(isReadable));
  }
  const take = async (data: DataTransfer | null) => takeFiles(await filesOf(data));
  const holdsFiles = (event: DragEvent) => event.dataTransfer?.types.includes('Files') ?? false;
</script>

<svelte:head><title>Library · Dekoro</title></svelte:head>
<svelte:window
  onkeydown={(event) => {
    const field = (event.target as Element).matches('input, textarea, select');
    if (event.key === 'Escape' && choosing.ids.size > 0 && !field && !rounding) choosing.clear();
    if (event.key === 'f' && chosen && !field && !event.ctrlKey && !event.metaKey && !event.altKey)
      void goto(`/library/room/${chosen}`);
  }}
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
    <div class="flex items-center gap-3 border-b border-hair bg-base-200 px-5 py-2.5">
      <SearchField
        bind:query
        label="Search the library"
        placeholder="dunes shape:wide unused no-alt since:2026-05 …"
        found={found.data ? count(total, 'picture') : ''}
      />
      <ThroughChoice bind:through />
      <a class="dk-button" href="/library/in">From elsewhere</a>
      <button class="dk-button" onclick={() => folderPicker?.click()}>A folder</button>
      <button class="dk-button" onclick={() => picker?.click()}><Plus size={15} />Add pictures</button>
      <input
        bind:this={picker}
        type="file"
        multiple
        hidden
        aria-label="Add pictures"
        onchange={(e) => (takeFiles([...(e.currentTarget.files ?? [])]), (e.currentTarget.value = ''))}
      />
      <input
        bind:this={folderPicker}
        type="file"
        webkitdirectory
        hidden
        aria-label="Add a folder"
        onchange={(e) => (takeFiles([...(e.currentTarget.files ?? [])]), (e.currentTarget.value = ''))}
      />
    </div>
    <div class="flex flex-wrap items-center gap-x-4 gap-y-1.5 border-b border-hair bg-base-200 px-5 py-1.5">
      {#each groups as group (group)}
        <div class="flex items-center gap-1.5" role="group" aria-label={group}>
          <span class="text-quiet">{group}</span>
          {#each switches.filter((one) => one.group === group) as one (one.name)}
            <button
              class="dk-button dk-tabular min-h-6"
              aria-pressed={one.isOn}
              disabled={one.count === 0 && !one.isOn}
              onclick={() => (query = one.line)}>{one.name} {one.count}</button
            >
          {/each}
        </div>
      {/each}
      <button class="dk-button ml-auto min-h-6" disabled={items.length === 0} onclick={() => (rounding = true)}
        >Words round</button
      >
    </div>
    {#each notUnderstood as sentence (sentence)}
      <p class="border-b border-hair bg-wash px-5 py-1.5" role="status">{sentence}</p>
    {/each}
    {#if intake.problem}<p class="dk-problem border-b border-hair px-5 py-1.5" role="alert">{intake.problem}</p>{/if}
    {#if found.error}<p class="dk-problem p-5" role="alert">{sentenceOf(found.error)}</p>{/if}
    <div class="min-h-0 flex-1">
      {#if found.data && total === 0}
        <div class="h-full bg-base-200 p-8">
          <p class="max-w-[52ch] text-read">
            {query.trim() === ''
              ? 'The library is empty. Drop pictures anywhere on this screen, paste one, or add them from this computer.'
              : `No picture answers to “${query.trim()}”. Fewer or shorter words find more: lan finds lantern.`}
          </p>
        </div>
      {:else}
        <ContactSheet
          {items}
          {chosen}
          {choosing}
          onchoose={(item) => (chosen = item.id)}
          onend={() => found.hasNextPage && !found.isFetching && void found.fetchNextPage()}
        />
      {/if}
    </div>
    <ChosenLine {choosing} {items} {folders} onround={() => (rounding = true)} />
    <UploadList />
  </div>
  {#if chosen}<PictureSheet id={chosen} {folders} onclose={() => (chosen = null)} />{/if}
  {#if over}
    <div
      class="pointer-events-none absolute inset-4 z-30 grid place-items-center border-2 border-dashed border-base-content bg-base-100/85"
    >
      <p class="text-read font-semibold">Let go to take these files into the library</p>
    </div>
  {/if}
</div>
<WordsRound
  bind:open={rounding}
  items={choosing.ids.size > 0 ? items.filter((item) => choosing.ids.has(item.id)) : items}
/>
