<!-- A number for each class of screen. -->
<script lang="ts">
  import NumberField from './NumberField.svelte';
  import { classes, inEach } from '$lib/model/choices';

  let {
    label,
    list,
    least,
    most,
    onset,
  }: { label: string; list: number[]; least: number; most: number; onset: (to: number[]) => void } = $props();
</script>

<h4 class="dk-label mt-3">{label}</h4>
<div class="grid grid-cols-3 gap-2">
  {#each classes as c, i (c)}
    <div>
      <span class="text-quiet" aria-hidden="true">{c}</span>
      <NumberField
        label="{label}, {c}"
        isBare
        value={list[i]!}
        {least}
        {most}
        onset={(to) => onset(inEach(list, i, to ?? list[i]!))}
      />
    </div>
  {/each}
</div>
