<!-- One of the site's colours, or another. -->
<script lang="ts">
  import type { Schemas } from '$lib/api/client';

  let {
    label,
    colours,
    value,
    none,
    onset,
  }: {
    label: string;
    colours: Schemas['ColourOffer'][];
    value: string | null;
    /** What having none is called; left out where there is always one. */
    none?: string;
    onset: (colour: string | null) => void;
  } = $props();
</script>

<div class="flex flex-wrap items-center gap-1" role="group" aria-label={label}>
  {#if none}<button class="dk-button" aria-pressed={value === null} onclick={() => onset(null)}>{none}</button>{/if}
  {#each colours as { name, colour } (colour)}
    <button
      class="swatch"
      aria-label={name}
      title={name}
      aria-pressed={value === colour}
      style:background={colour}
      onclick={() => onset(colour)}
    ></button>
  {/each}
  <input
    type="color"
    class="h-7 w-7.5 cursor-pointer"
    aria-label="{label}, another colour"
    title="Another colour"
    value={value ?? '#888888'}
    onchange={(event) => onset(event.currentTarget.value)}
  />
</div>

<style>
  .swatch {
    width: 24px;
    height: 24px;
    border-radius: 4px;
    border: 1px solid var(--dk-edge, currentColor);
    cursor: pointer;
  }
  .swatch[aria-pressed='true'] {
    box-shadow:
      0 0 0 2px var(--color-base-100),
      0 0 0 4px var(--color-base-content);
  }
</style>
