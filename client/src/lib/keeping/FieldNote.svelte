<!-- What is to be said of a field's value beside it: why it was refused, or that another window changed it as well. -->
<script lang="ts">
  import type { Fields } from './fields.svelte';

  // eslint-disable-next-line @typescript-eslint/no-explicit-any
  let { fields, field }: { fields: Fields<any>; field: string } = $props();
  const typed = $derived(fields.at(field));
  const words = (value: unknown) => (typeof value === 'string' ? `“${value}”` : 'another');
</script>

{#if typed?.stand === 'refused'}
  <p class="dk-problem" role="alert">{typed.sentence}</p>
{:else if typed?.stand === 'split'}
  <div class="my-1 border-l-2 border-error pl-2" role="alert">
    <p class="dk-problem">
      It was changed elsewhere meanwhile, to {typed.theirs === '' ? 'nothing' : words(typed.theirs)}. Yours is still in
      the field.
    </p>
    <button class="dk-link" onclick={() => fields.decide(field, 'mine')}>keep mine</button>
    <button class="dk-link ml-2" onclick={() => fields.decide(field, 'theirs')}>take theirs</button>
  </div>
{/if}
