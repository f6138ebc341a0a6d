<!-- How far what was typed has got, in one line that is always there. -->
<script lang="ts">
  import type { Fields } from './fields.svelte';

  // eslint-disable-next-line @typescript-eslint/no-explicit-any
  let { fields }: { fields: Fields<any> } = $props();
  const words = $derived(
    {
      '': '',
      keeping: 'Saving …',
      kept: 'Saved.',
      offline: fields.offline,
      refused: 'One field is not kept: see beside it.',
      split: 'One field was changed elsewhere too: see beside it.',
    }[fields.state],
  );
</script>

<p class="min-h-5 {fields.state === 'offline' ? 'dk-problem' : 'text-quiet'}" role="status">{words}</p>
