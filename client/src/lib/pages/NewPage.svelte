<script lang="ts">
  import { goto } from '$app/navigation';
  import { answer, api, sentenceOf } from '$lib/api/client';
  import Sheet from '$lib/ui/Sheet.svelte';

  let { open = $bindable(), kind }: { open: boolean; kind: 'page' | 'post' } = $props();
  let title = $state('');
  let problem = $state('');

  async function add(event: SubmitEvent) {
    event.preventDefault();
    try {
      const draft = await answer(api.POST('/api/pages', { body: { kind, title } }));
      open = false;
      title = '';
      await goto(`/pages/${draft.id}`);
    } catch (error) {
      problem = sentenceOf(error);
    }
  }
</script>

<Sheet bind:open title={kind === 'page' ? 'A new page' : 'A new post'}>
  <form id="new-page" onsubmit={add}>
    <label class="dk-label" for="new-title">Title</label>
    <input id="new-title" class="dk-field text-read" bind:value={title} maxlength="200" autocomplete="off" />
    <p class="mt-2 text-quiet">Its address is made from the title; both can be changed on the desk.</p>
    {#if problem}<p class="dk-problem mt-2" role="alert">{problem}</p>{/if}
  </form>
  {#snippet foot()}
    <button class="dk-button" onclick={() => (open = false)}>Not now</button>
    <button class="dk-button main" form="new-page">Create</button>
  {/snippet}
</Sheet>
