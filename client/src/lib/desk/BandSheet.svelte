<!-- A band: what stands behind its words, how high it is, and where the words stand. -->
<script lang="ts">
  import { goto } from '$app/navigation';
  import { sentenceOf } from '$lib/api/client';
  import { beginBanner } from './banner';
  import { classes } from '$lib/model/choices';
  import type { Desk } from './desk.svelte';
  import GroundFields from './GroundFields.svelte';
  import PieceMoves from './PieceMoves.svelte';
  import type { BandAttrs } from '$lib/model/attrs';
  import WordsHere from './WordsHere.svelte';
  import WordsPlaceFields from '$lib/fields/WordsPlaceFields.svelte';

  let { desk, id, band }: { desk: Desk; id: string; band: BandAttrs } = $props();
  let problem = $state('');
  async function toBanner() {
    problem = '';
    const href = await beginBanner(desk, id).catch((error) => void (problem = sentenceOf(error)));
    if (href) await goto(href);
  }
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
<div class="border-b border-hair px-4 py-3">
  <button class="dk-button" onclick={() => void toBanner()}>Make a banner of it</button>
  <p class="mt-1 text-quiet">
    A banner stands at the top of pages, on the days you give it. The band stays here until you remove it.
  </p>
  {#if problem}<p class="dk-problem mt-1" role="alert">{problem}</p>{/if}
</div>
