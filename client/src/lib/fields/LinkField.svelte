<!-- Where something leads: typed or chosen from the pages, read by the server, with the repair shown. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { createQuery } from '@tanstack/svelte-query';
  import { answer, api, sentenceOf, type Schemas } from '$lib/api/client';
  import { pageNames } from '$lib/api/queries';
  import { otherFiles } from '$lib/media/otherFiles';
  import { weight } from '$lib/model/words';

  let {
    value,
    of = '',
    headings = [],
    onset,
    hint,
  }: {
    value: string;
    /** Names what is to lead there. */
    of?: string;
    /** Places of the same page. */
    headings?: readonly { id: string; text: string }[];
    onset: (written: string | null) => void;
    hint: string;
  } = $props();
  const pages = createQuery(pageNames);
  let typed = $state<string | null>(null);
  let reading = $state.raw<Schemas['LinkResponse'] | null>(null);
  const files = createQuery(() => otherFiles(''));
  const offered = $derived(files.data?.items.filter((file) => !file.awaySince) ?? []);
  const file = $derived(offered.find((one) => one.link === value));
  const named = $derived(pages.data?.find((page) => `page:${page.id}` === value));

  let field = $state<HTMLInputElement>();
  let was = '';
  // Another thing is chosen, or this one leads elsewhere now: what was typed before is not said of it. The page tells
  // a little late what is chosen; what is typed meanwhile is for that.
  $effect(() => {
    void of;
    if (value !== was || document.activeElement !== untrack(() => field)) typed = null;
    was = value;
    if (untrack(() => reading?.written) !== value) reading = null;
  });

  async function read(text: string) {
    // Another thing may be chosen before the answer is there: what was typed belongs to this one.
    const [give, meant] = [onset, of];
    refused = null;
    let answered: Schemas['LinkResponse'];
    try {
      answered = await answer(api.GET('/api/links', { params: { query: { typed: text } } }));
      if (answered.written) give(answered.written);
    } catch (error) {
      answered = { written: null, repair: null, error: sentenceOf(error) };
    }
    if (answered.error) refused = text;
    const error = answered.error && meant !== of ? `“${text}” was not set: ${answered.error}` : answered.error;
    reading = { ...answered, error };
  }
  /** What was refused is not asked about again when the field is left. */
  let refused: string | null = null;

  /** What was typed is taken as soon as the field is left; emptied, it leads nowhere. */
  function take() {
    const text = typed?.trim();
    if (text === undefined || text === shown || text === refused) return;
    if (text === '') {
      [typed, reading] = [null, null];
      if (value) onset(null);
    } else void read(text);
  }
  const heading = $derived(headings.find((one) => `#${one.id}` === value));
  const shown = $derived(heading ? `#${heading.id}` : named ? `/${named.path}` : file ? `/${file.address}` : value);
</script>

<form
  onsubmit={(event) => {
    event.preventDefault();
    take();
  }}
>
  <div class="flex gap-1.5">
    <input
      bind:this={field}
      class="dk-field"
      aria-label="Where it leads"
      placeholder="https:// or a page's address"
      autocomplete="off"
      spellcheck="false"
      value={typed ?? shown}
      oninput={(event) => (typed = event.currentTarget.value)}
      onblur={take}
    />
    <button class="dk-button" disabled={typed === null || typed.trim() === shown}>Set</button>
  </div>
  <label class="dk-label mt-2" for="link-page">or a page of this site</label>
  <select
    id="link-page"
    class="dk-field"
    value={named?.id ?? ''}
    onchange={(event) => event.currentTarget.value && void read(`page:${event.currentTarget.value}`)}
  >
    <option value="">choose one</option>
    {#each pages.data ?? [] as page (page.id)}<option value={page.id}>{page.title}</option>{/each}
  </select>
  {#if headings.length > 0}
    <label class="dk-label mt-2" for="link-heading">or a heading of this page</label>
    <select
      id="link-heading"
      class="dk-field"
      value={headings.find((one) => `#${one.id}` === value)?.id ?? ''}
      onchange={(event) => event.currentTarget.value && void read(`#${event.currentTarget.value}`)}
    >
      <option value="">choose one</option>
      {#each headings as one (one.id)}<option value={one.id}>{one.text}</option>{/each}
    </select>
  {/if}
  {#if offered.length > 0}
    <label class="dk-label mt-2" for="link-file">or a file of the library</label>
    <select
      id="link-file"
      class="dk-field"
      value={file?.link ?? ''}
      onchange={(event) => event.currentTarget.value && void read(event.currentTarget.value)}
    >
      <option value="">choose one</option>
      {#each offered as one (one.id)}<option value={one.link}>{one.title} ({one.typeName}, {weight(one.bytes)})</option
        >{/each}
    </select>
  {/if}
</form>
{#if reading?.error}<p class="dk-problem mt-1.5" role="alert">{reading.error}</p>{/if}
{#if reading?.repair}<p class="mt-1.5 text-soft" role="status">{reading.repair}</p>{/if}
{#if value}
  <button class="dk-link mt-2" onclick={() => ((reading = null), onset(null))}>take the link out</button>
{:else}
  <p class="mt-1.5 text-quiet">{hint}</p>
{/if}
