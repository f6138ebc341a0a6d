<!-- Whether a picture is in the archive: handed over, on its way, or refused, and what can be done then. -->
<script lang="ts">
  import { sentenceOf } from '$lib/api/client';
  import Group from '$lib/ui/Group.svelte';
  import { dayOf, timeOf } from '$lib/model/words';
  import { depositSaid, handOnWords, handOver, keepHere, type Deposit } from './handing';

  let { id, deposit, before }: { id: string; deposit: Deposit | null | undefined; before: () => Promise<unknown> } =
    $props();
  let open = $state(false);
  let problem = $state('');

  async function act(work: () => Promise<unknown>) {
    problem = '';
    try {
      await before();
      await work();
    } catch (error) {
      problem = sentenceOf(error);
    }
  }
</script>

<Group name="Archive" value={deposit ? depositSaid(deposit) : 'not handed over'} bind:open>
  {#if !deposit}
    <p class="text-quiet">The file goes there with its title, alt text, caption, credit, rights and keywords.</p>
    <button class="dk-button mt-2" onclick={() => void act(() => handOver([id]))}>Hand to the archive</button>
  {:else}
    <p role="status">
      {#if deposit.state === 'handed'}
        It is in the archive{deposit.handedAt
          ? ` since ${dayOf(deposit.handedAt)}, ${timeOf(deposit.handedAt)}`
          : ''}{deposit.askedBy ? `; ${deposit.askedBy} handed it over` : ''}.
        {#if deposit.hasOtherWords}Its words have changed here since.{/if}
      {:else if deposit.state === 'waiting' && !deposit.sentence}
        It goes as soon as its words rest.
      {:else if deposit.state === 'waiting'}
        It waits, and nothing is lost.{deposit.nextAt ? ` It is tried again at ${timeOf(deposit.nextAt)}.` : ''}
      {/if}
    </p>
    {#if deposit.sentence}<p class={deposit.state === 'refused' ? 'dk-problem' : 'text-soft'}>
        {deposit.sentence}
      </p>{/if}
    <p class="mt-2 flex flex-wrap gap-2">
      {#if deposit.state === 'handed' && deposit.hasOtherWords}
        <button class="dk-button" onclick={() => void act(() => handOnWords(id))}>Hand on the new words</button>
      {:else if deposit.state !== 'handed' && deposit.sentence}
        <button class="dk-button" onclick={() => void act(() => handOver([id]))}>Try again</button>
      {/if}
      {#if !deposit.handedAt}
        <button class="dk-button" onclick={() => void act(() => keepHere(id))}>Do not hand it over</button>
      {/if}
    </p>
  {/if}
  {#if problem}<p class="dk-problem mt-2" role="alert">{problem}</p>{/if}
</Group>
