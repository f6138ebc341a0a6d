<!-- Where new pictures are handed to the archive, and what has not reached it yet. -->
<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { answer, api, outlives, sentenceOf } from '$lib/api/client';
  import { queryClient } from '$lib/api/queries';
  import { depositAddress, depositList, depositSaid } from '$lib/archive/handing';
  import { count, weight } from '$lib/model/words';

  /** A list of more than these is read by nobody; the library finds each. */
  const mostShown = 50;
  let problem = $state('');
  let said = $state('');
  let isAsking = $state(false);
  const at = createQuery(depositAddress);
  const list = createQuery(depositList);

  async function set(change: { address: string; token?: string }) {
    problem = said = '';
    try {
      const put = api.PUT('/api/deposits/at', { body: change, keepalive: outlives(change) });
      queryClient.setQueryData(depositAddress().queryKey, await answer(put));
    } catch (error) {
      problem = sentenceOf(error);
    }
  }

  /** Whether what is set is right is known before anything is handed over. */
  async function ask() {
    [problem, said, isAsking] = ['', '', true];
    try {
      const { title, maxBytes } = await answer(api.GET('/api/deposits/service'));
      said = `${title || 'The archive'} takes pictures${maxBytes ? ` of up to ${weight(maxBytes)}` : ''}.`;
    } catch (error) {
      problem = sentenceOf(error);
    } finally {
      isAsking = false;
    }
  }
</script>

<label class="dk-label mt-3" for="deposit-address">Address for deposits (SWORD 3.0)</label>
<input
  id="deposit-address"
  class="dk-field"
  autocomplete="off"
  spellcheck="false"
  value={at.data?.address ?? ''}
  onchange={(event) => void set({ address: event.currentTarget.value })}
/>
<label class="dk-label mt-2" for="deposit-token">Token</label>
<input
  id="deposit-token"
  class="dk-field"
  type="password"
  autocomplete="new-password"
  placeholder={at.data?.hasToken ? 'one is set' : 'none'}
  onchange={(event) => {
    const token = event.currentTarget.value;
    event.currentTarget.value = '';
    if (token && at.data) void set({ address: at.data.address, token });
  }}
/>
<button class="dk-button mt-2" disabled={isAsking} onclick={() => void ask()}>Ask what it takes</button>
{#if problem}<p class="dk-problem mt-1" role="alert">{problem}</p>{/if}
<p role="status" class:mt-1={said !== ''}>{said}</p>
{#if list.data && list.data.items.length > 0}
  <p class="mt-3">
    {list.data.waiting > 0 ? `${count(list.data.waiting, 'picture')} on the way to the archive.` : ''}
    {list.data.refused > 0 ? `${count(list.data.refused, 'picture')} refused.` : ''}
  </p>
  <ul aria-label="Not in the archive yet">
    {#each list.data.items.slice(0, mostShown) as item (item.id)}
      <li class="mt-1">
        <a class="dk-link" href="/library?at={item.id}">{item.title}</a>
        <span class="text-quiet">{item.deposit.sentence || depositSaid(item.deposit)}</span>
      </li>
    {/each}
  </ul>
{/if}
