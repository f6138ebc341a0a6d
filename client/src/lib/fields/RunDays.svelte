<!-- The first and the last day on which something is shown, once or every year. -->
<script lang="ts">
  type Days = { from: string; until: string; yearly: boolean };
  let { days, onset }: { days: Days; onset: (change: Partial<Days>) => void } = $props();
  const ends = [
    ['from', 'First day'],
    ['until', 'Last day'],
  ] as const;
</script>

<fieldset class="grid grid-cols-2 gap-2">
  {#each ends as [end, label] (end)}
    <label class="dk-label"
      >{label}<input
        type="date"
        class="dk-field"
        value={days[end]}
        onchange={(event) => onset({ [end]: event.currentTarget.value })}
      /></label
    >
  {/each}
  <label class="col-span-2 flex min-h-6 items-center gap-1.5"
    ><input
      type="checkbox"
      checked={days.yearly}
      onchange={(event) => onset({ yearly: event.currentTarget.checked })}
    />every year</label
  >
</fieldset>
