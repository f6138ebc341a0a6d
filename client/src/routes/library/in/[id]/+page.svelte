<!-- A proposal: what was read beside the page it goes to, and a table that asks for the pictures' words. -->
<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { answer, api, sentenceOf, type Schemas } from '$lib/api/client';
  import { know, pageNames, queryClient, sitePlan } from '$lib/api/queries';
  import { begunOf, endBegun, keepBegun } from '$lib/intake/begun';
  import { intake, proposal, unfinished } from '$lib/intake/intake.svelte';
  import PictureTable from '$lib/intake/PictureTable.svelte';
  import Reading from '$lib/intake/Reading.svelte';
  import PageFrame from '$lib/ui/PageFrame.svelte';
  import { count, dayOf } from '$lib/model/words';

  const id = $derived(page.params.id ?? '');
  const found = createQuery(() => proposal(id));
  const pages = createQuery(pageNames);
  const site = createQuery(sitePlan);
  const read = $derived(found.data);
  const hasWords = $derived((read?.pieces ?? []).some((piece) => piece.kind !== 'picture'));

  // svelte-ignore state_referenced_locally
  const begun = begunOf(id);
  let typed = $state(begun.typed);
  let without = $state.raw(new Set(begun.without));
  let folder = $state(begun.folder);
  /** A page's id, or what is to be made; empty takes the pictures only. */
  let target = $state<string>(begun.target);
  let after = $state(begun.after);
  let title = $state<string | null>(begun.title);
  $effect(() => keepBegun(id, { typed: $state.snapshot(typed), without: [...without], folder, target, after, title }));
  let width = $state<'phone' | 'desktop'>('desktop');
  let problem = $state('');
  let keeping = $state(false);
  let fetching = $state(false);

  const heading = $derived(title ?? read?.title ?? '');
  const goesTo = $derived(hasWords ? target : '');
  const isNew = $derived(goesTo.startsWith('new-'));
  const taken = $derived((read?.pictures ?? []).filter((picture) => !without.has(picture.file.id)));
  const draft = createQuery(() => ({
    queryKey: ['pages', 'draft', goesTo],
    queryFn: () => answer(api.GET('/api/pages/{id}/draft', { params: { path: { id: goesTo } } })),
    enabled: goesTo !== '' && !isNew,
  }));
  type Node = { type: string; attrs?: { id?: string }; content?: Node[]; text?: string };
  const wordsOf = (node: Node): string => node.text ?? (node.content ?? []).map(wordsOf).join(' ');
  const pieces = $derived(
    ((draft.data?.document as Node | undefined)?.content ?? [])
      .map((node) => ({
        id: node.attrs?.id ?? '',
        words: node.type === 'figure' ? '' : wordsOf(node).slice(0, 60) || node.type,
      }))
      .map((piece, i) => ({ ...piece, words: piece.words || `picture, piece ${i + 1}` })),
  );
  const src = $derived.by(() => {
    // Words typed into the title are shown when they rest, not at every letter.
    const asked = new URLSearchParams([
      ['without', [...without].join(',')],
      ['title', shownTitle],
      isNew ? ['kind', goesTo.slice(4)] : ['page', goesTo],
      ...(isNew || after === '' ? [] : [['after', after]]),
    ]);
    return `/api/intake/${id}/page?${asked}`;
  });
  let shownTitle = $state('');
  $effect(() => {
    const now = heading;
    const rest = setTimeout(() => (shownTitle = now), shownTitle === '' ? 0 : 400);
    return () => clearTimeout(rest);
  });

  async function keep() {
    if (!read) return;
    problem = '';
    keeping = true;
    try {
      const kept = await answer(
        api.POST('/api/intake/{id}/keep', {
          params: { path: { id } },
          body: {
            pictures: taken.map(({ file, inLibrary }) => ({ id: file.id, words: inLibrary ? {} : wordsFor(file) })),
            page: isNew || goesTo === '' ? null : goesTo,
            newKind: isNew ? goesTo.slice(4) : null,
            newTitle: isNew ? heading : null,
            after: after === '' ? null : after,
          },
        }),
      );
      endBegun(id);
      await queryClient.invalidateQueries({ queryKey: unfinished().queryKey });
      await Promise.all(['files', 'pages'].map((key) => queryClient.invalidateQueries({ queryKey: [key] })));
      if (await intake.next()) return;
      await goto(kept.page ? `/pages/${kept.page}` : '/library');
    } catch (error) {
      problem = sentenceOf(error);
    } finally {
      keeping = false;
    }
  }
  function wordsFor(file: Schemas['FileItem']): Schemas['FileChange'] {
    const words = Object.fromEntries(Object.entries(typed[file.id] ?? {}).filter(([, value]) => value !== undefined));
    // A title left empty stays as it came, to be named later.
    if (words.title?.trim() === '') delete words.title;
    return { ...words, ...(folder.trim() === '' ? {} : { folder: folder.trim() }) };
  }
  /** The sender's server learns of it: only when a person asks. */
  async function fetchWaiting() {
    problem = '';
    fetching = true;
    try {
      const now = await answer(api.POST('/api/intake/{id}/fetch', { params: { path: { id } } }));
      await know(['intake', id], now);
    } catch (error) {
      problem = sentenceOf(error);
    } finally {
      fetching = false;
    }
  }
  async function letGo() {
    await api.DELETE('/api/intake/{id}', { params: { path: { id } } });
    endBegun(id);
    await queryClient.invalidateQueries({ queryKey: unfinished().queryKey });
    if (await intake.next()) return;
    await goto('/library/in');
  }
  const kinds = { mail: 'Mail', webPage: 'Page', archive: 'Archive', bundle: 'Bundle' };
  const postsAndPages = $derived(pages.data ?? []);
</script>

<svelte:head><title>{read?.title ?? 'From elsewhere'} · Dekoro</title></svelte:head>

{#if found.error}
  <div class="p-8">
    <p class="dk-problem text-read" role="alert">{sentenceOf(found.error)}</p>
    <p class="mt-3"><a class="dk-link" href="/library/in">Back to the ways in</a></p>
  </div>
{:else if read}
  <div class="flex h-full min-h-0 flex-col">
    <div class="flex flex-none items-center gap-4 border-b border-hair px-5 py-2">
      <div class="min-w-0 flex-1">
        <h1 class="truncate text-read">{read.title || 'Without a title'}</h1>
        <p class="truncate text-quiet">
          {kinds[read.kind]}{read.from ? ` from ${read.from}` : ''}{read.date ? `, ${dayOf(read.date)}` : ''}
          {#if intake.waiting.length > 0}· {count(intake.waiting.length, 'more file')} after this one{/if}
        </p>
      </div>
      {#if problem}<p class="dk-problem max-w-[44ch]" role="alert">{problem}</p>{/if}
      <button class="dk-button" onclick={letGo}>Discard</button>
      <button class="dk-button main" disabled={keeping || (taken.length === 0 && goesTo === '')} onclick={keep}>
        {taken.length === 0 ? 'Take the words' : `Take in ${count(taken.length, 'picture')}`}{isNew
          ? `, make the ${goesTo.slice(4)}`
          : goesTo !== ''
            ? ', place them'
            : ''}
      </button>
    </div>
    {#if hasWords}
      <div class="grid min-h-0 flex-1 grid-cols-[minmax(0,2fr)_minmax(0,3fr)]">
        <section aria-labelledby="as-it-came" class="flex min-h-0 flex-col border-r border-hair">
          <h2 id="as-it-came" class="flex-none border-b border-hair bg-base-200 px-5 py-2.5">As it came</h2>
          <div class="min-h-0 flex-1"><Reading {read} {without} /></div>
        </section>
        <section aria-labelledby="goes-to" class="flex min-h-0 min-w-0 flex-col bg-table">
          <div class="flex flex-none flex-wrap items-center gap-2 border-b border-hair bg-base-200 px-4 py-1.5">
            <h2 id="goes-to">Goes to</h2>
            <select class="dk-field w-44" aria-label="Goes to" bind:value={target} onchange={() => (after = '')}>
              <option value="new-post">a new post</option>
              <option value="new-page">a new page</option>
              {#each postsAndPages as one (one.id)}<option value={one.id}>{one.title}</option>{/each}
              <option value="">no page, pictures only</option>
            </select>
            {#if isNew}
              <input
                class="dk-field w-56"
                aria-label="Title of the new page"
                value={heading}
                oninput={(event) => (title = event.currentTarget.value)}
              />
            {:else if goesTo !== ''}
              <select class="dk-field w-56" aria-label="After which piece" bind:value={after}>
                <option value="">at the end</option>
                {#each pieces as piece (piece.id)}<option value={piece.id}>after: {piece.words}</option>{/each}
              </select>
            {/if}
            <span class="ml-auto flex gap-1" role="group" aria-label="Shown on">
              {#each ['phone', 'desktop'] as const as one (one)}
                <button class="dk-button" aria-pressed={width === one} onclick={() => (width = one)}>{one}</button>
              {/each}
            </span>
          </div>
          <div class="min-h-0 flex-1 p-4">
            {#if goesTo !== '' && shownTitle !== '' && site.data}
              <div class="mx-auto h-full" class:w-64={width === 'phone'}>
                <PageFrame {src} title="The page as it would be" widthPx={site.data.classes.referencePx[width]} />
              </div>
            {:else if goesTo === ''}
              <p class="text-read text-quiet">
                The words stay where they are; only the pictures come into the library.
              </p>
            {/if}
          </div>
        </section>
      </div>
    {/if}
    <section
      aria-labelledby="pictures"
      class="flex min-h-0 flex-col border-t border-base-content"
      class:flex-1={!hasWords}
      class:max-h-[46%]={hasWords}
      class:flex-none={hasWords}
    >
      <div class="flex flex-none items-center gap-3 bg-base-200 px-5 py-1.5">
        <h2 id="pictures">{count(read.pictures.length, 'picture')}</h2>
        <label class="ml-auto flex items-center gap-2">
          <span class="text-quiet">Folder for all</span>
          <input class="dk-field w-52" bind:value={folder} autocomplete="off" />
        </label>
      </div>
      <div class="min-h-0 overflow-y-auto">
        {#if read.pictures.length > 0}<PictureTable {read} bind:typed bind:without />{/if}
        {#if read.waiting.length > 0}
          {@const them = read.waiting.length === 1 ? 'it' : 'them'}
          <div class="flex items-center gap-3 border-t border-hair px-5 py-2">
            <p class="min-w-0 flex-1">
              {count(read.waiting.length, 'picture')} of this mail {read.waiting.length === 1 ? 'lies' : 'lie'} at
              {[...new Set(read.waiting)].join(', ')}. Fetching {them} tells that server that the mail was read.
            </p>
            <button class="dk-button" disabled={fetching} onclick={() => void fetchWaiting()}
              >{fetching ? 'Fetching' : `Fetch ${them}`}</button
            >
          </div>
        {/if}
        {#if read.leftOut.length > 0}
          <div class="border-t border-hair px-5 py-2">
            <h3>Left out</h3>
            <ul>
              {#each read.leftOut as one, i (i)}
                <li><span class="text-soft">{one.name}.</span> <span class="text-quiet">{one.sentence}</span></li>
              {/each}
            </ul>
          </div>
        {/if}
      </div>
    </section>
  </div>
{:else}
  <p class="p-8 text-read text-quiet" role="status">Reading …</p>
{/if}
