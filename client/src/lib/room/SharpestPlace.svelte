<!-- A frame round the part of the picture that is sharpest. -->
<script lang="ts">
  import type { Box } from './room.svelte';

  let { box }: { box: Box } = $props();
</script>

<div
  class="pointer-events-none absolute border-2 border-dashed border-white shadow-[0_0_0_1px_#000,inset_0_0_0_1px_#000]"
  style:left="{box.x * 100}%"
  style:top="{box.y * 100}%"
  style:width="{box.width * 100}%"
  style:height="{box.height * 100}%"
  aria-hidden="true"
></div>
