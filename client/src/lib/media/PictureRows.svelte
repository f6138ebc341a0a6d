<!-- Pictures of a search in rows at their true shapes; only the rows in view are in the document. -->
<script lang="ts">
  import { createVirtualizer } from '@tanstack/svelte-virtual';
  import { untrack, type Snippet } from 'svelte';
  import type { FileItem } from '$lib/api/client';
  import type { Found } from './found.svelte';
  import { rowsOf, widthIn } from '$lib/model/rows';

  let {
    found,
    rowHeight,
    wordsHeight,
    scroller = $bindable(),
    class: classes = '',
    onpointerdown,
    over,
    cell,
  }: {
    found: Found;
    /** How high a picture is wished, and the words beneath it with the room below them, in CSS px. */
    rowHeight: number;
    wordsHeight: number;
    scroller?: HTMLElement;
    class?: string;
    onpointerdown?: (event: PointerEvent) => void;
    /** Drawn over the rows. */
    over?: Snippet;
    /** One picture, its height and width as laid, and its number. */
    cell: Snippet<[item: FileItem, height: number, width: number, index: number]>;
  } = $props();

  const [gap, edge] = [24, 20];
  let width = $state(0);
  const rows = $derived(width > 0 ? rowsOf(found.shapes, width - 2 * edge, rowHeight, gap) : []);
  const virtualizer = createVirtualizer<HTMLElement, HTMLElement>({
    count: 0,
    getScrollElement: () => scroller ?? null,
    estimateSize: () => 226,
    overscan: 1,
    paddingStart: edge,
    paddingEnd: edge,
  });
  $effect(() => {
    const [all, end, words] = [rows, scroller, wordsHeight];
    untrack(() => {
      $virtualizer.setOptions({
        count: all.length,
        getScrollElement: () => end ?? null,
        estimateSize: (i) => (all[i]?.height ?? rowHeight) + words,
      });
      $virtualizer.measure();
    });
  });
  const visible = $derived($virtualizer.getVirtualItems());
  $effect(() => {
    const [first, last] = [rows[visible[0]?.index ?? 0], rows[visible.at(-1)?.index ?? 0]];
    if (first && last) untrack(() => found.show(first.from, last.to));
  });
  // Another search begins at its beginning.
  $effect(() => {
    if (found.of) scroller?.scrollTo({ top: 0 });
  });

  /** Brings a picture into view, by its number, and gives what is drawn for it once it is there. */
  export async function reveal(index: number, id: string): Promise<HTMLElement | null> {
    const drawn = () => document.getElementById(id);
    if (!drawn()) $virtualizer.scrollToIndex(rows.findIndex((row) => row.to > index));
    for (let frames = 0; frames < 60 && !drawn(); frames++) await new Promise(requestAnimationFrame);
    return drawn();
  }

  /** The number of the picture that stands above or below one, nearest to it. */
  export function besides(index: number, by: 1 | -1): number {
    const at = rows.findIndex((row) => row.to > index);
    const other = rows[at + by];
    if (at < 0 || !other) return index;
    const share = (index - rows[at]!.from + 0.5) / (rows[at]!.to - rows[at]!.from);
    return Math.min(other.to - 1, other.from + Math.floor(share * (other.to - other.from)));
  }
</script>

<svelte:window onpointerup={found.letGo} onpointercancel={found.letGo} ondragend={found.letGo} />
<div
  bind:this={scroller}
  bind:clientWidth={width}
  class="relative overflow-y-auto bg-base-200 {classes}"
  role="presentation"
  onpointerdown={(event) => {
    found.hold();
    onpointerdown?.(event);
  }}
>
  {@render over?.()}
  <div class="relative" style:height="{$virtualizer.getTotalSize()}px" role="list" aria-label="Pictures">
    {#each visible as line (line.key)}
      {@const row = rows[line.index]}
      <div class="absolute right-5 left-5 flex items-start gap-6" style:transform="translateY({line.start}px)">
        {#if row}
          {#each found.ids.slice(row.from, row.to) as id, i (id)}
            {@const item = found.at(row.from + i)}
            {@const width = widthIn(row, found.shapes[row.from + i] ?? 1)}
            <div role="listitem" style:width="{width}px" class="flex-none">
              {#if item?.id === id}
                {@render cell(item, row.height, width, row.from + i)}
              {:else}
                <span class="block bg-base-300" style:height="{row.height}px"></span>
              {/if}
            </div>
          {/each}
        {/if}
      </div>
    {/each}
  </div>
</div>
