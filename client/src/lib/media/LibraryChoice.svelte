<!-- The library's pictures, searched and chosen. -->
<script lang="ts">
  import type { FileItem } from '$lib/api/client';
  import type { Through } from '$lib/api/queries';
  import BoxDrawn from '$lib/ui/BoxDrawn.svelte';
  import { Boxing } from '$lib/ui/boxing.svelte';
  import type { Choosing } from '$lib/ui/choosing.svelte';
  import { find } from './found.svelte';
  import PictureRows from './PictureRows.svelte';
  import PictureTile from './PictureTile.svelte';
  import ThroughWords from './ThroughWords.svelte';

  let {
    choosing,
    many,
    through = null,
    onone,
  }: { choosing: Choosing; many: boolean; through?: Through | null; onone: (id: string) => void } = $props();
  let query = $state('');
  let scroller = $state<HTMLElement>();
  const boxing = new Boxing(
    () => choosing,
    () => scroller,
    true,
  );
  const found = find(
    () => query.trim(),
    () => through,
  );

  function press(event: MouseEvent, item: FileItem) {
    if (!many) onone(item.id);
    else if (event.shiftKey) choosing.range(found.ids, item.id);
    else choosing.turn(item.id);
  }
</script>

<label class="dk-label" for="library-search">Search</label>
<input
  id="library-search"
  class="dk-field"
  type="search"
  placeholder="dunes, lantern, wor …"
  autocomplete="off"
  bind:value={query}
/>
<p class="mt-1.5 text-quiet">
  {found.head && found.total === 0
    ? query.trim()
      ? `No picture answers to “${query.trim()}”: try fewer words.`
      : 'The library is empty: take pictures from this computer.'
    : many
      ? 'Press one after the other in the order they shall have; Shift chooses all between, a box drawn between them all it touches.'
      : through
        ? 'Those that fit the place best come first. Press the one to take.'
        : 'Press the one to take.'}
</p>
<PictureRows
  bind:scroller
  {found}
  rowHeight={104}
  wordsHeight={through ? 90 : 70}
  class="mt-2 h-[52vh] border border-hair"
  onpointerdown={many ? boxing.draw : undefined}
>
  {#snippet over()}<BoxDrawn {boxing} />{/snippet}
  {#snippet cell(item, height, width)}
    <button
      class="block w-full cursor-pointer text-left"
      data-picture={item.id}
      aria-pressed={many ? choosing.ids.has(item.id) : undefined}
      onclick={(event) => press(event, item)}
    >
      <PictureTile {item} {width} {height} chosen={choosing.ids.has(item.id)} number={choosing.numberOf(item.id)} />
      <span class="mt-1 block truncate">{item.words.title}</span>
      {#if item.through}
        <ThroughWords through={item.through} />
      {:else}
        <span class="dk-tabular -mr-5 block truncate text-quiet">{item.width} × {item.height}</span>
      {/if}
    </button>
  {/snippet}
</PictureRows>
