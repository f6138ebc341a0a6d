<!-- How high a band or a row of cells is at least, and where the words stand in it. -->
<script lang="ts">
  import Group from '$lib/ui/Group.svelte';
  import { classes, inEach } from './choices';
  import type { WordsPlace } from './schema';

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
  const across = ['left', 'centre', 'right'] as const;
  const down = ['top', 'middle', 'bottom'] as const;

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
  <div class="grid w-36 grid-cols-3 gap-1" role="group" aria-label="Where the words stand">
    {#each down as y (y)}
      {#each across as x (x)}
        <button
          class="dk-button h-8 px-0!"
          aria-label="{y}, {x}"
          aria-pressed={place.across === x && place.down === y}
          onclick={() => onset({ across: x, down: y })}
        >
          <span
            class="block h-3 w-6 border-current {x === 'left'
              ? 'text-left'
              : x === 'right'
                ? 'text-right'
                : 'text-center'}"
            aria-hidden="true"><span class="inline-block h-[3px] w-3.5 bg-current align-top"></span></span
          >
        </button>
      {/each}
    {/each}
  </div>
</Group>
