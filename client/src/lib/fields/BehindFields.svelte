<!-- What else stands behind words: a film over the picture, pictures that follow it, and a colour. -->
<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import type { SiteLook } from '$lib/api/client';
  import { arrangementList } from '$lib/api/queries';
  import { isVideo, otherFiles, thereOf } from '$lib/media/otherFiles';
  import type { GroundAttrs } from '$lib/model/attrs';
  import ColourChoice from './ColourChoice.svelte';
  import FileChoice from './FileChoice.svelte';

  let {
    ground,
    offer,
    mayFollow,
    onset,
  }: {
    ground: GroundAttrs;
    offer: SiteLook['bands'];
    /** Whether pictures may follow one another there. */
    mayFollow: boolean;
    onset: (change: Partial<GroundAttrs>) => void;
  } = $props();
  const files = createQuery(() => otherFiles(''));
  const sets = createQuery(arrangementList);
  const videos = $derived(thereOf(files.data?.items, isVideo));
</script>

{#if ground.picture && !ground.repeats && videos.length > 0}
  <FileChoice
    label="Moving picture over it"
    value={ground.video}
    files={videos}
    onset={(video) => onset({ video, set: null })}
  />
  {#if ground.video}<p class="mt-1 text-quiet">
      It plays without sound, with a way to pause it; who wants no movement sees the picture. The words are measured on
      the picture: choose one like the video.
    </p>{/if}
{/if}
{#if mayFollow && ground.picture && !ground.repeats && (sets.data?.arrangements.length || ground.set)}
  <label class="dk-label mt-2" for="ground-set">Pictures that follow it</label>
  <select
    id="ground-set"
    class="dk-field"
    value={ground.set ?? ''}
    onchange={(event) => onset({ set: event.currentTarget.value || null, video: null })}
  >
    <option value="">none</option>
    {#each sets.data?.arrangements ?? [] as one (one.id)}<option value={one.id}>{one.name}</option>{/each}
  </select>
  {#if ground.set}<p class="mt-1 text-quiet">
      They fade into one another with the arrangement’s own stays, with a way to pause them; who wants no movement sees
      the picture. The words are measured on each.
    </p>{/if}
{/if}
<h4 class="dk-label mt-3">Colour behind</h4>
<ColourChoice
  label="Colour behind"
  colours={offer.colours}
  value={ground.colour}
  none="none"
  onset={(colour) => onset({ colour })}
/>
