<!-- With nothing chosen: the page as a column of small pieces to reorder, and the page's own fields. -->
<script lang="ts">
  import { tick } from 'svelte';
  import ArrowDown from '@lucide/svelte/icons/arrow-down';
  import ArrowUp from '@lucide/svelte/icons/arrow-up';
  import { dndzone, type DndEvent } from 'svelte-dnd-action';
  import { createQuery } from '@tanstack/svelte-query';
  import { proofOf, sentenceOf } from '$lib/api/client';
  import { arrangementList } from '$lib/api/queries';
  import Group from '$lib/ui/Group.svelte';
  import { count, weight } from '$lib/model/words';
  import { goto } from '$app/navigation';
  import { bannerHref, bannerIn } from './banner';
  import type { Desk } from './desk.svelte';
  import type { Piece } from './editor/pieces';

  let { desk }: { desk: Desk } = $props();
  const names = createQuery(arrangementList);
  let mapOpen = $state(true);
  let pageOpen = $state(true);
  let mendOpen = $state(true);
  let typedPath = $state<string | null>(null);
  let pathProblem = $state('');
  let dragged = $state.raw<Piece[] | null>(null);
  const pieces = $derived(dragged ?? desk.pieces);
  const notices = $derived(desk.preview.look?.notices ?? []);
  function goTo(blockId: string) {
    const banner = bannerIn(desk.frame?.contentDocument);
    if (banner?.querySelector(`[data-block="${CSS.escape(blockId)}"]`)) void goto(bannerHref(desk.id, banner));
    else desk.choose(blockId);
  }
  const lines = (text: string) => Math.min(4, Math.max(1, Math.ceil(text.length / 22)));

  function drop(event: CustomEvent<DndEvent<Piece>>) {
    const i = event.detail.items.findIndex((piece) => piece.id === event.detail.info.id);
    dragged = null;
    desk.moves.to(event.detail.info.id, { after: event.detail.items[i - 1]?.id ?? null });
  }

  const isWords = (piece: Piece) =>
    !piece.figure &&
    !piece.band &&
    !piece.arrangement &&
    !piece.files &&
    !piece.columns &&
    piece.kind !== 'horizontalRule';

  /** The map stays, and the focus on the button: the same press again moves on. */
  async function moveHere(event: MouseEvent, id: string, by: -1 | 1) {
    const button = event.currentTarget as HTMLButtonElement;
    const label = button.getAttribute('aria-label');
    desk.moves.by(id, by);
    desk.choose(null);
    await tick();
    const row = document.querySelector<HTMLElement>(`[data-map="${CSS.escape(id)}"]`);
    const can = [...(row?.querySelectorAll<HTMLButtonElement>('button:not(:disabled)') ?? [])];
    (can.find((one) => one.getAttribute('aria-label') === label) ?? can[0])?.focus();
  }

  async function letGo(old: string) {
    pathProblem = '';
    try {
      await desk.session.forget(old);
    } catch (error) {
      pathProblem = sentenceOf(error);
    }
  }

  async function takePath() {
    const path = typedPath?.trim().replace(/^\/+|\/+$/g, '') ?? desk.path;
    pathProblem = '';
    if (path === desk.path) return void (typedPath = null);
    try {
      await desk.session.rename(path);
      typedPath = null;
    } catch (error) {
      pathProblem = sentenceOf(error);
    }
  }
</script>

<Group name="Page map" value={count(desk.pieces.length, 'piece')} bind:open={mapOpen}>
  <ul
    class="space-y-1"
    use:dndzone={{ items: pieces, flipDurationMs: 0, dropTargetStyle: {}, zoneTabIndex: -1, zoneItemTabIndex: -1 }}
    onconsider={(event: CustomEvent<DndEvent<Piece>>) => (dragged = event.detail.items)}
    onfinalize={drop}
  >
    {#each pieces as piece, i (piece.id)}
      <li data-map={piece.id} class="group flex items-center gap-1 rounded-[3px] hover:bg-base-200">
        <a
          href="#{piece.id}"
          draggable="false"
          class="flex min-h-7 min-w-0 flex-1 cursor-pointer items-center gap-2.5 px-1 py-1 text-left"
          onclick={(event) => {
            event.preventDefault();
            desk.choose(piece.id);
            // Words that hold nothing have nothing to be chosen: the caret goes into them.
            if (isWords(piece)) desk.enter(piece.id);
          }}
        >
          {#if piece.figure && !piece.figure.asset}
            <span class="h-9 w-14 flex-none border border-dashed border-edge" aria-hidden="true"></span>
            <span class="truncate text-quiet">A place that waits</span>
          {:else if piece.figure}
            <img
              src={proofOf(piece.figure.asset, 160)}
              alt=""
              class="h-9 w-14 flex-none object-contain object-left"
              draggable="false"
            />
            <span class="truncate text-quiet">{desk.preview.look?.figures[piece.id]?.title ?? 'Picture'}</span>
          {:else if piece.band}
            <span class="relative h-6 w-14 flex-none overflow-hidden bg-edge" aria-hidden="true"
              >{#if piece.band.picture}<img
                  src={proofOf(piece.band.picture, 160)}
                  alt=""
                  class="h-full w-full object-cover"
                  draggable="false"
                />{/if}</span
            >
            <span class="truncate text-quiet">Band{piece.text ? `: ${piece.text}` : ''}</span>
          {:else if piece.arrangement}
            <span class="grid w-14 flex-none grid-cols-3 gap-[2px]" aria-hidden="true">
              {#each { length: 6 }, n (n)}<span class="h-3 bg-edge"></span>{/each}
            </span>
            <span class="truncate text-quiet"
              >{names.data?.arrangements.find((one) => one.id === piece.arrangement?.arrangement)?.name ??
                'Arrangement'}</span
            >
          {:else if piece.files}
            <span class="w-14 flex-none space-y-[3px]" aria-hidden="true">
              {#each { length: 3 }, n (n)}<span class="block h-[2px] border-b border-edge"></span>{/each}
            </span>
            <span class="truncate text-quiet">{count(piece.files.files.length, 'file')} in a table</span>
          {:else if piece.columns}
            <span class="grid w-14 flex-none grid-cols-4 gap-[3px]" aria-hidden="true">
              {#each piece.columns.cells.slice(0, 8) as cell (cell.id)}<span
                  class="h-3 {cell.figure ? 'bg-base-content' : 'border border-edge'}"
                ></span>{/each}
            </span>
            <span class="truncate text-quiet">{count(piece.columns.cells.length, 'cell')} in columns</span>
          {:else}
            <span class="w-14 flex-none space-y-[3px]" aria-hidden="true">
              {#each Array.from({ length: piece.kind === 'heading' ? 1 : lines(piece.text) }, (_, n) => n) as n (n)}
                <span class="block bg-edge {piece.kind === 'heading' ? 'h-[4px] w-3/4 bg-base-content' : 'h-[2px]'}"
                ></span>
              {/each}
            </span>
            <span class="truncate {piece.kind === 'heading' ? 'font-semibold' : 'text-quiet'}"
              >{piece.text || (piece.kind === 'horizontalRule' ? 'Rule' : 'Empty')}</span
            >
          {/if}
        </a>
        <span class="flex opacity-0 group-focus-within:opacity-100 group-hover:opacity-100">
          <button
            class="dk-button bare min-h-6 px-0.5"
            disabled={i === 0}
            aria-label="Move up"
            onclick={(event) => void moveHere(event, piece.id, -1)}><ArrowUp size={14} /></button
          >
          <button
            class="dk-button bare min-h-6 px-0.5"
            disabled={i === pieces.length - 1}
            aria-label="Move down"
            onclick={(event) => void moveHere(event, piece.id, 1)}><ArrowDown size={14} /></button
          >
        </span>
      </li>
    {/each}
  </ul>
</Group>
{#if notices.length > 0}
  <Group name="To mend" value={count(notices.length, 'thing')} bind:open={mendOpen}>
    {#each notices as notice, i (i)}
      <p class="mb-1.5">
        {notice.sentence} <button class="dk-link" onclick={() => goTo(notice.blockId)}>go there</button>
      </p>
    {/each}
  </Group>
{/if}
<Group name="This page" value={desk.path === '' ? 'the front page' : `/${desk.path}`} bind:open={pageOpen}>
  <label class="dk-label" for="page-title">Title</label>
  <input
    id="page-title"
    class="dk-field"
    value={desk.title}
    maxlength="200"
    autocomplete="off"
    oninput={(event) => desk.setPage({ title: event.currentTarget.value })}
  />
  <label class="dk-label mt-2" for="page-path">Address</label>
  {#if desk.session.draft?.path === '' && desk.path === ''}
    <p id="page-path">The site's own address: this is the front page.</p>
  {:else}
    <input
      id="page-path"
      class="dk-field"
      value={typedPath ?? desk.path}
      autocomplete="off"
      spellcheck="false"
      aria-describedby="path-problem"
      oninput={(event) => (typedPath = event.currentTarget.value)}
      onchange={takePath}
    />
  {/if}
  <p id="path-problem" class="dk-problem" role="alert">{pathProblem}</p>
  {#each desk.session.oldPaths as old (old)}
    <p class="text-quiet">
      /{old} leads on to this page. <button class="dk-link" onclick={() => void letGo(old)}>forget it</button>
    </p>
  {/each}
  <label class="dk-label mt-2" for="page-summary">Summary</label>
  <textarea
    id="page-summary"
    class="dk-field resize-none"
    rows="3"
    value={desk.summary}
    oninput={(event) => desk.setPage({ summary: event.currentTarget.value })}></textarea>
  <p class="text-quiet">For search engines, and under a post's name on the front page.</p>
  <button class="dk-button mt-2" onclick={() => void desk.session.toProofs()}>Proofs at all widths</button>
  {#if desk.preview.look}
    <p class="dk-tabular mt-2 text-quiet">
      Pictures weigh {weight(desk.preview.look.weights.desktop.all)} on desktop, {weight(
        desk.preview.look.weights.phone.all,
      )} on phone; {weight(desk.preview.look.weights.phone.atOnce)} of that comes at once.
    </p>
  {/if}
</Group>
