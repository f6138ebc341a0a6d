<!-- Pictures in rows at their true shapes; only the rows in view are in the document. -->
<script lang="ts">
  import { createVirtualizer } from '@tanstack/svelte-virtual';
  import { untrack } from 'svelte';
  import { proofOf, type FileItem } from '$lib/api/client';
  import { count, dayOf, markWords } from '$lib/ui/words';
  import type { Choosing } from './choosing.svelte';
  import { GrowingRows, shapeOf } from './rows';
  import ThroughWords from './ThroughWords.svelte';

  let {
    items,
    chosen,
    choosing,
    onchoose,
    onend,
  }: {
    items: FileItem[];
    chosen: string | null;
    choosing: Choosing;
    onchoose: (item: FileItem) => void;
    onend: () => void;
  } = $props();

  const marksOf = (item: FileItem) =>
    [
      ...(item.awaySince ? [`taken away ${dayOf(item.awaySince)}`] : []),
      ...item.marks.map((mark) => markWords[mark]),
      ...(item.twins.length > 0 ? [twinWords(item)] : []),
    ].join(' · ');
  const twinWords = (item: FileItem) => {
    const twin = items.find((other) => other.id === item.twins[0]);
    return twin ? `twin of ${twin.words.title}` : 'twin';
  };
  const gap = 24;
  // Either all are looked at through a place, or none.
  const wordsHeight = $derived(items[0]?.through ? 112 : 92);
  let scroller = $state<HTMLElement>();
  let width = $state(0);
  const laid = new GrowingRows<FileItem>(shapeOf, 150, gap);
  const rows = $derived(width > 0 ? laid.of(items, width - 40) : []);
  const virtualizer = createVirtualizer<HTMLElement, HTMLElement>({
    count: 0,
    getScrollElement: () => scroller ?? null,
    estimateSize: () => 226,
    overscan: 1,
    paddingStart: 20,
    paddingEnd: 20,
  });
  $effect(() => {
    const [all, end] = [rows, scroller];
    untrack(() => {
      $virtualizer.setOptions({
        count: all.length,
        getScrollElement: () => end ?? null,
        estimateSize: (i) => (all[i]?.height ?? 150) + wordsHeight,
      });
      $virtualizer.measure();
    });
  });
  const visible = $derived($virtualizer.getVirtualItems());
  $effect(() => {
    if (rows.length > 0 && (visible.at(-1)?.index ?? 0) >= rows.length - 3) untrack(onend);
  });

  const ids = $derived(items.map((item) => item.id));

  /** Plain: one; Ctrl: one more or less; Shift: all up to there. */
  function press(event: MouseEvent, item: FileItem) {
    if (event.shiftKey) choosing.range(ids, item.id);
    else if (event.ctrlKey || event.metaKey) choosing.turn(item.id);
    else {
      choosing.clear();
      choosing.start(item.id);
      onchoose(item);
    }
  }

  /** A box drawn from an empty spot takes all pictures it touches. */
  let box = $state<{ left: number; top: number; width: number; height: number } | null>(null);
  function draw(event: PointerEvent) {
    if (event.button !== 0 || !scroller || (event.target as Element).closest('button')) return;
    const area = scroller;
    const start = { x: event.clientX, y: event.clientY + area.scrollTop };
    const before = event.ctrlKey || event.shiftKey ? [...choosing.ids] : [];
    const move = (now: PointerEvent) => {
      const [x, y] = [now.clientX, now.clientY + area.scrollTop];
      const bounds = area.getBoundingClientRect();
      const [left, right] = [Math.min(start.x, x), Math.max(start.x, x)];
      const [top, bottom] = [Math.min(start.y, y) - area.scrollTop, Math.max(start.y, y) - area.scrollTop];
      if (right - left < 5 && bottom - top < 5) return;
      box = {
        left: left - bounds.left,
        top: top - bounds.top + area.scrollTop,
        width: right - left,
        height: bottom - top,
      };
      const touched = [...area.querySelectorAll<HTMLElement>('[data-picture]')].filter((one) => {
        const at = one.getBoundingClientRect();
        return at.left < right && at.right > left && at.top < bottom && at.bottom > top;
      });
      choosing.only([...before, ...touched.map((one) => one.dataset.picture ?? '')]);
    };
    const stop = () => {
      removeEventListener('pointermove', move);
      if (!box && before.length === 0) choosing.clear();
      box = null;
    };
    addEventListener('pointermove', move);
    addEventListener('pointerup', stop, { once: true });
  }

  function step(event: KeyboardEvent, item: FileItem) {
    const by = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
    const next = by ? items[items.indexOf(item) + by] : undefined;
    if (!next) return;
    event.preventDefault();
    if (event.shiftKey) {
      if (choosing.ids.size === 0) choosing.start(item.id);
      choosing.range(ids, next.id);
    } else onchoose(next);
    requestAnimationFrame(() => document.getElementById(`picture-${next.id}`)?.focus());
  }
</script>

<div
  bind:this={scroller}
  bind:clientWidth={width}
  class="relative h-full overflow-y-auto bg-base-200"
  role="presentation"
  onpointerdown={draw}
>
  {#if box}
    <div
      class="pointer-events-none absolute z-20 border border-crop bg-wash"
      style:left="{box.left}px"
      style:top="{box.top}px"
      style:width="{box.width}px"
      style:height="{box.height}px"
    ></div>
  {/if}
  <div class="relative" style:height="{$virtualizer.getTotalSize()}px" role="list" aria-label="Pictures">
    {#each visible as line (line.key)}
      <div class="absolute right-5 left-5 flex gap-6" style:transform="translateY({line.start}px)">
        {#each rows[line.index]?.items ?? [] as cell (cell.item.id)}
          {@const item = cell.item}
          <div role="listitem" style:width="{cell.width}px" class="flex-none">
            <button
              id="picture-{item.id}"
              class="block w-full cursor-pointer text-left"
              aria-pressed={chosen === item.id || choosing.ids.has(item.id)}
              data-picture={item.id}
              onclick={(event) => press(event, item)}
              onkeydown={(event) => step(event, item)}
            >
              <span class="relative block" class:dk-crop={chosen === item.id || choosing.ids.has(item.id)}>
                {#if choosing.ids.has(item.id)}
                  <span class="dk-tabular absolute top-1 left-1 z-10 min-w-5 bg-base-100 px-1 text-center font-semibold"
                    >{choosing.numberOf(item.id)}</span
                  >
                {/if}
                <img
                  src={proofOf(item.picture, cell.width > 300 ? 640 : 320, item.through?.cut)}
                  alt=""
                  style:height="{rows[line.index]?.height}px"
                  class="block w-full bg-base-300 object-cover"
                  decoding="async"
                  draggable="false"
                />
              </span>
              <span class="mt-2 block truncate">{item.words.title}</span>
              <span class="dk-tabular block text-quiet">
                {item.width} × {item.height} ·
                <span class="whitespace-nowrap">{item.places === 0 ? 'unused' : count(item.places, 'place')}</span>
              </span>
              {#if item.through}
                <ThroughWords through={item.through} />
              {:else if marksOf(item)}
                <span class="dk-marks block truncate text-soft">{marksOf(item)}</span>
              {/if}
            </button>
          </div>
        {/each}
      </div>
    {/each}
  </div>
</div>

<style>
  .dk-marks::before {
    content: '';
    display: inline-block;
    width: 7px;
    height: 7px;
    margin-right: 6px;
    border: 1.5px solid currentColor;
    transform: rotate(45deg);
  }
</style>
