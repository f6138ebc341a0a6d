<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import Plus from '@lucide/svelte/icons/plus';
  import { answer, api, sentenceOf, type PageItem, type PageName } from '$lib/api/client';
  import { pageNames, queryClient } from '$lib/api/queries';
  import NewPage from '$lib/pages/NewPage.svelte';
  import { firstSteps } from '$lib/shell/firstSteps.svelte';
  import PageGrid from '$lib/pages/PageGrid.svelte';

  const pages = createQuery(pageNames);
  let making = $state(false);
  let kind = $state<'page' | 'post'>('page');
  let problem = $state('');
  let groups = $state.raw<Record<'page' | 'post', PageName[]>>({ page: [], post: [] });
  /** Changes on their way to the server, and a card in the hand: what the server says meanwhile is older than what is seen. */
  let underWay = $state(0);
  let held = $state(false);
  $effect(() => {
    if (underWay > 0 || held) return;
    const all = pages.data ?? [];
    groups = { page: all.filter((item) => item.kind === 'page'), post: all.filter((item) => item.kind === 'post') };
  });

  const heads = [
    { kind: 'page', name: 'Pages', note: 'in the order of the menu', add: 'New page' },
    { kind: 'post', name: 'Posts', note: 'listed on the front page, in this order', add: 'New post' },
  ] as const;

  /** One after the other, as they were made: of two orders the later one stands. */
  let before: Promise<unknown> = Promise.resolve();
  async function attempt(work: () => Promise<unknown>) {
    problem = '';
    underWay++;
    try {
      await (before = before.catch(() => {}).then(work));
    } catch (error) {
      problem = sentenceOf(error);
    }
    await queryClient.invalidateQueries({ queryKey: ['pages'] });
    underWay--;
  }

  function order(kind: 'page' | 'post', names: PageName[]) {
    groups = { ...groups, [kind]: names };
    const ids = [...groups.page, ...groups.post].map((item) => item.id);
    void attempt(() => answer(api.POST('/api/pages/order', { body: { ids } })));
  }

  /** What of the place is in view: cards are drawn there, once it rests. */
  let view = $state.raw({ top: 0, height: 0, rests: true });
  let resting = 0;
  const restMs = 250;
  function scrolled(event: { currentTarget: HTMLElement }) {
    view = { ...view, top: event.currentTarget.scrollTop, rests: false };
    clearTimeout(resting);
    resting = window.setTimeout(() => (view = { ...view, rests: true }), restMs);
  }

  const turn = (item: PageItem, isOn: boolean) =>
    attempt(() => answer(api.PATCH('/api/pages/{id}', { params: { path: { id: item.id } }, body: { isOn } })));
  const date = (item: PageItem, day: string) =>
    attempt(() => answer(api.PATCH('/api/pages/{id}', { params: { path: { id: item.id } }, body: { date: day } })));
  const newestFirst = () => attempt(() => answer(api.POST('/api/pages/newest-first')));
  const copy = (item: PageItem) =>
    attempt(() => answer(api.POST('/api/pages/{id}/copy', { params: { path: { id: item.id } } })));
  const takeAway = (item: PageItem) =>
    attempt(() => answer(api.DELETE('/api/pages/{id}', { params: { path: { id: item.id } } })));
  const putBack = (id: string) => attempt(() => answer(api.POST('/api/pages/{id}/back', { params: { path: { id } } })));
  /** What waits to be put back, the last one first. */
  const away = createQuery(() => ({ queryKey: ['pages', 'away'], queryFn: () => answer(api.GET('/api/pages/away')) }));
</script>

<svelte:head><title>Pages · Dekoro</title></svelte:head>

<div
  class="relative min-h-0 flex-1 overflow-y-auto bg-base-200 px-6 pb-10"
  bind:clientHeight={null, (height) => (view = { ...view, height: height ?? 0 })}
  onscroll={scrolled}
>
  <h1 class="sr-only">Pages</h1>
  {#if problem}<p class="dk-problem pt-4" role="alert">{problem}</p>{/if}
  {#if pages.error}<p class="dk-problem pt-4" role="alert">{sentenceOf(pages.error)}</p>{/if}
  {#if pages.data?.length === 0 && !firstSteps.isOn}
    <section aria-labelledby="begin" class="mt-5 max-w-[640px] border border-hair bg-base-100 px-5 py-4">
      <h2 id="begin" class="text-read font-semibold">New here?</h2>
      <p class="mt-1 text-read text-quiet">
        Three steps lead to a published page: make a page, put pictures on it, publish. Each can be done with samples,
        and you can leave at any time.
      </p>
      <button class="dk-button main mt-3" onclick={() => firstSteps.begin()}>Begin the first steps</button>
    </section>
  {/if}
  {#each heads as head (head.kind)}
    <section aria-labelledby="head-{head.kind}" class="pt-5">
      <div class="mb-3 flex items-baseline gap-3">
        <h2 id="head-{head.kind}" class="text-read font-semibold">{head.name}</h2>
        <span class="text-quiet">{head.note}</span>
        <span class="flex flex-1 items-center justify-end gap-3">
          {#if head.kind === 'post' && groups.post.length > 1}
            <button class="dk-button" onclick={newestFirst}>Newest first</button>
          {/if}
          <button class="dk-button" onclick={() => ((kind = head.kind), (making = true))}
            ><Plus size={15} />{head.add}</button
          >
        </span>
      </div>
      {#if pages.data && groups[head.kind].length === 0}
        <p class="max-w-[52ch] py-4 text-read text-quiet">
          {head.kind === 'page'
            ? 'No page yet. Make the first one: it becomes the front page and opens on the desk, ready for words and pictures.'
            : 'No post yet. A post is dated news: it stands on the front page as soon as it is published.'}
        </p>
      {/if}
      <PageGrid
        kind={head.kind}
        names={groups[head.kind]}
        {view}
        bind:held
        onorder={(names) => order(head.kind, names)}
        onswitch={turn}
        ondate={date}
        oncopy={(item) => void copy(item)}
        ontakeaway={(item) => void takeAway(item)}
      />
    </section>
  {/each}
  {#if away.data?.length}
    <section aria-labelledby="head-away" class="pt-8">
      <h2 id="head-away" class="text-read font-semibold">Removed</h2>
      <p class="text-quiet">Each waits 30 days with all that is on it. Visitors lose it when you publish.</p>
      <ul class="mt-2 max-w-[640px]">
        {#each away.data as one (one.id)}
          <li class="flex items-center gap-3 border-t border-hair py-1.5">
            <span class="min-w-0 flex-1 truncate">{one.title}</span>
            <button class="dk-button" aria-label="Put “{one.title}” back" onclick={() => void putBack(one.id)}
              >Restore</button
            >
          </li>
        {/each}
      </ul>
    </section>
  {/if}
</div>
<NewPage bind:open={making} {kind} />
