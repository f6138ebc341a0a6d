<!-- How high a band or a row of cells is at least, and where the words stand in it. -->
<script lang="ts">
  import Group from '$lib/ui/Group.svelte';
  import { classes, inEach } from '$lib/model/choices';
  import NineFields from './NineFields.svelte';
  import type { WordsPlace } from '$lib/model/attrs';

  let {
    place,
    mostPx,
    stands,
    onset,
  }: {
    place: WordsPlace;
    mostPx: number;
    /** How high it stands on each class of screen, CSS px; null where that is not known. */
    stands: number[] | null;
    onset: (change: Partial<WordsPlace>) => void;
  } = $props();
  let open = $state({ height: false, place: false });

  function setHeight(i: number, typed: string) {
    const px = Number.parseInt(typed, 10);
    onset({ leastHeight: inEach(place.leastHeight, i, Number.isFinite(px) ? Math.min(mostPx, Math.max(0, px)) : 0) });
  }
</script>

<Group
  name="Height"
  value={place.leastHeight.some((px) => px > 0) ? `at least ${place.leastHeight.join(', ')} px` : 'as its words need'}
  bind:open={open.height}
>
  <div class="flex gap-2">
    {#each classes as c, i (c)}
      <label class="flex-1">
        <span class="dk-label">{c}</span>
        <input
          class="dk-field dk-tabular"
          inputmode="numeric"
          aria-label="Least height on {c}, px"
          placeholder="own"
          value={place.leastHeight[i] || ''}
          onchange={(event) => setHeight(i, event.currentTarget.value)}
        />
      </label>
    {/each}
  </div>
  {#if stands}<p class="dk-tabular mt-1.5 text-quiet">It stands {stands.join(', ')} px high.</p>{/if}
</Group>
<Group name="Where the words stand" value="{place.across}, {place.down}" bind:open={open.place}>
  <NineFields across={place.across} down={place.down} {onset} />
</Group>
