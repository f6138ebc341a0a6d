<!-- Side, size and text beside, as small drawings of where the picture stands. -->
<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import { sides, sizes } from '$lib/model/choices';
  import type { Desk } from './desk.svelte';
  import type { FigureAttrs } from '$lib/model/attrs';

  let {
    desk,
    figure,
    set,
    beside,
    choices,
    sameSizes = [],
  }: {
    desk: Desk;
    figure: FigureAttrs;
    set: (change: Partial<FigureAttrs>) => void;
    beside?: Schemas['PerClassOfboolean'];
    /** What may be chosen at this size; unknown for the moment after it was placed. */
    choices?: Schemas['PlacementChoices'];
    /** Sizes between which nothing changes at the width that is shown. */
    sameSizes?: readonly (string | null)[];
  } = $props();

  /** Left edge and width of the picture in a drawing 28 units wide, column from 5 to 23. */
  const sideBox = { left: [5, 8], centre: [10, 8], right: [15, 8] } as const;
  const sizeBox = { third: [11, 6], half: [9, 10], column: [5, 18], wide: [2.5, 23], edge: [0, 28] } as const;
  const takesSide = $derived(choices?.side ?? true);
  const mayBeside = $derived(choices?.beside ?? true);
  let typed = $state<string | null>(null);
  let problem = $state('');
  const takePx = () => {
    const [text, { leastPx, mostPx }] = [(typed ?? '').trim(), desk.site.limits];
    const px = Number(text.replace(/\s*px$/i, ''));
    problem = '';
    if (text === '') return void (typed = null);
    if (!Number.isInteger(px) || px < leastPx || px > mostPx)
      return void (problem = `A width in px, from ${leastPx} to ${mostPx}; for a share choose third, half or column.`);
    typed = null;
    set({ size: px });
  };
</script>

{#snippet drawing(box: readonly [number, number])}
  <svg viewBox="0 0 28 20" width="28" height="20" fill="currentColor" aria-hidden="true">
    <rect x={box[0]} y="3" width={box[1]} height="8" rx=".5" />
    <path d="M5 14h18v1.2H5zM5 17.4h13v1.2H5z" opacity=".55" />
  </svg>
{/snippet}

<div class="flex items-center gap-2" role="group" aria-label="Side">
  <span class="w-8 text-quiet">Side</span>
  {#each sides as side (side)}
    <button
      class="dk-button bare h-auto flex-1 flex-col gap-0 py-1"
      aria-pressed={takesSide && figure.side === side}
      disabled={!takesSide}
      onclick={() => set({ side })}
    >
      {@render drawing(sideBox[side])}{side}
    </button>
  {/each}
</div>
<div class="mt-2 flex items-center gap-1" role="group" aria-label="Size">
  <span class="w-9 text-quiet">Size</span>
  {#each sizes as size (size)}
    <button
      class="dk-button bare h-auto flex-auto flex-col gap-0 px-1! py-1"
      aria-pressed={figure.size === size}
      onclick={() => set({ size })}
    >
      {@render drawing(sizeBox[size])}{size}
    </button>
  {/each}
</div>
<div class="mt-2.5 flex items-center justify-between">
  <label class="flex items-center gap-2">
    <input
      class="dk-field dk-tabular w-16 text-right"
      aria-label="Size in px"
      inputmode="numeric"
      placeholder="own"
      value={typed ?? (typeof figure.size === 'number' ? figure.size : '')}
      oninput={(event) => (typed = event.currentTarget.value)}
      onchange={takePx}
    />px
  </label>
  <label class="flex min-h-6 items-center gap-2 {mayBeside ? '' : 'text-quiet'}">
    <input
      type="checkbox"
      role="switch"
      class="toggle toggle-sm"
      checked={figure.beside}
      disabled={!mayBeside}
      onchange={(event) => set({ beside: event.currentTarget.checked })}
    />
    text beside
  </label>
</div>
{#if problem}<p class="dk-problem mt-1" role="alert">{problem}</p>{/if}
{#if sameSizes.length > 1}
  <p class="mt-1.5 text-quiet">
    On {desk.widthClass}
    {sameSizes.slice(0, -1).join(', ')} and {sameSizes.at(-1)} are as wide as one another.
  </p>
{/if}
{#if !takesSide}
  <p class="mt-1.5 text-quiet">It is wider than the column of text: it has no side, and no text beside it.</p>
{:else if figure.beside && mayBeside && beside && !beside[desk.widthClass]}
  <p class="mt-1.5 text-quiet">On {desk.widthClass} the text goes below: too little room is left for a line.</p>
{/if}
