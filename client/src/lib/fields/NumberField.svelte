<!-- One number: under its name, or with its unit in a line with it, and what is wrong with it below. What cannot be is not
given on: it stays in its field with its sentence. -->
<script lang="ts">
  import { numberProblem } from './numberProblem';

  let {
    label,
    value,
    least,
    most,
    step = 1,
    placeholder,
    unit,
    error = '',
    isBare = false,
    onset,
  }: {
    label: string;
    /** Null where none is set; a field that always has one takes back what it had when it is emptied. */
    value: number | null;
    least?: number;
    most?: number;
    step?: number;
    placeholder?: string;
    /** Given, name and number stand in one line. */
    unit?: string;
    error?: string;
    /** The name is read out and not shown. */
    isBare?: boolean;
    onset: (to: number | null) => void;
  } = $props();
  const id = $props.id();
  const mayBeEmpty = $derived(placeholder !== undefined);
  let typed = $state<string | null>(null);
  const problem = $derived(
    typed === null || typed.trim() === '' ? '' : numberProblem(typed, { least, most, isWhole: step === 1 }),
  );
  const sentence = $derived(problem || error);
  $effect(() => {
    void value;
    typed = null;
  });

  function take(field: HTMLInputElement) {
    // A browser gives no text for what is no number at all.
    typed = field.validity.badInput ? '?' : field.value;
    if (problem) return;
    const to = typed.trim() === '' ? null : Number(typed);
    if (to === null && !mayBeEmpty) field.value = String(value ?? '');
    else if (to !== value) onset(to);
    typed = null;
  }
</script>

<div class={isBare ? '' : unit === undefined ? 'dk-label' : 'flex items-center gap-2 py-0.5'}>
  <label for={id} class={isBare ? 'sr-only' : 'min-w-0 flex-1'}>{label}</label>
  <input
    {id}
    class={['dk-field dk-tabular', unit !== undefined && 'w-20! text-right']}
    type="number"
    min={least}
    max={most}
    {step}
    {placeholder}
    value={typed ?? value ?? ''}
    aria-invalid={sentence !== ''}
    aria-describedby={sentence ? `${id}-error` : undefined}
    onchange={(event) => take(event.currentTarget)}
  />
  {#if unit !== undefined}<span class="w-5 text-quiet">{unit}</span>{/if}
</div>
{#if sentence}<p id="{id}-error" class="dk-problem" role="alert">{sentence}</p>{/if}
