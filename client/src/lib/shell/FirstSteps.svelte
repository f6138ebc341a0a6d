<!-- The first five minutes: three steps on the real desk, each done by hand or with samples, left at any time. -->
<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import Check from '@lucide/svelte/icons/check';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { answer, api, sentenceOf } from '$lib/api/client';
  import { pageCards, queryClient, sitePlan } from '$lib/api/queries';
  import { askToPublish } from '$lib/ui/acts.svelte';
  import { firstSteps } from './firstSteps.svelte';

  const pages = createQuery(() => ({ ...pageCards('page', 0), enabled: firstSteps.isOn }));
  const site = createQuery(sitePlan);
  const mine = $derived(pages.data?.find((one) => one.id === firstSteps.pageId) ?? pages.data?.[0]);
  const hasPictures = $derived((mine?.pictures.length ?? 0) > 0);
  const onDesk = $derived(mine !== undefined && page.url.pathname === `/pages/${mine.id}`);
  const step = $derived(!mine ? 0 : !hasPictures ? 1 : mine.state === 'published' ? 3 : 2);
  const names = ['A page', 'Pictures', 'Publish'];
  let [problem, working] = $state(['', false]);

  async function work(what: () => Promise<unknown>) {
    [problem, working] = ['', true];
    try {
      await what();
    } catch (error) {
      problem = sentenceOf(error);
    }
    working = false;
  }
  const makePage = () =>
    work(async () => {
      const made = await answer(api.POST('/api/pages', { body: { kind: 'page', title: 'Welcome' } }));
      firstSteps.pageId = made.id;
      await queryClient.invalidateQueries({ queryKey: ['pages'] });
      await goto(`/pages/${made.id}`);
    });
  const samples = () =>
    work(async () => {
      if (!onDesk) await goto(`/pages/${mine!.id}`);
      await firstSteps.placeSamples();
    });
</script>

{#if firstSteps.isOn && pages.data}
  <section
    aria-label="First steps"
    class="flex min-h-12 flex-none items-center gap-4 border-t border-base-content bg-base-100 px-4 py-1.5"
  >
    <ol class="flex flex-none gap-3">
      {#each names as name, i (name)}
        <li
          class="flex items-center gap-1.5 {i === step ? 'font-semibold' : 'text-quiet'}"
          aria-current={i === step ? 'step' : undefined}
        >
          {#if i < step}<Check size={14} aria-label="done" />{:else}<span class="dk-tabular">{i + 1}</span>{/if}{name}
        </li>
      {/each}
    </ol>
    <p class="min-w-0 flex-1" role="status">
      {#if problem}<span class="dk-problem">{problem}</span>
      {:else if step === 0}A page takes words and pictures. The first one becomes the front page of the site.
      {:else if step === 1 && onDesk}Type in the page. Then drop pictures where they should stand, or press the plus
        between two pieces.
      {:else if step === 1}Open the page: it stands on the desk as visitors will see it.
      {:else if step === 2}Click a picture to size it, the phone at the right shows it too. Publish makes it public.
      {:else}It is public. From here on every change waits until you publish again.{/if}
    </p>
    {#if step === 0}
      <button class="dk-button main" disabled={working} onclick={makePage}>Make a page</button>
    {:else if step === 1}
      {#if !onDesk}<a class="dk-button" href="/pages/{mine?.id}">Open the page</a>{/if}
      <button class="dk-button main" disabled={working} onclick={samples}
        >{working ? 'Coming in …' : 'Use sample pictures'}</button
      >
    {:else if step === 2}
      <button class="dk-button main" onclick={askToPublish}>Publish</button>
    {:else if site.data?.isPublished}
      <a class="dk-button main" href="/live/" target="_blank" rel="noopener">See it</a>
    {/if}
    <button class="dk-button" onclick={() => firstSteps.leave()}>{step === 3 ? 'Done' : 'Leave these steps'}</button>
  </section>
{/if}
