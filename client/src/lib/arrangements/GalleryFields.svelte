<!-- How a gallery is laid out: its kind, and what that kind asks for at each width. -->
<script lang="ts">
  import { captionSources, classes } from '$lib/desk/choices';
  import { captionPlaces, galleryKinds, type GalleryValues, type Opened } from './opened.svelte';

  let { opened, shapes }: { opened: Opened; shapes: readonly string[] } = $props();
  const gallery = $derived(opened.wish!.gallery);
  const set = (change: Partial<GalleryValues>) => opened.setGallery(change);
  const each = (list: number[], i: number, value: number) => list.map((one, at) => (at === i ? value : one));
  const entries = <T extends string>(names: Record<T, string>) => Object.entries(names) as [T, string][];
  const sources = entries(captionSources).filter(([source]) => source !== 'own' && source !== 'none');
</script>

{#snippet choice<T extends string | boolean>(label: string, now: T, offers: [T, string][], choose: (to: T) => void)}
  <h4 class="dk-label mt-3">{label}</h4>
  <div class="flex flex-wrap gap-1.5" role="group" aria-label={label}>
    {#each offers as [value, name] (value)}
      <button class="dk-button" aria-pressed={now === value} onclick={() => choose(value)}>{name}</button>
    {/each}
  </div>
{/snippet}
{#snippet numbers(label: string, list: number[], least: number, most: number, choose: (to: number[]) => void)}
  <h4 class="dk-label mt-3">{label}</h4>
  <div class="grid grid-cols-3 gap-2">
    {#each classes as c, i (c)}
      <label class="text-quiet"
        >{c}<input
          class="dk-field dk-tabular"
          type="number"
          min={least}
          max={most}
          aria-label="{label}, {c}"
          value={list[i]}
          onchange={(event) => choose(each(list, i, event.currentTarget.valueAsNumber || least))}
        /></label
      >
    {/each}
  </div>
{/snippet}

<div class="border-b border-hair px-4 py-3">
  <h3 class="font-semibold">Layout</h3>
  {@render choice('Pictures stand in', gallery.kind, entries(galleryKinds), (kind) => set({ kind }))}
  {#if gallery.kind === 'grid' || gallery.kind === 'level'}
    {@render numbers('Side by side', gallery.columns, 1, 6, (columns) => set({ columns }))}
  {:else if gallery.kind === 'rows'}
    {@render numbers('Height of rows, px', gallery.targetHeightPx, 40, 800, (targetHeightPx) =>
      set({ targetHeightPx }),
    )}
  {/if}
  <label class="dk-label mt-3" for="gutter">Gutter, px</label>
  <input
    id="gutter"
    class="w-full accent-base-content"
    type="range"
    min="0"
    max="60"
    value={gallery.gutterPx}
    oninput={(event) => set({ gutterPx: event.currentTarget.valueAsNumber })}
  />
  <output class="dk-tabular text-quiet" for="gutter">{gallery.gutterPx} px</output>
  {#if gallery.kind === 'grid'}
    {#if (opened.look?.uneven.length ?? 0) > 0}
      <p class="mt-3 text-soft" role="status">
        {opened.look!.uneven.length === 1 ? 'One picture' : `${opened.look!.uneven.length} pictures`} of another shape than
        the others: {opened
          .wish!.items.filter((item) => opened.look!.uneven.includes(item.id))
          .map((item) => opened.titleOf(item))
          .join(', ')}.
        <button class="dk-button mt-1" onclick={() => set({ shape: shapes[0] ?? '3:2' })}>One shape for all</button>
      </p>
    {/if}
    {@render choice(
      'Shape of the cells',
      gallery.shape,
      [['', 'as is'], ...shapes.map((shape) => [shape, shape] as [string, string])],
      (shape) => set({ shape }),
    )}
    {#if gallery.shape}
      {@render choice<boolean>(
        'A picture of another shape',
        gallery.whole,
        [
          [false, 'fills the cell'],
          [true, 'stands whole in it'],
        ],
        (whole) => set({ whole }),
      )}
      {#if gallery.whole}
        {@render choice(
          'It stands',
          gallery.align,
          [
            ['top', 'at the top'],
            ['middle', 'in the middle'],
            ['bottom', 'at the bottom'],
          ] as const as unknown as [GalleryValues['align'], string][],
          (align) => set({ align }),
        )}
      {/if}
    {/if}
  {/if}
</div>
<div class="border-b border-hair px-4 py-3">
  <h3 class="font-semibold">Words and the larger view</h3>
  {@render choice('Captions', gallery.captions, entries(captionPlaces), (captions) => set({ captions }))}
  {#if gallery.captions !== 'none'}
    <label class="dk-label mt-3" for="captions-from">They are</label>
    <select
      id="captions-from"
      class="dk-field"
      value={gallery.captionsFrom}
      onchange={(event) => set({ captionsFrom: event.currentTarget.value as GalleryValues['captionsFrom'] })}
    >
      {#each sources as [source, name] (source)}<option value={source}>{name}</option>{/each}
    </select>
  {/if}
  {#if gallery.captions === 'below'}
    <label class="dk-label mt-3" for="caption-lines">Room kept for lines</label>
    <input
      id="caption-lines"
      class="dk-field dk-tabular w-20"
      type="number"
      min="0"
      max="6"
      value={gallery.captionLines}
      onchange={(event) => set({ captionLines: event.currentTarget.valueAsNumber || 0 })}
    />
  {/if}
  <label class="mt-3 flex min-h-6 items-center gap-1.5">
    <input
      type="checkbox"
      checked={gallery.opensLarger}
      onchange={(event) => set({ opensLarger: event.currentTarget.checked })}
    />a press opens the larger view
  </label>
</div>
