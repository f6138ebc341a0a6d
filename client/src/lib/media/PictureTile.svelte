<!-- A picture of the library as it is drawn in rows: its proof, the marks of being chosen, and its number among several. -->
<script lang="ts">
  import { proofOf, type FileItem } from '$lib/api/client';
  import { letGo } from '$lib/ui/letGo';

  let {
    item,
    width,
    height,
    chosen,
    number,
  }: {
    item: FileItem;
    /** As laid, in CSS px. */
    width: number;
    height: number;
    chosen: boolean;
    /** Its place among those chosen together; 0 for none. */
    number: number;
  } = $props();
</script>

<span class="relative block" class:dk-crop={chosen}>
  {#if number > 0}
    <span class="dk-tabular absolute top-1 left-1 z-10 min-w-5 bg-base-100 px-1 text-center font-semibold"
      >{number}</span
    >
  {/if}
  <img
    {@attach letGo}
    src={proofOf(item.picture, width > 300 ? 640 : 320, item.through?.cut)}
    alt=""
    style:height="{height}px"
    class="block w-full bg-base-300 object-cover"
    decoding="async"
    draggable="false"
  />
</span>
