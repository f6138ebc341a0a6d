<!-- A picture in a line: another one, its height, its words. -->
<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { proofOf } from '$lib/api/client';
  import { onePicture } from '$lib/api/queries';
  import AltField from './AltField.svelte';
  import type { Desk } from './desk.svelte';
  import FitTable from '$lib/fields/FitTable.svelte';
  import type { LinePictureAttrs } from '$lib/model/attrs';

  let { desk, id, picture }: { desk: Desk; id: string; picture: LinePictureAttrs } = $props();
  const file = createQuery(() => onePicture(picture.asset));
  const look = $derived(desk.preview.look?.figures[id]);
  const libraryAlt = $derived(file.data?.file.words.alt ?? '');
  const set = (change: Partial<LinePictureAttrs>) => desk.set(id, change);
</script>

<div class="border-b border-hair px-4 py-3">
  <h2 class="truncate text-read font-semibold">{look?.title ?? 'Picture in a line'}</h2>
  <div class="mt-2 flex items-start gap-3">
    <img src={proofOf(picture.asset, 160)} alt="" class="h-16 w-auto" />
    <div class="flex flex-wrap gap-1.5">
      <button class="dk-button" aria-pressed={desk.trial.swapping === id} onclick={() => desk.trial.begin(id)}
        >Swap</button
      >
      <button class="dk-button" onclick={() => desk.moves.takeOut(id)}>Remove</button>
      <button class="dk-button" onclick={() => desk.session.toRoom(picture.asset)}>Picture room</button>
    </div>
  </div>
</div>
{#if look}<div class="border-b border-hair px-4 py-3">
    <FitTable now={desk.widthClass} {look} />
  </div>{/if}
<div class="border-b border-hair px-4 py-3">
  <h3 class="mb-2 font-semibold" id="line-height">As high as</h3>
  <div class="flex gap-1.5" role="group" aria-labelledby="line-height">
    <button class="dk-button" aria-pressed={picture.height === 'letters'} onclick={() => set({ height: 'letters' })}
      >its letters</button
    >
    <button class="dk-button" aria-pressed={picture.height === 'line'} onclick={() => set({ height: 'line' })}
      >the line</button
    >
  </div>
  <p class="mt-1.5 text-quiet">Larger pictures stand between pieces of the page.</p>
</div>
<div class="px-4 py-3">
  <AltField id="line-alt" rows={2} alt={picture.alt} decorative={picture.decorative} library={libraryAlt} {set} />
</div>
