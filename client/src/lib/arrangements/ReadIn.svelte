<!-- The HTML of a gallery made elsewhere, read into this arrangement. -->
<script lang="ts">
  import { sentenceOf } from '$lib/api/client';
  import Sheet from '$lib/ui/Sheet.svelte';
  import { count } from '$lib/model/words';
  import type { Opened } from './opened.svelte';

  let { opened }: { opened: Opened } = $props();
  let open = $state(false);
  let html = $state('');
  let address = $state('');
  let busy = $state(false);
  let said = $state('');

  async function read() {
    [busy, said] = [true, ''];
    try {
      const { count: many, left } = await opened.readIn(html, address.trim() || null);
      said = [
        many > 0 ? `${count(many, 'picture')} came in.` : 'No picture was found in it.',
        ...left.map(({ name, sentence }) => `${name}: ${sentence}`),
      ].join(' ');
      if (many > 0) html = '';
      if (many > 0 && left.length === 0) open = false;
    } catch (error) {
      said = sentenceOf(error);
    }
    busy = false;
  }
</script>

<button class="dk-button" onclick={() => ((open = true), (said = ''))}>From a gallery’s HTML</button>
<Sheet bind:open title="A gallery made elsewhere">
  <label class="dk-label" for="gallery-html">Its HTML</label>
  <textarea id="gallery-html" class="dk-field font-mono" rows="8" spellcheck="false" bind:value={html}></textarea>
  <label class="dk-label mt-3" for="gallery-address">Where it stands, if its addresses are short</label>
  <input id="gallery-address" class="dk-field" placeholder="https://" bind:value={address} />
  <p class="mt-2 text-quiet">
    Each picture comes into the library as the large file it leads to, with its caption, alt text and link.
  </p>
  {#if said}<p class="mt-2" role="status">{said}</p>{/if}
  {#snippet foot()}
    <button class="dk-button main" disabled={!html.trim() || busy} onclick={() => void read()}>Read it in</button>
  {/snippet}
</Sheet>
