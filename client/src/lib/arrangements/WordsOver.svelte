<!-- How words stand over slides: where, dark or light, over which tint, and whether they can be read on every one. -->
<script lang="ts">
  import type { SiteLook } from '$lib/api/client';
  import { classes } from '$lib/model/choices';
  import ContrastTable from '$lib/fields/ContrastTable.svelte';
  import NineFields from '$lib/fields/NineFields.svelte';
  import TintFields from '$lib/fields/TintFields.svelte';
  import Choice from '$lib/fields/Choice.svelte';
  import { entriesOf } from './names';
  import type { Opened } from './opened.svelte';

  let { opened, site }: { opened: Opened; site: SiteLook } = $props();
  const words = $derived(opened.wish!.slider!.words!);
  const look = $derived(opened.look?.overSlides);
  const set = (change: Partial<typeof words>) => opened.setSlider({ words: { ...words, ...change } });
  const measured = $derived(classes.flatMap((c) => (look?.contrast[c] ? [[c, look.contrast[c]] as const] : [])));
</script>

<div class="border-b border-hair px-4 py-3">
  <h3 class="font-semibold">Words over slides</h3>
  {#if look}
    {#if measured.length > 0}<ContrastTable rows={measured} />{/if}
    {#if look.below}<p class="mt-1 text-quiet">{look.below}</p>{/if}
    {#if look.mend}
      {@const mend = look.mend}
      <button
        class="dk-button main mt-1.5"
        onclick={() => set({ tone: mend.words, tint: mend.tint, tintStrength: classes.map((c) => mend.strength[c]) })}
        >Set the least tint</button
      >
    {:else if measured.some(([, contrast]) => !contrast.isEnough)}
      <p class="mt-1">No tint makes all of them readable: set them elsewhere, or choose other pictures.</p>
    {/if}
    <h4 class="dk-label mt-3">They stand</h4>
    <NineFields across={words.across} down={words.down} onset={set} />
    <Choice
      label="They are"
      now={words.tone}
      offers={entriesOf({ light: 'light', dark: 'dark' } as const)}
      onset={(tone) => set({ tone })}
    />
    <h4 class="dk-label mt-3">Tint under them</h4>
    <TintFields tint={words.tint} strength={words.tintStrength} offer={site.bands} onset={set} />
  {:else}
    <p class="text-quiet">Choose a slide in the running order: a title, words and a button can stand over it.</p>
  {/if}
</div>
