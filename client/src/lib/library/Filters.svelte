<!-- The filters as switches, in step with the search line, and the searches that are kept under a name. -->
<script lang="ts">
  import type { Snippet } from 'svelte';
  import { createQuery } from '@tanstack/svelte-query';
  import ChevronDown from '@lucide/svelte/icons/chevron-down';
  import X from '@lucide/svelte/icons/x';
  import { answer, api, sentenceOf, type Schemas } from '$lib/api/client';
  import { keptSearches, know } from '$lib/api/queries';

  let {
    query = $bindable(),
    switches,
    children,
  }: { query: string; switches: Schemas['FilterSwitch'][]; children: Snippet } = $props();
  let more = $state(false);
  let name = $state('');
  let problem = $state('');
  const kept = createQuery(keptSearches);
  const searches = $derived(kept.data?.searches ?? []);
  const always = ['Shape', 'Use', 'Mend', 'Waiting'];
  const shown = $derived(switches.filter((one) => one.count > 0 || one.isOn || always.slice(0, 3).includes(one.group)));
  const groupsOf = (first: boolean) => [
    ...new Set(shown.map((one) => one.group).filter((group) => always.includes(group) === first)),
  ];
  const onBelow = $derived(shown.filter((one) => one.isOn && !always.includes(one.group)).length);

  async function change(call: () => Promise<Schemas['KeptSearchList']>) {
    problem = '';
    try {
      await know(['searches'], await call());
      name = '';
    } catch (error) {
      problem = sentenceOf(error);
    }
  }
  /** What is typed next is a word of its own. */
  const goesOn = (line: string) => (line ? `${line} ` : '');
  /** A name that is taken is said so before its search is replaced. */
  const isThere = $derived(searches.some((one) => one.name.toLowerCase() === name.trim().toLowerCase()));
  const keep = () => change(() => answer(api.PUT('/api/searches', { body: { name, line: query } })));
  const forget = (one: string) =>
    change(() => answer(api.DELETE('/api/searches/{name}', { params: { path: { name: one } } })));
</script>

{#snippet group(title: string)}
  <div class="flex flex-wrap items-center gap-1.5" role="group" aria-label={title}>
    {#if !always.includes(title)}<span class="w-24 flex-none text-quiet">{title}</span>{/if}
    {#each shown.filter((one) => one.group === title) as one (one.name)}
      <button
        class="dk-button dk-tabular min-h-6"
        aria-pressed={one.isOn}
        disabled={one.count === 0 && !one.isOn}
        onclick={() => (query = goesOn(one.line))}>{one.name} {one.count}</button
      >
    {/each}
  </div>
{/snippet}

<div class="flex flex-wrap items-center gap-x-4 gap-y-1.5 border-b border-hair bg-base-200 px-5 py-1.5">
  {#each groupsOf(true) as title (title)}{@render group(title)}{/each}
  <button class="dk-button min-h-6" aria-expanded={more} onclick={() => (more = !more)}
    >More{onBelow > 0 ? ` (${onBelow} on)` : ''}<ChevronDown size={14} class={more ? 'rotate-180' : ''} /></button
  >
  {@render children()}
</div>
{#if more}
  <section
    class="flex max-h-56 flex-col gap-2 overflow-y-auto border-b border-hair bg-base-200 px-5 py-2"
    aria-label="More filters"
  >
    {#each groupsOf(false) as title (title)}{@render group(title)}{/each}
    <div class="flex flex-wrap items-center gap-1.5" role="group" aria-label="Saved searches">
      <span class="w-24 flex-none text-quiet">Saved searches</span>
      {#each searches as one (one.name)}
        <span class="inline-flex">
          <button
            class="dk-button min-h-6"
            aria-pressed={query.trim() === one.line}
            title={one.line}
            onclick={() => (query = goesOn(one.line))}>{one.name}</button
          >
          <button class="dk-button bare min-h-6" aria-label="Forget {one.name}" onclick={() => void forget(one.name)}
            ><X size={13} /></button
          >
        </span>
      {/each}
      <form class="flex items-center gap-1.5" onsubmit={(event) => (event.preventDefault(), void keep())}>
        <input
          class="dk-field min-h-6 w-44 py-0"
          aria-label="Name for this search"
          placeholder={query.trim() ? 'name for this search' : 'search first, then save it'}
          disabled={!query.trim()}
          bind:value={name}
        />
        <button class="dk-button min-h-6" disabled={!query.trim() || !name.trim()}
          >{isThere ? `Replace “${name.trim()}”` : 'Save this search'}</button
        >
      </form>
      {#if problem}<span class="dk-problem" role="alert">{problem}</span>{/if}
    </div>
  </section>
{/if}
