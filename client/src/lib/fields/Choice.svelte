<!-- One of a few, as buttons under a name. -->
<script lang="ts" generics="T extends string | boolean">
  let {
    label,
    now,
    offers,
    onset,
  }: { label: string; now: T; offers: readonly (readonly [T, string])[]; onset: (to: T) => void } = $props();
</script>

<h4 class="dk-label mt-3">{label}</h4>
<div class="flex flex-wrap gap-1.5" role="group" aria-label={label}>
  {#each offers as [value, name] (value)}
    <button class="dk-button" aria-pressed={now === value} onclick={() => onset(value)}>{name}</button>
  {/each}
</div>
