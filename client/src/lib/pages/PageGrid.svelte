<!-- Pages or posts as cards in the order of the menu. Only the rows in view are in the document, so that a thousand take no
     longer than twenty. -->
<script lang="ts">
  import { createQueries } from '@tanstack/svelte-query';
  import { dndzone, type DndEvent } from 'svelte-dnd-action';
  import type { PageItem, PageName } from '$lib/api/client';
  import { cardsAtATime, pageCards } from '$lib/api/queries';
  import PageCard from './PageCard.svelte';

  let {
    kind,
    names,
    view,
    held = $bindable(),
    onorder,
    onswitch,
    ondate,
    oncopy,
    ontakeaway,
  }: {
    kind: 'page' | 'post';
    names: PageName[];
    /** What of the place is in view, in px from its top, and whether it rests there. */
    view: { top: number; height: number; rests: boolean };
    /** Whether a card is in the hand. */
    held: boolean;
    onorder: (names: PageName[]) => void;
    onswitch: (item: PageItem, on: boolean) => void;
    ondate: (item: PageItem, date: string) => void;
    oncopy: (item: PageItem) => void;
    ontakeaway: (item: PageItem) => void;
  } = $props();

  const [cardPx, gapPx, rowGapPx, rowsBeyond] = [268, 32, 28, 1];
  const heightPx = $derived(kind === 'post' ? 342 : 296);
  const pitchPx = $derived(heightPx + rowGapPx);
  let grid = $state<HTMLElement>();
  let width = $state(0);
  const columns = $derived(Math.max(1, Math.floor((width + gapPx) / (cardPx + gapPx))));
  /** The cards that are drawn; they stay while one of them is in the hand. */
  let drawn = $state.raw({ from: 0, to: 0 });
  $effect(() => {
    if (held) return;
    const top = view.top - (grid?.offsetTop ?? 0);
    const from = Math.max(0, Math.floor(top / pitchPx) - rowsBeyond) * columns;
    const to = Math.min(names.length, (Math.ceil((top + view.height) / pitchPx) + rowsBeyond) * columns);
    const now = width === 0 ? { from: 0, to: 0 } : { from: Math.min(from, names.length), to: Math.max(from, to) };
    if (now.from !== drawn.from || now.to !== drawn.to) drawn = now;
  });
  const first = $derived(Math.floor(drawn.from / cardsAtATime));
  const last = $derived(Math.ceil(drawn.to / cardsAtATime));
  const loaded = createQueries(() => ({
    queries: Array.from({ length: Math.max(0, last - first) }, (_, i) => pageCards(kind, first + i)),
  }));
  const items = $derived(new Map(loaded.flatMap((part) => part.data ?? []).map((item) => [item.id, item])));
  /** As they lie while one is dragged; null where none is. */
  let dragged = $state.raw<PageName[] | null>(null);
  const shown = $derived(dragged ?? names.slice(drawn.from, drawn.to));
  const rowsOf = (cards: number) => Math.ceil(cards / columns);

  /** Cards that are drawn in full: what only passes by is a name, and of what came to rest one is drawn a frame. */
  let full = $state.raw<ReadonlySet<string>>(new Set());
  /** Cards with a picture of their page: that is a whole page, and they are drawn one after the other. */
  let pictured = $state.raw<ReadonlySet<string>>(new Set());
  const pictureMs = 60;
  $effect(() => {
    if (!view.rests || held) return;
    const ids = shown.filter((name) => items.has(name.id)).map((name) => name.id);
    let [frame, wait] = [0, 0];
    /** One more of those in view; false where there is none. */
    const more = (of: ReadonlySet<string>, set: (now: ReadonlySet<string>) => void) => {
      const next = ids.find((id) => !of.has(id));
      if (next) set(new Set([...ids.filter((id) => of.has(id)), next]));
      return next !== undefined;
    };
    const picture = () => {
      if (more(pictured, (now) => (pictured = now))) wait = window.setTimeout(picture, pictureMs);
    };
    const draw = () => {
      if (more(full, (now) => (full = now))) frame = requestAnimationFrame(draw);
      else picture();
    };
    frame = requestAnimationFrame(draw);
    return () => (cancelAnimationFrame(frame), clearTimeout(wait));
  });

  function move(from: number, to: number) {
    const order = [...names];
    const [taken] = order.splice(from, 1);
    if (taken) order.splice(to, 0, taken);
    onorder(order);
  }

  function consider(event: CustomEvent<DndEvent<PageName>>) {
    [held, dragged] = [true, event.detail.items];
  }

  function finalize(event: CustomEvent<DndEvent<PageName>>) {
    onorder([...names.slice(0, drawn.from), ...event.detail.items, ...names.slice(drawn.to)]);
    [held, dragged] = [false, null];
  }
</script>

<div
  bind:this={grid}
  bind:clientWidth={width}
  style:padding-top="{rowsOf(drawn.from) * pitchPx}px"
  style:padding-bottom="{rowsOf(names.length - drawn.to) * pitchPx}px"
>
  <div
    class="flex flex-wrap gap-x-8 gap-y-7"
    use:dndzone={{
      items: shown,
      type: kind,
      flipDurationMs: 120,
      dropTargetStyle: {},
      zoneTabIndex: -1,
      zoneItemTabIndex: -1,
    }}
    onconsider={consider}
    onfinalize={finalize}
  >
    {#each shown as name, i (name.id)}
      {@const item = items.get(name.id)}
      {@const at = drawn.from + i}
      <div style:height="{heightPx}px" class="w-[268px]">
        {#if item && full.has(name.id)}
          <PageCard
            {item}
            isPictured={pictured.has(name.id)}
            first={at === 0}
            last={at === names.length - 1}
            onmove={(by) => move(at, at + by)}
            onfirst={() => move(at, 0)}
            onswitch={(on) => onswitch(item, on)}
            ondate={(day) => ondate(item, day)}
            oncopy={() => oncopy(item)}
            ontakeaway={() => ontakeaway(item)}
          />
        {:else}
          <p class="truncate pt-[176px] text-read text-quiet">{name.title}</p>
        {/if}
      </div>
    {/each}
  </div>
</div>
