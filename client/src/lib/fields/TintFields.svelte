<!-- A colour laid over what lies under words, and how strong it is at each width. -->
<script lang="ts">
  import type { SiteLook } from '$lib/api/client';
  import { classes, inEach } from '$lib/model/choices';
  import ColourChoice from './ColourChoice.svelte';

  let {
    tint,
    strength,
    offer,
    onset,
  }: {
    tint: string;
    strength: number[];
    offer: SiteLook['bands'];
    onset: (change: { tint?: string; tintStrength?: number[] }) => void;
  } = $props();
  const percent = (step: number) => Math.round((100 * step) / offer.tintSteps);
</script>

<ColourChoice
  label="Colour of the tint"
  colours={offer.colours}
  value={tint}
  onset={(colour) => onset({ tint: colour ?? tint })}
/>
{#each classes as c, i (c)}
  <label class="dk-tabular mt-2 grid grid-cols-[60px_1fr_44px] items-center gap-2">
    {c}
    <input
      type="range"
      class="range range-xs w-full"
      aria-label="Tint on {c}"
      min="0"
      max={offer.tintSteps}
      value={strength[i]}
      oninput={(event) => onset({ tintStrength: inEach(strength, i, Number(event.currentTarget.value)) })}
    />
    <span class="text-right">{percent(strength[i]!)} %</span>
  </label>
{/each}
