<!-- Whether the pictures that are coming in go to the archive as well, and how many are there. -->
<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { sentenceOf } from '$lib/api/client';
  import { depositList, handOver, keepHere } from '$lib/archive/handing';
  import { uploads } from '$lib/media/uploads.svelte';

  let isOn = $state(false);
  let problem = $state('');
  const came = $derived(uploads.list.flatMap(({ id }) => id ?? []));
  const list = createQuery(() => ({ ...depositList(), enabled: isOn }));
  const still = $derived((list.data?.items ?? []).filter(({ id }) => came.includes(id)));
  const refused = $derived(still.filter(({ deposit }) => deposit.state === 'refused').length);

  async function hand(ids: string[]) {
    problem = '';
    try {
      if (ids.length > 0) await handOver(ids);
    } catch (error) {
      problem = sentenceOf(error);
    }
  }

  async function turn(on: boolean) {
    isOn = on;
    if (on) return hand(came);
    // What has gone stays there; what waits need not go.
    await Promise.allSettled(still.map(({ id }) => keepHere(id)));
  }

  $effect(() => {
    uploads.onpicture = (id) => void (isOn && hand([id]));
    return () => (uploads.onpicture = null);
  });
</script>

<label class="flex items-center gap-2">
  <input
    type="checkbox"
    class="size-4 accent-neutral"
    checked={isOn}
    onchange={(event) => void turn(event.currentTarget.checked)}
  />
  Hand to the archive too
</label>
{#if problem}
  <span class="dk-problem" role="alert">{problem}</span>
{:else if isOn && came.length > 0 && list.data}
  <span class="text-quiet" role="status">
    {came.length - still.length} of {came.length} there{still.length > refused
      ? `, ${still.length - refused} on the way`
      : ''}{refused > 0 ? `, ${refused} refused: open the picture to see why` : ''}
  </span>
{/if}
