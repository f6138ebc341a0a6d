<!-- Gallery, slider or carousel: a change keeps pictures, words and links, and what was set for the other kinds. -->
<script lang="ts">
  import GalleryFields from './GalleryFields.svelte';
  import { kinds, type Opened } from './opened.svelte';
  import SliderFields from './SliderFields.svelte';
  import WhereFrom from './WhereFrom.svelte';

  let { opened, shapes }: { opened: Opened; shapes: readonly string[] } = $props();
</script>

<div class="border-b border-hair px-4 py-3">
  <div class="flex gap-1.5" role="group" aria-label="Kind">
    {#each Object.entries(kinds) as [kind, name] (kind)}<button
        class="dk-button"
        aria-pressed={opened.wish!.kind === kind}
        onclick={() => opened.set({ ...opened.wish!, kind: kind as keyof typeof kinds })}>{name}</button
      >{/each}
  </div>
</div>
{#if opened.wish!.kind === 'gallery'}<GalleryFields {opened} {shapes} />{:else}<SliderFields {opened} {shapes} />{/if}
<WhereFrom {opened} />
{#if opened.problem}<p class="dk-problem px-4 py-2" role="alert">{opened.problem}</p>{/if}
