<!-- The box with which pictures are being chosen. -->
<script lang="ts">
  import type { Boxing } from './boxing.svelte';

  let { boxing }: { boxing: Boxing } = $props();
</script>

{#if boxing.box}
  <div
    class="pointer-events-none absolute z-20 border border-crop bg-wash"
    style:left="{boxing.box.left}px"
    style:top="{boxing.box.top}px"
    style:width="{boxing.box.width}px"
    style:height="{boxing.box.height}px"
  ></div>
{/if}
