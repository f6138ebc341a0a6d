<!-- What the larger view of a set opens and offers, and what that costs a visitor. -->
<script lang="ts">
  import { weight } from '$lib/model/words';
  import { entriesOf } from './names';
  import type { Opened } from './opened.svelte';
  import Turns from './Turns.svelte';

  let { opened }: { opened: Opened } = $props();
  const larger = $derived(opened.wish!.larger!);
  const set = (change: Partial<typeof larger>) =>
    opened.set({ ...opened.wish!, larger: { ...larger, ...change } }, Object.keys(change).join());
  const sizes = { lean: 'lean', balanced: 'balanced', full: 'full', original: 'the original, as a copy' } as const;
  const offers = {
    credit: 'says who made the picture',
    zooms: 'zooms to the file’s own px',
    plays: 'goes on by itself when asked',
    shares: 'hands on its address',
    downloads: 'lets the file be kept',
  } as const;
</script>

<div class="border-b border-hair px-4 py-3">
  <h3 class="font-semibold">The larger view</h3>
  <label class="dk-label mt-2" for="larger-size">File it opens</label>
  <select
    id="larger-size"
    class="dk-field"
    value={larger.size}
    onchange={(event) => set({ size: event.currentTarget.value as typeof larger.size })}
  >
    {#each entriesOf(sizes) as [size, name] (size)}
      {@const bytes = opened.look?.largerBytes[size]}
      <option value={size}>{name}{bytes ? `, about ${weight(bytes)} each` : ''}</option>
    {/each}
  </select>
  <Turns offers={entriesOf(offers)} now={larger} onset={set} />
</div>
