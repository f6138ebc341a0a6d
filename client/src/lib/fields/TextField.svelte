<!-- One line of words: taken as it is typed, so that nothing waits for the field to be left. -->
<script lang="ts">
  let {
    label,
    value,
    placeholder = '',
    disabled = false,
    required = '',
    onset,
  }: {
    label: string;
    value: string;
    placeholder?: string;
    disabled?: boolean;
    /** Said where it is emptied and must not be; what stood there stays until then. */
    required?: string;
    onset: (to: string) => void;
  } = $props();
  const id = $props.id();
  /** What stands in the field while it is typed in, with its spaces. */
  let typed = $state<string | null>(null);
  const isMissing = $derived(required !== '' && typed !== null && typed.trim() === '');

  function type(text: string) {
    typed = text;
    if (!isMissing && text.trim() !== value.trim()) onset(text.trim());
  }
</script>

<div>
  <label class="dk-label" for={id}>{label}</label>
  <input
    {id}
    class="dk-field"
    autocomplete="off"
    {disabled}
    {placeholder}
    value={typed ?? value}
    aria-invalid={isMissing}
    aria-describedby={isMissing ? `${id}-error` : undefined}
    oninput={(event) => type(event.currentTarget.value)}
    onblur={() => isMissing || (typed = null)}
  />
</div>
{#if isMissing}<p id="{id}-error" class="dk-problem" role="alert">{required}</p>{/if}
