<!-- The picture out, at a size and in a format of one's own choosing. -->
<script lang="ts">
  import { sentenceOf } from '$lib/api/client';
  import { saveFile } from '$lib/api/saveFile';
  import Sheet from '$lib/ui/Sheet.svelte';
  import type { Room } from './room.svelte';

  let { room, open = $bindable() }: { room: Room; open: boolean } = $props();
  const size = $derived({ width: room.look.width, height: room.look.height });
  let width = $state<number | null>(null);
  let height = $state<number | null>(null);
  let kept = $state(true);
  let fit = $state<'cut' | 'stretch'>('cut');
  let format = $state('jpeg');
  const wide = $derived(width ?? size.width);
  const tall = $derived(kept ? Math.round((wide * size.height) / size.width) : (height ?? size.height));
  const href = $derived(
    `/api/files/${room.id}/download?${new URLSearchParams([
      ['width', String(wide)],
      ['format', format],
      ...(kept
        ? []
        : [
            ['height', String(tall)],
            ['fit', fit],
          ]),
    ])}`,
  );
  let making = $state(false);
  let problem = $state('');
  async function save() {
    [making, problem] = [true, ''];
    await saveFile(href).catch((error) => (problem = sentenceOf(error)));
    making = false;
  }
</script>

<Sheet bind:open title="Download at a size">
  <div class="flex items-end gap-3">
    <label class="block"
      ><span class="dk-label">Width, px</span><input
        class="dk-field w-24"
        type="number"
        min="1"
        max={size.width}
        value={wide}
        oninput={(event) => (width = event.currentTarget.valueAsNumber || null)}
      /></label
    >
    <label class="block"
      ><span class="dk-label">Height, px</span><input
        class="dk-field w-24"
        type="number"
        min="1"
        disabled={kept}
        value={tall}
        oninput={(event) => (height = event.currentTarget.valueAsNumber || null)}
      /></label
    >
    <label class="flex min-h-7 items-center gap-2"
      ><input type="checkbox" class="size-6 accent-neutral" bind:checked={kept} />proportions kept</label
    >
  </div>
  {#if !kept}
    <div class="mt-3 flex gap-2" role="group" aria-label="Another shape">
      <button class="dk-button" aria-pressed={fit === 'cut'} onclick={() => (fit = 'cut')}
        >cut round the keep area</button
      >
      <button class="dk-button" aria-pressed={fit === 'stretch'} onclick={() => (fit = 'stretch')}>stretch</button>
    </div>
  {/if}
  <div class="mt-3 flex gap-2" role="group" aria-label="Format">
    {#each ['jpeg', 'png', 'webp', 'avif'] as one (one)}
      <button class="dk-button" aria-pressed={format === one} onclick={() => (format = one)}>{one.toUpperCase()}</button
      >
    {/each}
  </div>
  {#if wide > size.width}<p class="mt-3 text-soft" role="alert">
      There are {size.width} px: a larger file would only be blown up.
    </p>{/if}
  {#snippet foot()}
    {#if problem}<p class="dk-problem" role="alert">{problem}</p>{/if}
    <button class="dk-button main" disabled={making || wide > size.width} onclick={() => void save()}
      >{making ? 'Making the file …' : 'Download'}</button
    >
  {/snippet}
</Sheet>
