<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { onMount, untrack } from 'svelte';
  import { answer, api, sentenceOf, type Schemas } from '$lib/api/client';
  import { on } from '$lib/api/events';
  import { publishPreview, queryClient } from '$lib/api/queries';
  import { count } from '$lib/model/words';
  import Sheet from '$lib/ui/Sheet.svelte';

  let { open = $bindable() }: { open: boolean } = $props();
  const preview = createQuery(publishPreview);
  let job = $state<Schemas['Job'] | null>(null);
  let problem = $state('');
  const running = $derived(job?.state === 'running');
  const changed = $derived(preview.data?.pages.filter((page) => page.change !== 'same') ?? []);

  /** So many names are read; the rest is counted. */
  const named = 12;
  const restyled = $derived(changed.filter((page) => page.isStyleAlone && page.notices.length === 0));
  const told = $derived(changed.filter((page) => !restyled.includes(page)));
  const round = $derived(preview.data?.round ?? []);
  const others = $derived(preview.data?.otherFiles ?? []);
  const ahead = $derived(preview.data?.ahead ?? []);
  const damage = $derived(preview.data?.damage ?? '');
  /** Known for certain: while it is asked for, the button can be pressed, and has the focus from the start. */
  const isNothing = $derived(
    !preview.isFetching && changed.length + others.length + round.length + ahead.length === 0 && damage === '',
  );

  // Only opening begins anew: the end of a run must stay to be read.
  $effect(() => {
    if (!open) return;
    untrack(() => {
      if (!running) job = null;
      problem = '';
      void preview.refetch();
    });
  });
  onMount(() => on('job', (now) => job?.id === now.id && (job = now)));
  // What is told of the work may be lost on the way: how far it is can be asked for too.
  $effect(() => {
    const id = running ? job?.id : undefined;
    if (!id) return;
    const asking = setInterval(() => void ask(id), askMs);
    return () => clearInterval(asking);
  });
  const askMs = 2000;

  async function ask(id: string) {
    const now = await answer(api.GET('/api/jobs/{id}', { params: { path: { id } } })).catch(() => null);
    if (!now || job?.id !== now.id || job.state !== 'running') return;
    job = now;
    if (now.state !== 'running')
      for (const key of ['pages', 'publish', 'site']) void queryClient.invalidateQueries({ queryKey: [key] });
  }

  async function publish() {
    problem = '';
    try {
      job = await answer(api.POST('/api/publish', { headers: { Prefer: 'respond-async' } }));
      await ask(job.id);
    } catch (error) {
      problem = sentenceOf(error);
    }
  }

  /** What was made so far is kept: published again, it goes on from there. */
  async function stop() {
    if (!job) return;
    try {
      await answer(api.DELETE('/api/jobs/{id}', { params: { path: { id: job.id } } }));
    } catch (error) {
      problem = sentenceOf(error);
    }
  }

  const verb: Record<string, string> = { new: 'comes new', changed: 'changes', off: 'goes from the public site' };
</script>

<Sheet bind:open title="Publish">
  {#if job && job.state !== 'running'}
    <p class="text-read" role="status">{job.progress.sentence}</p>
    {#if job.state === 'done'}
      <p class="mt-3"><a class="dk-link" href="/live/" target="_blank" rel="noopener">Open the public site</a></p>
    {/if}
  {:else if job}
    <p class="text-read" role="status">{job.progress.sentence}</p>
    <progress class="mt-3 h-2 w-full" value={job.progress.done} max={job.progress.of} aria-label="Publishing"
    ></progress>
    <p class="mt-2 text-quiet">You can close this and go on working; the public site changes in one step at the end.</p>
  {:else if preview.isPending}
    <p class="text-quiet" role="status">Looking at what has changed.</p>
  {:else if changed.length + others.length + round.length === 0}
    <p class="text-read">Nothing has changed since the public site was last published.</p>
  {:else}
    <p class="text-quiet">This is what visitors will meet that they do not meet now.</p>
    <ul class="mt-3 divide-y divide-hair border-y border-hair">
      {#each round as sentence (sentence)}<li class="py-2">{sentence}</li>{/each}
      {#if restyled.length > 0}
        <li class="py-2">
          {count(restyled.length, 'page')}
          {restyled.length === 1 ? 'changes' : 'change'} by the site’s look alone:
          <span class="text-quiet"
            >{restyled
              .slice(0, named)
              .map((page) => page.title)
              .join(', ')}{restyled.length > named ? ` and ${restyled.length - named} more` : ''}</span
          >
        </li>
      {/if}
      {#each told as page (page.id)}
        <li class="py-2">
          <span class="font-semibold">{page.title}</span>
          {verb[page.change] ?? page.change}{page.why.length > 0 ? `: ${page.why.join(', ')}` : ''}
          <span class="text-quiet">/{page.path}</span>
          {#each page.notices as notice, i (i)}<p class="text-soft">{notice}</p>{/each}
        </li>
      {/each}
      {#if preview.data?.morePages}<li class="py-2">{count(preview.data.morePages, 'more page')} besides.</li>{/if}
      {#each others as address (address)}
        <li class="py-2">The file at <span class="text-quiet">/{address}</span> comes, changes or goes.</li>
      {/each}
    </ul>
  {/if}
  {#if !job && ahead.length > 0}
    <p class="mt-3">
      By its dates the public site becomes another by itself on {ahead.slice(0, 3).join(', ')}{ahead.length > 3
        ? ` and ${ahead.length - 3} more days`
        : ''}. {preview.data?.aheadNote}
    </p>
  {/if}
  {#if damage && !job}<p class="dk-problem mt-3" role="alert">{damage}</p>{/if}
  {#if problem}<p class="dk-problem mt-3" role="alert">{problem}</p>{/if}
  {#snippet foot()}
    {#if running}<button class="dk-button" onclick={stop}>Stop</button>{/if}
    <button class="dk-button" onclick={() => (open = false)}>{running ? 'Close' : job ? 'Done' : 'Not now'}</button>
    {#if !job || running}
      <button class="dk-button main" disabled={running || isNothing} onclick={publish}>
        {running ? 'Publishing' : 'Publish now'}
      </button>
    {/if}
  {/snippet}
</Sheet>
