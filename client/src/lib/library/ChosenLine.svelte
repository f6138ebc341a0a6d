<!-- What can be done with the pictures chosen together; and what was done, with the way back. -->
<script lang="ts">
  import { answer, api, sentenceOf } from '$lib/api/client';
  import { queryClient } from '$lib/api/queries';
  import { handOver } from '$lib/archive/handing';
  import { count } from '$lib/model/words';
  import type { Choosing } from '$lib/ui/choosing.svelte';
  import ManyWords from './ManyWords.svelte';

  let {
    choosing,
    folders,
    waiting,
    onround,
  }: {
    choosing: Choosing;
    folders: string[];
    /** The search shows what was removed and waits. */
    waiting: boolean;
    onround: () => void;
  } = $props();
  let changing = $state(false);
  let said = $state('');
  let undoIds = $state.raw<string[]>([]);
  let undoWords = $state.raw<(() => Promise<void>) | null>(null);
  let problem = $state('');
  async function act(work: () => Promise<void>) {
    problem = said = '';
    [undoIds, undoWords] = [[], null];
    try {
      await work();
      await queryClient.invalidateQueries({ queryKey: ['files'] });
    } catch (error) {
      problem = sentenceOf(error);
    }
  }
  const undoMany = () => {
    const undo = undoWords;
    return act(async () => {
      await undo?.();
      said = 'As it was before.';
    });
  };
  const takeAway = () =>
    act(async () => {
      const taken = await answer(api.POST('/api/files/away', { body: { ids: [...choosing.ids] } }));
      choosing.only(taken.standing.map((one) => one.id));
      undoIds = taken.away;
      said = [
        taken.away.length > 0
          ? `${count(taken.away.length, 'picture')} removed; ` +
            `${taken.away.length === 1 ? 'it waits' : 'they wait'} ${taken.waitDays} days.`
          : '',
        ...taken.standing
          .slice(0, 3)
          .map((one) => `“${one.title}” stays: it stands on ${one.pages.join(', ')}. Swap it there first.`),
        taken.standing.length > 3 ? `${taken.standing.length - 3} more stand somewhere.` : '',
      ].join(' ');
    });
  const toArchive = () =>
    act(async () => {
      const { count: going } = await handOver([...choosing.ids]);
      said = `${count(going, 'picture')} on the way to the archive, or there already.`;
    });
  const putBack = (ids: string[]) =>
    act(async () => {
      await answer(api.POST('/api/files/back', { body: { ids } }));
      choosing.clear();
      said = `${count(ids.length, 'picture')} back in the library.`;
    });
</script>

{#if choosing.ids.size > 0 || said || problem}
  <section
    aria-label="Chosen pictures"
    class="flex flex-none flex-wrap items-center gap-3 border-t border-base-content bg-base-100 px-5 py-2"
  >
    <p class="min-w-0 flex-1" role="status">
      {#if choosing.ids.size > 0}<strong>{count(choosing.ids.size, 'picture')} chosen.</strong>{/if}
      {said}
      {#if undoIds.length > 0}<button class="dk-link" onclick={() => putBack(undoIds)}>Restore</button>{/if}
      {#if undoWords}<button class="dk-link" onclick={() => void undoMany()}>Undo</button>{/if}
      {#if problem}<span class="dk-problem">{problem}</span>{/if}
    </p>
    {#if choosing.ids.size > 0}
      <button class="dk-button" onclick={onround}>Words round</button>
      <button class="dk-button" onclick={() => (changing = true)}>Change words</button>
      {#if waiting}
        <button class="dk-button" onclick={() => putBack([...choosing.ids])}>Restore</button>
      {:else}
        <button class="dk-button" onclick={toArchive}>Hand to the archive</button>
        <button class="dk-button" onclick={takeAway}>Remove</button>
      {/if}
      <button class="dk-button" onclick={() => choosing.clear()}>Choose none</button>
    {:else}
      <button class="dk-button bare" onclick={() => (said = problem = '')}>Close</button>
    {/if}
  </section>
{/if}
<ManyWords
  bind:open={changing}
  ids={[...choosing.ids]}
  {folders}
  ondone={(sentence, undo) => {
    [said, undoWords, undoIds, problem] = [sentence, undo, [], ''];
  }}
/>
