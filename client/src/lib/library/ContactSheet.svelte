<!-- Pictures in rows at their true shapes; only the rows in view are in the document. -->
<script lang="ts">
  import { createVirtualizer } from '@tanstack/svelte-virtual';
  import { untrack } from 'svelte';
  import { proofOf, type FileItem } from '$lib/api/client';
  import { count, markWords } from '$lib/ui/words';
  import { rowsOf, shapeOf } from './rows';
  import ThroughWords from './ThroughWords.svelte';

  let {
    items,
    chosen,
    onchoose,
    onend,
  }: { items: FileItem[]; chosen: string | null; onchoose: (item: FileItem) => void; onend: () => void } = $props();

  const gap = 24;
  const wordsHeight = $derived(items.some((item) => item.through) ? 112 : 92);
  let scroller = $state<HTMLElement>();
  let width = $state(0);
  const rows = $derived(width > 0 ? rowsOf(items, shapeOf, width - 40, 150, gap) : []);
  const virtualizer = createVirtualizer<HTMLElement, HTMLElement>({
    count: 0,
    getScrollElement: () => scroller ?? null,
    estimateSize: () => 226,
    overscan: 3,
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

  function step(event: KeyboardEvent, item: FileItem) {
    const by = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
    const next = by ? items[items.indexOf(item) + by] : undefined;
    if (!next) return;
    event.preventDefault();
    onchoose(next);
    requestAnimationFrame(() => document.getElementById(`picture-${next.id}`)?.focus());
  }
</script>

<div bind:this={scroller} bind:clientWidth={width} class="h-full overflow-y-auto bg-base-200">
  <div class="relative" style:height="{$virtualizer.getTotalSize()}px" role="list" aria-label="Pictures">
    {#each visible as line (line.key)}
      <div class="absolute right-5 left-5 flex gap-6" style:transform="translateY({line.start}px)">
        {#each rows[line.index]?.items ?? [] as cell (cell.item.id)}
          {@const item = cell.item}
          <div role="listitem" style:width="{cell.width}px" class="flex-none">
            <button
              id="picture-{item.id}"
              class="block w-full cursor-pointer text-left"
              aria-pressed={chosen === item.id}
              onclick={() => onchoose(item)}
              onkeydown={(event) => step(event, item)}
            >
              <span class="block" class:dk-crop={chosen === item.id}>
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
              {:else if item.marks.length > 0}
                <span class="dk-marks block truncate text-soft"
                  >{item.marks.map((mark) => markWords[mark]).join(' · ')}</span
                >
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
