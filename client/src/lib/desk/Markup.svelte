<!-- The markup of the chosen piece, as the public page will have it, to read and copy. -->
<script lang="ts">
  import { answer, api, sentenceOf } from '$lib/api/client';
  import { copied } from '$lib/ui/copying';
  import Group from '$lib/ui/Group.svelte';
  import type { Desk } from './desk.svelte';

  let { desk, id }: { desk: Desk; id: string } = $props();
  let open = $state(false);
  let html = $state('');
  let said = $state('');
  let code = $state<HTMLElement>();

  $effect(() => {
    void desk.preview.look;
    if (open) void read(id);
  });

  async function read(block: string) {
    try {
      const found = await answer(
        api.POST('/api/pages/{id}/markup/{block}', { params: { path: { id: desk.id, block } }, body: desk.body() }),
      );
      if (block !== id) return;
      if (html !== found.html) said = '';
      html = found.html;
    } catch (error) {
      html = '';
      said = sentenceOf(error);
    }
  }

  const copy = async () => (said = await copied(html, () => code && getSelection()?.selectAllChildren(code)));
</script>

<Group name="Markup" value="to read and copy" bind:open>
  {#if html}
    <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
    <pre
      class="max-h-64 overflow-auto border border-hair bg-base-200 p-2 text-[13px] leading-snug"
      tabindex="0"
      aria-label="Markup of this piece"><code bind:this={code}>{html}</code></pre>
    <button class="dk-button mt-1.5" onclick={copy}>Copy</button>
  {/if}
  <p class="mt-1 text-quiet" role="status">{said}</p>
</Group>
