<!-- How a picture fits the place it is looked at through, on phone and desktop. -->
<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import Fit from '$lib/ui/Fit.svelte';
  let { through }: { through: Schemas['ThroughLook'] } = $props();
  const same = $derived(through.phone.word === through.desktop.word);
</script>

{#if same}
  <span class="block"><Fit word={through.phone.word} /></span>
{:else}
  <span class="block"><Fit word={through.phone.word} /> on phone</span>
  <span class="block"><Fit word={through.desktop.word} /> on desktop</span>
{/if}
{#if through.loss}<span class="block truncate text-soft" title={through.loss}>{through.loss}</span>{/if}
