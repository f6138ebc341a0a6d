<!-- How a picture fits the place it is looked at through, on phone and desktop, where it is shown there. -->
<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import Fit from '$lib/ui/Fit.svelte';
  let { through }: { through: Schemas['TrialPlacementResponse'] } = $props();
  const { phone, desktop } = $derived(through);
</script>

{#if phone && phone.word === desktop?.word}
  <span class="block"><Fit word={phone.word} /></span>
{:else}
  {#if phone}<span class="block"><Fit word={phone.word} /> on phone</span>{/if}
  {#if desktop}<span class="block"><Fit word={desktop.word} /> on desktop</span>{/if}
{/if}
{#if through.loss}<span class="block truncate text-soft" title={through.loss}>{through.loss}</span>{/if}
