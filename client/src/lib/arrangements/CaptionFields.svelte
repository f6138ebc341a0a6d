<!-- Where the words of the pictures stand, and which they are. -->
<script lang="ts">
  import { captionSources } from '$lib/model/choices';
  import Choice from '$lib/fields/Choice.svelte';
  import { captionPlaces, entriesOf } from './names';
  import type { GalleryValues } from './opened.svelte';

  type Captions = Pick<GalleryValues, 'captions' | 'captionsFrom'>;
  let {
    captions,
    captionsFrom,
    without,
    set,
  }: Captions & { without?: Captions['captions']; set: (change: Partial<Captions>) => void } = $props();
  const id = $props.id();
  const sources = entriesOf(captionSources).filter(([source]) => source !== 'own' && source !== 'none');
</script>

<Choice
  label="Captions"
  now={captions}
  offers={entriesOf(captionPlaces).filter(([place]) => place !== without)}
  onset={(to) => set({ captions: to })}
/>
{#if captions !== 'none'}
  <label class="dk-label mt-3" for={id}>They are</label>
  <select
    {id}
    class="dk-field"
    value={captionsFrom}
    onchange={(event) => set({ captionsFrom: event.currentTarget.value as Captions['captionsFrom'] })}
  >
    {#each sources as [source, name] (source)}<option value={source}>{name}</option>{/each}
  </select>
{/if}
