<!-- A band: what stands behind its words, how high it is, and where the words stand. -->
<script lang="ts">
  import { classes } from '$lib/model/choices';
  import type { Desk } from './desk.svelte';
  import GroundFields from './GroundFields.svelte';
  import PieceMoves from './PieceMoves.svelte';
  import type { BandAttrs } from '$lib/model/attrs';
  import WordsHere from './WordsHere.svelte';
  import WordsPlaceFields from './WordsPlaceFields.svelte';

  let { desk, id, band }: { desk: Desk; id: string; band: BandAttrs } = $props();
  const look = $derived(desk.preview.look?.grounds[id]);
</script>

<div class="border-b border-hair px-4 py-3"><PieceMoves {desk} name="Band" /></div>
{#if desk.marks.kind !== 'band'}<WordsHere {desk} />{/if}
<GroundFields {desk} {id} ground={band} name="band" />
<WordsPlaceFields
  place={band}
  mostPx={desk.site.bands.mostHeightPx}
  stands={look ? classes.map((c) => Math.round(look.on[c].heightCssPx)) : null}
  onset={(change) => desk.set(id, change)}
/>
