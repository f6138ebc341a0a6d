<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  let { word, density }: { word: Schemas['FitWord']; density?: number } = $props();
</script>

<span class="dk-fit" data-fit={word}>{word}{density === undefined ? '' : ` ${density.toFixed(1)}×`}</span>
