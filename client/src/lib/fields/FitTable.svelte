<!-- How a placed picture fits on each class of screen, and what is to be done where it does not. -->
<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { FigureLook } from '$lib/api/client';
  import Fit from '$lib/ui/Fit.svelte';
  import { steady } from '$lib/ui/steady';
  import { weight } from '$lib/model/words';
  import { classes } from '$lib/model/choices';
  import type { WidthClass } from '$lib/model/attrs';

  let {
    look,
    now,
    mend,
  }: {
    /** Undefined while it is being worked out. */
    look?: Pick<FigureLook, 'fits' | 'remedy'>;
    now?: WidthClass;
    mend?: Snippet;
  } = $props();
</script>

<div {@attach steady}>
  <table class="dk-tabular w-full" aria-label="Fit at each width">
    <tbody>
      {#each classes as c (c)}
        {@const fit = look?.fits[c]}
        <tr class={now === c ? 'font-semibold' : ''}>
          <th scope="row" class="py-0.5 text-left font-normal">{c}</th>
          {#if fit}
            <td class="text-right text-quiet">{Math.round(fit.slotCssPx)} px</td>
            <td class="pl-3"><Fit word={fit.word} density={fit.pxPerCssPx} /></td>
            <td class="text-right">{weight(fit.bytes)}</td>
          {:else if !look}
            <td colspan="3" class="text-right font-normal text-quiet"
              >{c === (now ?? classes[0]) ? 'being worked out' : ''}</td
            >
          {:else}
            <td colspan="3" class="text-right text-quiet">hidden, nothing is fetched</td>
          {/if}
        </tr>
      {/each}
    </tbody>
  </table>
  {#if look?.remedy}<p class="mt-1">{look.remedy.sentence} {@render mend?.()}</p>{/if}
</div>
