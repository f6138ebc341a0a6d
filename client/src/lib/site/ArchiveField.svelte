<!-- Which archive the drawer searches, and new pictures are handed to. -->
<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { answer, api, sentenceOf } from '$lib/api/client';
  import { queryClient } from '$lib/api/queries';
  import { siteArchive } from '$lib/archive/archive.svelte';
  import Group from '$lib/ui/Group.svelte';
  import DepositFields from './DepositFields.svelte';

  let open = $state(false);
  let problem = $state('');
  const at = createQuery(siteArchive);

  async function set(address: string) {
    problem = '';
    try {
      const now = await answer(api.PUT('/api/archive/at', { body: { address } }));
      queryClient.setQueryData(siteArchive().queryKey, now);
    } catch (error) {
      problem = sentenceOf(error);
    }
  }
</script>

<Group name="Archive" value={at.data?.address ?? ''} bind:open>
  <label class="dk-label" for="site-archive">Address of its collection (IIIF)</label>
  <input
    id="site-archive"
    class="dk-field"
    autocomplete="off"
    spellcheck="false"
    value={at.data?.address ?? ''}
    onchange={(event) => void set(event.currentTarget.value)}
  />
  {#if problem}<p class="dk-problem" role="alert">{problem}</p>{/if}
  <p class="mt-1 text-quiet">The drawer at the desk searches it. The one that ships with Dekoro is made up.</p>
  <DepositFields />
</Group>
