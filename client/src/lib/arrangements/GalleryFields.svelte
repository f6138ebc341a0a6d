<!-- How a gallery is laid out: its kind, and what that kind asks for at each width. -->
<script lang="ts">
  import type { SiteLook } from '$lib/api/client';
  import CaptionFields from './CaptionFields.svelte';
  import Choice from '$lib/fields/Choice.svelte';
  import NumberEach from '$lib/fields/NumberEach.svelte';
  import NumberField from '$lib/fields/NumberField.svelte';
  import { entriesOf, galleryKinds } from './names';
  import type { GalleryValues, Opened } from './opened.svelte';
  import Turns from './Turns.svelte';

  let { opened, site }: { opened: Opened; site: SiteLook } = $props();
  const gallery = $derived(opened.wish!.gallery);
  const limits = $derived(site.arrangements);
  const uneven = $derived(opened.look?.uneven ?? []);
  const set = (change: Partial<GalleryValues>) => opened.setGallery(change);
  const aligned = { top: 'at the top', middle: 'in the middle', bottom: 'at the bottom' } as const;
</script>

<div class="border-b border-hair px-4 py-3">
  <h3 class="font-semibold">Layout</h3>
  <Choice
    label="Pictures stand in"
    now={gallery.kind}
    offers={entriesOf(galleryKinds)}
    onset={(kind) => set({ kind })}
  />
  {#if gallery.kind === 'grid' || gallery.kind === 'level'}
    <NumberEach
      label="Side by side"
      list={gallery.columns}
      least={1}
      most={limits.mostColumns}
      onset={(columns) => set({ columns })}
    />
  {:else if gallery.kind === 'rows'}
    <NumberEach
      label="Height of rows, px"
      list={gallery.targetHeightPx}
      least={limits.leastHeightPx}
      most={limits.mostHeightPx}
      onset={(targetHeightPx) => set({ targetHeightPx })}
    />
  {:else}
    <div class="mt-3">
      <NumberField
        label="Widest, px"
        value={gallery.mostWidePx || null}
        least={limits.leastWidePx}
        most={limits.mostWidePx}
        placeholder="as wide as its file"
        onset={(px) => set({ mostWidePx: px ?? 0 })}
      />
    </div>
  {/if}
  <label class="dk-label mt-3" for="gutter">Gutter, px</label>
  <input
    id="gutter"
    class="w-full accent-base-content"
    type="range"
    min="0"
    max={limits.mostGutterPx}
    value={gallery.gutterPx}
    oninput={(event) => set({ gutterPx: event.currentTarget.valueAsNumber })}
  />
  <output class="dk-tabular text-quiet" for="gutter">{gallery.gutterPx} px</output>
  {#if uneven.length > 0}
    <p class="mt-3 text-soft" role="status">
      {uneven.length === 1 ? 'One picture' : `${uneven.length} pictures`} of another {gallery.kind === 'even'
        ? 'size'
        : 'shape'} than the others: {opened
        .wish!.items.filter((item) => uneven.includes(item.id))
        .map((item) => opened.titleOf(item))
        .join(', ')}.
      <button class="dk-button mt-1" onclick={() => set({ kind: 'grid', shape: site.shapes[0] })}
        >One shape for all</button
      >
    </p>
  {/if}
  {#if gallery.kind === 'grid'}
    <Choice
      label="Shape of the cells"
      now={gallery.shape}
      offers={[['', 'as is'], ...site.shapes.map((shape) => [shape, shape] as const)]}
      onset={(shape) => set({ shape })}
    />
    {#if gallery.shape}
      <Choice
        label="A picture of another shape"
        now={gallery.whole}
        offers={[
          [false, 'fills the cell'],
          [true, 'stands whole in it'],
        ]}
        onset={(whole) => set({ whole })}
      />
      {#if gallery.whole}
        <Choice label="It stands" now={gallery.align} offers={entriesOf(aligned)} onset={(align) => set({ align })} />
      {/if}
    {/if}
  {/if}
</div>
<div class="border-b border-hair px-4 py-3">
  <h3 class="font-semibold">Parts</h3>
  <label class="mt-2 flex min-h-6 items-center gap-1.5">
    <input
      type="checkbox"
      checked={(gallery.perSheet ?? 0) > 0}
      onchange={(event) => set({ perSheet: event.currentTarget.checked ? limits.usualPerSheet : 0 })}
    />so many pictures at a time, with links
  </label>
  {#if (gallery.perSheet ?? 0) > 0}
    <div class="mt-3 w-28">
      <NumberField
        label="Pictures at a time"
        value={gallery.perSheet ?? 0}
        least={1}
        most={limits.mostPerSheet}
        onset={(perSheet) => set({ perSheet: perSheet ?? 1 })}
      />
    </div>
    <Choice
      label="Links stand"
      now={gallery.pageLinks!}
      offers={entriesOf({ below: 'below', above: 'above', both: 'both' } as const)}
      onset={(pageLinks) => set({ pageLinks })}
    />
    <Choice
      label="They look like"
      now={gallery.pageLinksLook!}
      offers={entriesOf({ words: 'words', boxes: 'boxes' } as const)}
      onset={(pageLinksLook) => set({ pageLinksLook })}
    />
  {/if}
</div>
<div class="border-b border-hair px-4 py-3">
  <h3 class="font-semibold">Words and the larger view</h3>
  <CaptionFields captions={gallery.captions} captionsFrom={gallery.captionsFrom} {set} />
  {#if gallery.captions === 'below'}
    <div class="mt-3 w-28">
      <NumberField
        label="Room kept for lines"
        value={gallery.captionLines}
        least={0}
        most={limits.mostCaptionLines}
        onset={(captionLines) => set({ captionLines: captionLines ?? 0 })}
      />
    </div>
  {/if}
  <Turns offers={[['opensLarger', 'a press opens the larger view']]} now={gallery} onset={set} />
</div>
