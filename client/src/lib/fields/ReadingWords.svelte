<!-- Whether words can be read on what stands behind them, what mends that, and whether they are dark or light. -->
<script lang="ts">
  import type { Schemas, SiteLook } from '$lib/api/client';
  import { classes } from '$lib/model/choices';
  import type { Each, GroundAttrs, WidthClass } from '$lib/model/attrs';
  import { steady } from '$lib/ui/steady';
  import ContrastTable from './ContrastTable.svelte';

  let {
    look,
    ground,
    offer,
    name,
    now,
    onset,
  }: {
    look: Schemas['BackdropResponse'] | null | undefined;
    ground: GroundAttrs;
    offer: SiteLook['bands'];
    name: 'band' | 'cell' | 'banner';
    now?: WidthClass;
    onset: (change: Partial<GroundAttrs>) => void;
  } = $props();
  const read = $derived(classes.filter((c) => look?.on[c].contrast));
  const mend = $derived(look?.mend);
  const colourName = (colour: string) => offer.colours.find((one) => one.colour === colour)?.name ?? colour;
</script>

<section class="border-b border-hair px-4 py-2.5" aria-label="Reading the words">
  <h3 class="mb-1 font-semibold">Reading the words</h3>
  <div {@attach steady}>
    {#if look && read.length > 0}
      <ContrastTable rows={read.map((c) => [c, look.on[c].contrast!] as const)} {now} />
      {#if mend}
        {@const turned = mend.words !== ground.words || mend.tint !== ground.tint}
        <button
          class="dk-button main mt-1.5"
          onclick={() =>
            onset({ words: mend.words, tint: mend.tint, tintStrength: classes.map((c) => mend.strength[c]) as Each })}
          >{turned ? `Take ${mend.words} words, tint ${colourName(mend.tint)}` : 'Set the least tint'}</button
        >
      {:else if read.some((c) => !look.on[c].contrast!.isEnough)}
        <p class="mt-1">No tint makes these words readable: choose another picture or colour behind them.</p>
      {/if}
    {:else}
      <p class="text-quiet">Words typed in the {name} are measured on what stands behind them.</p>
    {/if}
  </div>
  <div class="mt-2 flex gap-1.5" role="group" aria-label="Words are">
    <button class="dk-button" aria-pressed={ground.words === 'dark'} onclick={() => onset({ words: 'dark' })}
      >dark words</button
    >
    <button class="dk-button" aria-pressed={ground.words === 'light'} onclick={() => onset({ words: 'light' })}
      >light words</button
    >
  </div>
</section>
