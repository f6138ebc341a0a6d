<!-- Light and colour as the browser's own filter: a picture changes in the frame in which a scale moves. -->
<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import { filterOf } from './filter';
  import type { Adjustments } from './room.svelte';

  let { id, scales, adjustments }: { id: string; scales: Schemas['Scales']; adjustments: Adjustments } = $props();
  const filter = $derived(filterOf(scales, adjustments));
  const written = (values: readonly number[]) => values.map((value) => +value.toFixed(5)).join(' ');
</script>

<svg width="0" height="0" class="absolute" aria-hidden="true">
  <filter {id} color-interpolation-filters="sRGB" x="0" y="0" width="100%" height="100%">
    {#each filter.curves as curve, i (i)}
      <feComponentTransfer>
        <feFuncR type="table" tableValues={written(curve.red)} />
        <feFuncG type="table" tableValues={written(curve.green)} />
        <feFuncB type="table" tableValues={written(curve.blue)} />
      </feComponentTransfer>
    {/each}
    {#if filter.matrix}<feColorMatrix type="matrix" values={written(filter.matrix)} />{/if}
    {#if filter.kernel}
      <feConvolveMatrix order="3" kernelMatrix={written(filter.kernel)} preserveAlpha="true" edgeMode="duplicate" />
    {/if}
    {#if filter.curves.length === 0 && !filter.matrix && !filter.kernel}<feOffset dx="0" dy="0" />{/if}
  </filter>
</svg>
