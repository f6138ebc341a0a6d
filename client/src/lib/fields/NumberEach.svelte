<!-- A number for each class of screen. -->
<script lang="ts">
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
    <label class="text-quiet"
      >{c}<input
        class="dk-field dk-tabular"
        type="number"
        min={least}
        max={most}
        aria-label="{label}, {c}"
        value={list[i]}
        onchange={(event) => onset(inEach(list, i, event.currentTarget.valueAsNumber || least))}
      /></label
    >
  {/each}
</div>
