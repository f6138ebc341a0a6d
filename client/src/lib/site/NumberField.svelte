<!-- A number of the site's style, with what is wrong with it below. -->
<script lang="ts">
  let {
    label,
    unit = 'px',
    value,
    error = '',
    step = 1,
    onset,
  }: {
    label: string;
    unit?: string;
    value: number;
    error?: string;
    step?: number;
    onset: (value: number) => void;
  } = $props();
  const id = $props.id();
</script>

<div class="flex items-center gap-2 py-0.5">
  <label for={id} class="min-w-0 flex-1">{label}</label>
  <input
    {id}
    type="number"
    {step}
    class="dk-field dk-tabular w-20! text-right"
    {value}
    aria-invalid={error !== ''}
    aria-describedby={error ? `${id}-error` : undefined}
    onchange={(event) =>
      onset(Number.isFinite(event.currentTarget.valueAsNumber) ? event.currentTarget.valueAsNumber : 0)}
  />
  <span class="w-5 text-quiet">{unit}</span>
</div>
{#if error}<p id="{id}-error" class="dk-problem" role="alert">{error}</p>{/if}
