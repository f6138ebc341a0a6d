<!-- The words and links of all pictures of an arrangement in one grid, each with where it comes from. -->
<script lang="ts">
  import { answer, api, proofOf, sentenceOf } from '$lib/api/client';
  import { onePicture, pageNames, queryClient } from '$lib/api/queries';
  import { pictures } from '$lib/keeping/pictures';
  import { createQuery } from '@tanstack/svelte-query';
  import { linkKinds, linkOf } from '$lib/model/choices';
  import type { Item, Opened } from './opened.svelte';

  let { opened }: { opened: Opened } = $props();
  const pages = createQuery(pageNames);
  const wish = $derived(opened.wish!);
  let problem = $state<{ id: string; sentence: string } | null>(null);

  const from = {
    own: 'own',
    library: 'library',
    missing: 'missing',
    nothing: 'none, on purpose',
  } as const;
  function linkWords(item: Item) {
    if (item.linkKind === 'page') return `/${pages.data?.find((page) => page.id === item.linkTarget)?.path ?? ''}`;
    return item.linkKind === 'address' ? (item.linkTarget ?? '') : '';
  }
  /** A title is the library's: it keeps itself as it does there. */
  async function setTitle(item: Item, title: string) {
    try {
      const { file } = await queryClient.fetchQuery(onePicture(item.asset));
      const words = pictures.of(item.asset);
      await words.set(file, 'title', title);
      const left = words.at('title');
      const sentence = left?.sentence || words.offline;
      problem = sentence ? { id: item.id, sentence } : null;
      await opened.keep();
      await opened.load();
    } catch (error) {
      problem = { id: item.id, sentence: sentenceOf(error) };
    }
  }

  const setCaption = (item: Item, text: string) =>
    opened.setItem(item.id, { caption: text, captionSource: text ? 'own' : null });

  /** Kept in this browser as it is typed. */
  async function typeTitle(item: Item, title: string) {
    const { file } = await queryClient.fetchQuery(onePicture(item.asset));
    pictures.of(item.asset).type(file, 'title', title);
  }

  async function setLink(item: Item, typed: string) {
    problem = null;
    if (!typed) return opened.setItem(item.id, { linkKind: 'none', linkTarget: '' });
    try {
      const read = await answer(api.GET('/api/links', { params: { query: { typed } } }));
      if (read.written) opened.setItem(item.id, linkOf(read.written));
      else problem = { id: item.id, sentence: read.error ?? 'This leads nowhere.' };
    } catch (error) {
      problem = { id: item.id, sentence: sentenceOf(error) };
    }
  }

  /** Up and down go to the same column of another picture. */
  function keys(event: KeyboardEvent) {
    const by = { ArrowUp: -1, ArrowDown: 1, Enter: 1 }[event.key];
    const field = event.target as HTMLInputElement;
    if (!by || !field.dataset.column) return;
    event.preventDefault();
    field.blur();
    const row = field.closest('tr')!;
    const other = by < 0 ? row.previousElementSibling : row.nextElementSibling;
    (other?.querySelector<HTMLInputElement>(`[data-column="${field.dataset.column}"]`) ?? field).focus();
  }
</script>

{#snippet cell(
  item: Item,
  column: string,
  value: string,
  shows: string,
  whose: string,
  set: (text: string) => void,
  type?: (text: string) => void,
)}
  <td class="border-b border-hair py-1 pr-3 align-top">
    <input
      class="dk-field"
      data-column={column}
      onkeydown={keys}
      aria-label="{column} of “{opened.titleOf(item)}”"
      {value}
      placeholder={shows}
      oninput={(event) => type?.(event.currentTarget.value)}
      onchange={(event) => set(event.currentTarget.value.trim())}
    />
    <span class={whose === 'missing' ? 'text-soft' : 'text-quiet'}>{whose}</span>
  </td>
{/snippet}

<div class="min-h-0 flex-1 overflow-auto bg-base-100 px-4">
  <table class="w-full table-fixed">
    <caption class="sr-only">Words of {wish.name}</caption>
    <thead class="sticky top-0 z-1 bg-base-100">
      <tr class="text-left">
        <th class="w-20 py-2"><span class="sr-only">Picture</span></th>
        <th>Title</th>
        <th>Alt text</th>
        <th>Caption</th>
        <th>Link</th>
      </tr>
    </thead>
    <tbody>
      {#each wish.items.filter((one) => one.asset !== '') as item (item.id)}
        {@const library = opened.look?.words[item.asset]}
        {@const words = opened.look?.itemWords[item.id]}
        <tr>
          <td class="border-b border-hair py-1.5 pr-3 align-top">
            <img
              src={proofOf(item.asset, 160)}
              alt=""
              class="h-12 w-16 rounded-[3px] object-cover {item.isOn ? '' : 'opacity-35'}"
            />
          </td>
          {@render cell(
            item,
            'Title',
            library?.title ?? '',
            'none',
            'library, everywhere',
            (title) => void setTitle(item, title),
            (title) => void typeTitle(item, title),
          )}
          {@render cell(
            item,
            'Alt text',
            item.alt ?? '',
            words?.alt || 'none',
            from[words?.altFrom ?? 'missing'],
            (text) => opened.setItem(item.id, { alt: text || null }),
            (text) => opened.setItem(item.id, { alt: text.trim() || null }),
          )}
          {@render cell(
            item,
            'Caption',
            item.captionSource === 'own' ? (item.caption ?? '') : '',
            words?.caption || 'none',
            words?.captionFrom === 'library'
              ? `library, ${words.captionSource}`
              : from[words?.captionFrom ?? 'missing'],
            (text) => setCaption(item, text),
            (text) => setCaption(item, text.trim()),
          )}
          {@render cell(
            item,
            'Link',
            linkWords(item),
            linkKinds[words?.leadsTo === 'largeFile' ? 'largeFile' : 'none'],
            linkWords(item) ? 'own' : item.linkKind === 'largeFile' ? 'own' : 'the whole set',
            (typed) => void setLink(item, typed),
          )}
        </tr>
        {#if problem?.id === item.id}
          <tr><td></td><td colspan="4"><p class="dk-problem pb-2" role="alert">{problem.sentence}</p></td></tr>
        {/if}
      {/each}
    </tbody>
  </table>
</div>
