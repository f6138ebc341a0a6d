<!-- How a page or an arrangement stood before, beside how it stands now; any state can be had back whole. -->
<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { onMount, untrack } from 'svelte';
  import ArrowLeft from '@lucide/svelte/icons/arrow-left';
  import { goto } from '$app/navigation';
  import { sentenceOf, type Schemas } from '$lib/api/client';
  import { sitePlan } from '$lib/api/queries';
  import { classes } from '$lib/model/choices';
  import type { WidthClass } from '$lib/model/attrs';
  import PageFrame from '$lib/ui/PageFrame.svelte';
  import { dayOf, timeOf } from '$lib/model/words';

  type State = Schemas['StateResponse'];
  let {
    what,
    back,
    backTo,
    first = 'phone',
    list,
    restore: haveBack,
    differences,
    viewOf,
  }: {
    what: 'page' | 'arrangement' | 'banner';
    /** Address of the screen that this leads back to, and its name. */
    back: string;
    backTo: string;
    /** The width that is shown first. */
    first?: WidthClass;
    list: () => Promise<State[]>;
    restore: (version: number) => Promise<unknown>;
    /** What is otherwise now than in a state, in sentences. */
    differences?: (version: number) => Promise<string[]>;
    /** Address of what is shown of a state. */
    viewOf: (state: State) => string;
  } = $props();
  const site = createQuery(() => sitePlan());
  let states = $state.raw<State[] | null>(null);
  let chosen = $state<number | null>(null);
  let at = $state<WidthClass>(untrack(() => first));
  let problem = $state('');
  const now = $derived(states?.find((state) => state.isNow));
  const then = $derived(states?.find((state) => state.version === chosen) ?? null);
  let changes = $state.raw<string[]>([]);
  $effect(() => {
    const asked = chosen;
    changes = [];
    if (asked !== null)
      void differences?.(asked).then(
        (found) => asked === chosen && (changes = found),
        (error: unknown) => (problem = sentenceOf(error)),
      );
  });
  const widthPx = $derived(site.data?.classes.referencePx[at] ?? 390);

  onMount(() => {
    void (async () => {
      try {
        states = await list();
        chosen = states[1]?.version ?? null;
      } catch (error) {
        problem = sentenceOf(error);
      }
    })();
  });

  async function restore(version: number) {
    problem = '';
    try {
      await haveBack(version);
      await goto(back);
    } catch (error) {
      problem = sentenceOf(error);
    }
  }

  function keys(event: KeyboardEvent) {
    if (event.key !== 'Escape' || event.defaultPrevented || document.querySelector('[role=dialog]')) return;
    event.preventDefault();
    void goto(back);
  }
  const when = (state: State) => `${dayOf(state.keptAt)}, ${timeOf(state.keptAt)}`;
</script>

<svelte:head
  ><title>History of {now?.title ?? (what === 'arrangement' ? 'an arrangement' : `a ${what}`)} · Dekoro</title
  ></svelte:head
>
<svelte:window onkeydown={keys} />

<div class="flex h-10 flex-none items-center gap-4 border-b border-hair px-4">
  <a class="dk-button" href={back}><ArrowLeft size={15} />{backTo}</a>
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
        Nothing was changed on this {what} yet: every state it is kept in from now on stands here.
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
          <button class="dk-button main ml-auto" onclick={() => restore(then.version)}>Restore this state</button>
        </div>
        {#if changes.length > 0}
          <div class="mb-3 max-h-28 flex-none overflow-y-auto">
            <h3 class="text-quiet">Different now</h3>
            <ul>
              {#each changes as change, i (i)}<li>{change}</li>{/each}
            </ul>
          </div>
        {/if}
        <div class="min-h-0 flex-1">
          <PageFrame src={viewOf(then)} title="{then.title} as it stood then" {widthPx} onkey={keys} />
        </div>
      </section>
    {/if}
    {#if now}
      <section class="flex min-w-0 flex-1 flex-col" aria-label="As it stands now">
        <h2 class="flex h-12 flex-none items-center font-semibold">now</h2>
        <div class="min-h-0 flex-1">
          <PageFrame src={viewOf(now)} title="{now.title} as it stands now" {widthPx} onkey={keys} />
        </div>
      </section>
    {/if}
  </div>
</div>
