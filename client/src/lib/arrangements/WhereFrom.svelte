<!-- Pictures that are chosen, or those of a search line; and the set taken out. -->
<script lang="ts">
  import { sentenceOf } from '$lib/api/client';
  import { saveFile } from '$lib/api/saveFile';
  import type { Opened } from './opened.svelte';

  let { opened }: { opened: Opened } = $props();
  let problem = $state('');
  async function save(format: 'html' | 'json') {
    problem = '';
    const address = `/api/arrangements/${opened.id}/out?format=${format}`;
    await saveFile(address, `arrangement.${format}`).catch((error) => (problem = sentenceOf(error)));
  }
  let snippet = $state('');
  $effect(() => {
    if (!opened.look?.values.isShownElsewhere) return;
    void opened.look.version;
    fetch(`/api/arrangements/${opened.id}/out?format=snippet`)
      .then((answer) => (answer.ok ? answer.text() : answer.json().then((problem) => problem.detail as string)))
      .then((text) => (snippet = text));
  });
</script>

<div class="border-b border-hair px-4 py-3">
  <h3 class="font-semibold">Where its pictures come from</h3>
  <label class="dk-label mt-2" for="follows">A search line of the library that it follows</label>
  <input
    id="follows"
    class="dk-field"
    placeholder="none: pictures are chosen"
    autocomplete="off"
    spellcheck="false"
    value={opened.wish!.follows ?? ''}
    onchange={(event) => opened.set({ ...opened.wish!, follows: event.currentTarget.value.trim() || null })}
  />
  <p class="mt-1 text-quiet">
    {opened.wish!.follows
      ? 'What the library holds of it stands here, and what comes later too. Emptied, the pictures stay as chosen ones.'
      : 'As folder:Kites, or words: then new pictures come by themselves.'}
  </p>
  <p class="mt-2">
    Download it as <button class="dk-link" onclick={() => void save('html')}>HTML</button>
    or <button class="dk-link" onclick={() => void save('json')}>JSON</button>
  </p>
  {#if problem}<p class="dk-problem mt-1" role="alert">{problem}</p>{/if}
  <label class="mt-2 flex min-h-6 items-center gap-1.5">
    <input
      type="checkbox"
      checked={opened.wish!.isShownElsewhere}
      onchange={(event) => opened.set({ ...opened.wish!, isShownElsewhere: event.currentTarget.checked })}
    />shown on sites elsewhere, in a frame
  </label>
  {#if opened.look?.values.isShownElsewhere}
    <label class="dk-label mt-2" for="snippet">For a page elsewhere, once it is published</label>
    <textarea id="snippet" class="dk-field font-mono" rows="4" readonly spellcheck="false" value={snippet}></textarea>
    <button class="dk-button mt-1" onclick={() => void navigator.clipboard.writeText(snippet)}>Copy</button>
  {/if}
</div>
