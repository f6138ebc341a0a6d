<!-- What the closed drawer says: how many pictures, the last ones, and what those of the page weigh. -->
<script lang="ts">
  import { proofOf, type FileItem } from '$lib/api/client';
  import { weight } from '$lib/model/words';
  import type { Desk } from './desk.svelte';

  let { desk, pictures, said }: { desk: Desk; pictures: FileItem[]; said: string } = $props();
</script>

<span class="dk-tabular text-quiet">{said}</span>
<span class="h-4 border-l border-hair"></span><span class="text-quiet">lately</span>
<span class="flex h-6 items-center gap-1">
  {#each pictures.slice(0, 7) as item (item.id)}<img
      src={proofOf(item.picture, 160)}
      alt=""
      class="h-6 w-auto"
    />{/each}
</span>
{#if desk.preview.look}
  <span class="dk-tabular ml-auto truncate text-quiet">
    The pictures weigh {weight(desk.preview.look.weights.desktop.all)} on desktop, {weight(
      desk.preview.look.weights.phone.all,
    )} on phone
  </span>
{/if}
