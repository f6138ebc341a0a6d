<!-- The library as a list whose words are typed in place; cells copied from a spreadsheet are laid over it and kept at one yes. -->
<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { createVirtualizer } from '@tanstack/svelte-virtual';
  import { untrack } from 'svelte';
  import { answer, api, proofOf, sentenceOf, type FileItem } from '$lib/api/client';
  import { askAnew, ownColumns, queryClient, thesePictures } from '$lib/api/queries';
  import { count } from '$lib/model/words';
  import { TypedCells } from './typedCells.svelte';
  import ListStatus from './ListStatus.svelte';
  import OwnColumns from './OwnColumns.svelte';
  import type { Found } from '$lib/media/found.svelte';
  import {
    before,
    cellsOf,
    changesOf,
    leftInWords,
    columnsWith,
    pasted,
    type Column,
    type Waiting,
  } from '$lib/media/listing';

  let {
    found,
    chosen,
    folders,
    onchoose,
  }: { found: Found; chosen: string | null; folders: string[]; onchoose: (id: string) => void } = $props();

  const own = createQuery(() => ownColumns());
  const columns = $derived(columnsWith(own.data?.columns ?? []));
  let arranging = $state(false);
  let waiting = $state.raw<Waiting>({});
  /** The pictures that wait, as they were read: what is kept names the version it started from. */
  let read = $state.raw<FileItem[]>([]);
  let undo = $state.raw<{ change: Waiting; items: FileItem[] } | null>(null);
  let said = $state('');
  let problem = $state('');
  const waits = $derived(Object.values(waiting).reduce((sum, one) => sum + Object.keys(one).length, 0));

  const rowHeight = 48;
  let scroller = $state<HTMLElement>();
  const virtualizer = createVirtualizer<HTMLElement, HTMLElement>({
    count: 0,
    getScrollElement: () => scroller ?? null,
    estimateSize: () => rowHeight,
    overscan: 6,
    // Below the head, which stays.
    paddingStart: 32,
    scrollPaddingStart: 32,
  });
  // Before the rows are drawn: none is taken out and put in again, with the caret in it.
  $effect.pre(() => {
    const [total, end] = [found.ids.length, scroller];
    untrack(() => $virtualizer.setOptions({ count: total, getScrollElement: () => end ?? null }));
  });
  const visible = $derived($virtualizer.getVirtualItems());
  /** A row is its picture's and not its number's: where others come before it, the caret goes along with it. */
  const rows = $derived(
    visible.map((line, i) => {
      const item = found.at(line.index);
      const isTwice = visible.slice(0, i).some((other) => found.at(other.index)?.id === item?.id);
      return { line, item, key: item && !isTwice ? item.id : `at ${line.index}` };
    }),
  );
  $effect(() => {
    const [first, last] = [visible[0]?.index ?? 0, visible.at(-1)?.index ?? 0];
    untrack(() => found.show(first, last + 1));
  });
  $effect(() => {
    if (found.of) scroller?.scrollTo({ top: 0 });
  });

  const textOf = (item: FileItem, column: Column) => waiting[item.id]?.[column.key] ?? typing.text(item, column);

  async function keep(items: FileItem[], change: Waiting, sentence: (n: number) => string) {
    const changes = changesOf(items, columns, change);
    if (changes.length === 0) return;
    [problem, said] = ['', ''];
    const was = before(items, columns, change);
    try {
      const { changed } = await answer(api.POST('/api/files/each', { body: { changes } }));
      [waiting, read] = [{}, []];
      undo = { change: was, items: await askAnew(thesePictures(Object.keys(was))) };
      said = sentence(changed) + leftInWords(changes.length - changed);
      await queryClient.invalidateQueries({ queryKey: ['files'] });
    } catch (error) {
      problem = sentenceOf(error);
    }
  }
  const keepWaiting = () => keep(read, waiting, (n) => `Words of ${count(n, 'picture')} changed.`);
  async function putBack() {
    if (undo) await keep(undo.items, undo.change, () => 'As it was before.');
    undo = null;
  }

  const typing = new TypedCells();
  function type(item: FileItem, column: Column, text: string) {
    if (waits > 0) wait([item], { [item.id]: { ...waiting[item.id], [column.key]: text } });
    else typing.type(item, column, text);
  }
  async function leave(item: FileItem, column: Column) {
    const left = await typing.leave(item, column);
    if (left) [said, problem, undo] = [...left, null];
  }

  function wait(items: FileItem[], change: Waiting) {
    waiting = { ...waiting, ...change };
    read = [...read, ...items.filter((item) => change[item.id] && !read.some((one) => one.id === item.id))];
  }

  async function paste(event: ClipboardEvent, index: number, column: Column) {
    const cells = cellsOf(event.clipboardData?.getData('text/plain') ?? '');
    if (!cells) return;
    event.preventDefault();
    said = problem = '';
    undo = typing.last = null;
    try {
      const under = await found.load(index, cells.length);
      wait(under, pasted(under, columns, columns.indexOf(column), cells));
    } catch (error) {
      problem = sentenceOf(error);
      return;
    }
    const left = cells.length - (found.total - index);
    if (left > 0) problem = `${count(left, 'row')} of what was copied found no picture below this one.`;
    if (waits === 0) said = 'Nothing changes: these cells hold what is there already.';
  }

  async function move(event: KeyboardEvent, index: number, column: Column) {
    const by = { Enter: event.shiftKey ? -1 : 1, ArrowUp: -1, ArrowDown: 1 }[event.key];
    const next = by === undefined ? undefined : found.ids[index + by];
    if (by === undefined || !next) return;
    event.preventDefault();
    $virtualizer.scrollToIndex(index + by);
    const cell = () => document.getElementById(`cell-${column.key}-${next}`) as HTMLInputElement | null;
    for (let frames = 0; frames < 60 && !cell(); frames++) await new Promise(requestAnimationFrame);
    cell()?.focus();
    cell()?.select();
  }
</script>

<div class="flex h-full flex-col bg-base-200">
  <div bind:this={scroller} class="min-h-0 flex-1 overflow-auto" role="presentation">
    <div
      class="relative"
      style:height="{$virtualizer.getTotalSize()}px"
      style:min-width="{960 + 132 * (own.data?.columns.length ?? 0)}px"
      style:--own={own.data?.columns.length ? `repeat(${own.data.columns.length}, minmax(124px, 2fr))` : ' '}
      role="table"
      aria-label="Pictures"
      aria-rowcount={found.ids.length + 1}
    >
      <div
        class="dk-row sticky top-0 z-10 h-8 items-center border-b border-hair bg-base-200 text-quiet"
        role="row"
        aria-rowindex={1}
      >
        <span role="columnheader">Picture</span>
        {#each columns as column (column.key)}<span role="columnheader" class="truncate px-1.5" title={column.label}
            >{column.label}</span
          >{/each}
        <span role="columnheader">Size, places</span>
      </div>
      {#each rows as { line, item, key } (key)}
        {#if item}
          <div
            class="dk-row absolute top-0 right-0 left-0 h-12 items-center border-b border-hair"
            style:transform="translateY({line.start}px)"
            role="row"
            aria-rowindex={line.index + 2}
          >
            <span role="cell">
              <button
                class="block cursor-pointer"
                aria-label="Sheet of {item.words.title}"
                aria-pressed={chosen === item.id}
                onclick={() => onchoose(item.id)}
              >
                <img
                  src={proofOf(item.picture, 160)}
                  alt=""
                  class="h-9 w-14 object-contain object-left"
                  decoding="async"
                />
              </button>
            </span>
            {#each columns as column (column.key)}
              <span role="cell" class="min-w-0">
                <input
                  id="cell-{column.key}-{item.id}"
                  class="dk-cell"
                  class:dk-waiting={waiting[item.id]?.[column.key] !== undefined}
                  aria-label="{column.label} of {item.fileName}"
                  list={column.word === 'folder' ? 'list-folders' : undefined}
                  autocomplete="off"
                  value={textOf(item, column)}
                  aria-invalid={typing.isOpen(item, column)}
                  oninput={(event) => type(item, column, event.currentTarget.value)}
                  onchange={() => void leave(item, column)}
                  onblur={() => void leave(item, column)}
                  onpaste={(event) => void paste(event, line.index, column)}
                  onkeydown={(event) => void move(event, line.index, column)}
                />
              </span>
            {/each}
            <span role="cell" class="dk-tabular truncate text-quiet">
              {item.width} × {item.height} · {item.places === 0 ? 'unused' : count(item.places, 'place')}
            </span>
          </div>
        {/if}
      {/each}
    </div>
  </div>
  <datalist id="list-folders"
    >{#each folders as folder (folder)}<option value={folder}></option>{/each}</datalist
  >
  <ListStatus
    cells={waits}
    pictures={Object.keys(waiting).length}
    {said}
    {problem}
    onundo={undo ? () => void putBack() : typing.last ? async () => (said = await typing.putBack()) : null}
    onarrange={() => (arranging = true)}
    onleave={() => ([waiting, read] = [{}, []])}
    onkeep={() => void keepWaiting()}
  />
</div>
<OwnColumns bind:open={arranging} />

<style>
  .dk-row {
    display: grid;
    grid-template-columns:
      72px minmax(140px, 3fr) minmax(140px, 4fr) minmax(110px, 3fr) minmax(90px, 2fr) minmax(90px, 2fr) minmax(
        80px,
        2fr
      )
      var(--own) 150px;
    column-gap: 8px;
    padding-inline: 20px;
  }
  .dk-cell {
    width: 100%;
    min-height: 30px;
    padding-inline: 6px;
    border: 1px solid transparent;
    border-radius: 4px;
    background: transparent;
    text-overflow: ellipsis;
  }
  .dk-cell:hover {
    border-color: var(--dk-hair-strong);
  }
  .dk-cell:focus {
    background: var(--color-base-100);
  }
  /* A cell that would change: a stroke at its left, not colour alone. */
  .dk-waiting {
    border-left: 3px solid var(--dk-crop);
    background: var(--dk-crop-wash);
  }
</style>
