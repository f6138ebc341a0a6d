<!-- Whether viewers of other houses read what the public site shows, and where they begin. -->
<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { answer, api, sentenceOf } from '$lib/api/client';
  import { queryClient } from '$lib/api/queries';
  import Group from '$lib/ui/Group.svelte';

  let open = $state(false);
  let problem = $state('');
  const key = ['site', 'iiif'];
  const now = createQuery(() => ({ queryKey: key, queryFn: () => answer(api.GET('/api/site/iiif')) }));
  /** Typed before it can be switched on. */
  let typed = $state<string | null>(null);
  const address = $derived(typed ?? now.data?.address ?? '');

  async function set(isOn: boolean) {
    problem = '';
    try {
      queryClient.setQueryData(key, await answer(api.PUT('/api/site/iiif', { body: { isOn, address } })));
      typed = null;
    } catch (error) {
      problem = sentenceOf(error);
    }
  }
</script>

<Group name="Pictures for others" value={now.data?.isOn ? 'as IIIF too' : 'not given out'} bind:open>
  <label class="dk-label" for="iiif-address">Address of the public site</label>
  <input
    id="iiif-address"
    class="dk-field"
    autocomplete="off"
    spellcheck="false"
    placeholder="https://museum.example"
    value={address}
    oninput={(event) => (typed = event.currentTarget.value)}
    onchange={() => void set(now.data?.isOn ?? false)}
  />
  <label class="mt-2 flex items-start gap-2">
    <input
      type="checkbox"
      class="mt-0.5 size-4 accent-neutral"
      checked={now.data?.isOn ?? false}
      onchange={async (event) => {
        const box = event.currentTarget;
        await set(box.checked);
        box.checked = now.data?.isOn ?? false;
      }}
    />
    <span>Give out the public site’s pictures as IIIF too</span>
  </label>
  {#if problem}<p class="dk-problem mt-1" role="alert">{problem}</p>{/if}
  {#if now.data?.isOn}
    <p class="mt-2 text-quiet">From the next publishing on, viewers begin here:</p>
    <p class="break-all select-all">{now.data.collection}</p>
  {/if}
  <p class="mt-1 text-quiet">
    Any viewer for archives shows them, with their words, credit and rights. Nothing is in it that no page shows.
  </p>
</Group>
