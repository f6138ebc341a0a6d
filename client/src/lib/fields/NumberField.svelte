<!-- One number between two, under a name. -->
<script lang="ts">
  let {
    label,
    value,
    least,
    most,
    step = 1,
    placeholder,
    onset,
  }: {
    label: string;
    /** Null where none is set. */
    value: number | null;
    least: number;
    most: number;
    step?: number;
    placeholder?: string;
    onset: (to: number | null) => void;
  } = $props();
</script>

<label class="dk-label"
  >{label}<input
    class="dk-field dk-tabular"
    type="number"
    min={least}
    max={most}
    {step}
    {placeholder}
    value={value ?? ''}
    onchange={(event) =>
      onset(Number.isFinite(event.currentTarget.valueAsNumber) ? event.currentTarget.valueAsNumber : null)}
  /></label
>
