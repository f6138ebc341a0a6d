<!-- How the page stood before, beside how it stands now; any state can be had back whole. -->
<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { onMount } from 'svelte';
  import ArrowLeft from '@lucide/svelte/icons/arrow-left';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { answer, api, sentenceOf, type Schemas } from '$lib/api/client';
  import { sitePlan } from '$lib/api/queries';
  import { classes } from '$lib/desk/choices';
  import type { WidthClass } from '$lib/desk/schema';
  import PageFrame from '$lib/ui/PageFrame.svelte';
  import { dayOf, timeOf } from '$lib/ui/words';

  const id = $derived(page.params.id ?? '');
  const site = createQuery(() => sitePlan());
  let states = $state.raw<Schemas['StateLook'][] | null>(null);
  let chosen = $state<number | null>(null);
  let at = $state<WidthClass>('phone');
  let problem = $state('');
  const now = $derived(states?.find((state) => state.isNow));
  const then = $derived(states?.find((state) => state.version === chosen) ?? null);
  const widthPx = $derived(site.data?.classes.referencePx[at] ?? 390);

  onMount(() => {
    void (async () => {
      try {
        states = await answer(api.GET('/api/pages/{id}/states', { params: { path: { id } } }));
        chosen = states[1]?.version ?? null;
      } catch (error) {
        problem = sentenceOf(error);
      }
    })();
  });

  async function restore(version: number) {
    problem = '';
    try {
      await answer(api.POST('/api/pages/{id}/states/{version}/restore', { params: { path: { id, version } } }));
      await goto(`/pages/${id}`);
    } catch (error) {
      problem = sentenceOf(error);
    }
  }

  function keys(event: KeyboardEvent) {
    if (event.key !== 'Escape' || event.defaultPrevented || document.querySelector('[role=dialog]')) return;
    event.preventDefault();
    void goto(`/pages/${id}`);
  }
  const when = (state: Schemas['StateLook']) => `${dayOf(state.keptAt)}, ${timeOf(state.keptAt)}`;
</script>

<svelte:head><title>History of {now?.title ?? 'a page'} · Dekoro</title></svelte:head>
<svelte:window onkeydown={keys} />

<div class="flex h-10 flex-none items-center gap-4 border-b border-hair px-4">
  <a class="dk-button" href="/pages/{id}"><ArrowLeft size={15} />Desk</a>
  <h1 class="min-w-0 truncate font-semibold">History of {now?.title || 'Untitled'}</h1>
  <div class="ml-auto flex gap-1" role="group" aria-label="Width of the page">
    {#each classes as c (c)}
      <button class="dk-button" aria-pressed={at === c} onclick={() => (at = c)}>{c}</button>
    {/each}
  </div>
</div>
{#if problem}<p class="dk-problem px-4 py-2 text-read" role="alert">{problem}</p>{/if}
<div class="flex min-h-0 flex-1">
  <nav class="w-[296px] flex-none overflow-y-auto border-r border-hair" aria-label="States">
    {#if states && states.length < 2}
      <p class="p-4 text-quiet">
        Nothing was changed on this page yet: every state it is kept in from now on stands here.
      </p>
    {/if}
    <ul>
      {#each states ?? [] as state (state.version)}
        <li>
          <button
            class="block w-full cursor-pointer border-b border-hair px-4 py-2 text-left aria-pressed:bg-base-200 aria-pressed:font-semibold"
            aria-pressed={state.version === chosen}
            disabled={state.isNow}
            onclick={() => (chosen = state.version)}
          >
            <span class="dk-tabular block">{state.isNow ? 'as it stands now' : when(state)}</span>
            <span class="block truncate font-normal text-quiet"
              >{state.by || 'no name given'}{state.isNow ? `, ${when(state)}` : ''}</span
            >
          </button>
        </li>
      {/each}
    </ul>
  </nav>
  <div class="flex min-w-0 flex-1 gap-6 bg-table px-5 pb-5">
    {#if then}
      <section class="flex min-w-0 flex-1 flex-col" aria-label="As it stood then">
        <div class="flex h-12 flex-none items-center gap-3">
          <h2 class="min-w-0 truncate font-semibold">{when(then)}</h2>
          <button class="dk-button main ml-auto" onclick={() => restore(then.version)}>Have it back like this</button>
        </div>
        <div class="min-h-0 flex-1">
          <PageFrame
            src="/proof/{id}?desk&state={then.version}"
            title="{then.title} as it stood then"
            {widthPx}
            onkey={keys}
          />
        </div>
      </section>
    {/if}
    {#if now}
      <section class="flex min-w-0 flex-1 flex-col" aria-label="As it stands now">
        <h2 class="flex h-12 flex-none items-center font-semibold">now</h2>
        <div class="min-h-0 flex-1">
          <PageFrame
            src="/proof/{id}?desk&now={now.version}"
            title="{now.title} as it stands now"
            {widthPx}
            onkey={keys}
          />
        </div>
      </section>
    {/if}
  </div>
</div>
