<!-- One number: under its name, or with its unit in a line with it, and what is wrong with it below. -->
<script lang="ts">
  let {
    label,
    value,
    least,
    most,
    step = 1,
    placeholder,
    unit,
    error = '',
    onset,
  }: {
    label: string;
    /** Null where none is set. */
    value: number | null;
    least?: number;
    most?: number;
    step?: number;
    placeholder?: string;
    /** Given, name and number stand in one line. */
    unit?: string;
    error?: string;
    onset: (to: number | null) => void;
  } = $props();
  const id = $props.id();
</script>

<div class={unit === undefined ? 'dk-label' : 'flex items-center gap-2 py-0.5'}>
  <label for={id} class="min-w-0 flex-1">{label}</label>
  <input
    {id}
    class={['dk-field dk-tabular', unit !== undefined && 'w-20! text-right']}
    type="number"
    min={least}
    max={most}
    {step}
    {placeholder}
    value={value ?? ''}
    aria-invalid={error !== ''}
    aria-describedby={error ? `${id}-error` : undefined}
    onchange={(event) =>
      onset(Number.isFinite(event.currentTarget.valueAsNumber) ? event.currentTarget.valueAsNumber : null)}
  />
  {#if unit !== undefined}<span class="w-5 text-quiet">{unit}</span>{/if}
</div>
{#if error}<p id="{id}-error" class="dk-problem" role="alert">{error}</p>{/if}
