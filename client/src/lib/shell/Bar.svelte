<script lang="ts">
  import { onMount } from 'svelte';
  import Search from '@lucide/svelte/icons/search';
  import { askToFind } from '$lib/ui/acts.svelte';
  import { busy } from '$lib/api/busy.svelte';
  import Finder from './Finder.svelte';
  import { page } from '$app/state';
  import { createQuery } from '@tanstack/svelte-query';
  import CircleQuestionMark from '@lucide/svelte/icons/circle-question-mark';
  import Moon from '@lucide/svelte/icons/moon';
  import Sun from '@lucide/svelte/icons/sun';
  import { publishPreview, sitePlan } from '$lib/api/queries';
  import PublishSheet from '$lib/publish/PublishSheet.svelte';
  import KeysSheet from './KeysSheet.svelte';
  import Mark from '$lib/ui/Mark.svelte';
  import PersonField from './PersonField.svelte';
  import { light } from './theme.svelte';
  import { count } from '$lib/model/words';

  const site = createQuery(sitePlan);
  const preview = createQuery(publishPreview);
  let publishing = $state(false);
  let keysOpen = $state(false);
  onMount(() => {
    const ask = () => (publishing = true);
    addEventListener('publish-asked', ask);
    return () => removeEventListener('publish-asked', ask);
  });
  const changes = $derived(preview.data?.changes ?? 0);
  const places = [
    { name: 'Pages', href: '/', here: () => page.url.pathname === '/' || page.url.pathname.startsWith('/pages') },
    { name: 'Library', href: '/library', here: () => page.url.pathname.startsWith('/library') },
    { name: 'Arrangements', href: '/arrangements', here: () => page.url.pathname.startsWith('/arrangements') },
    { name: 'Banners', href: '/banners', here: () => page.url.pathname.startsWith('/banners') },
  ];
</script>

<header class="relative flex h-12 flex-none items-center gap-3 border-b border-hair px-4 whitespace-nowrap xl:gap-8">
  <a
    href="/site"
    class="dk-marked flex h-full items-center gap-2.5 px-3.5 -ml-3.5 text-read font-semibold"
    title="Widths, type and colours of the site"
    aria-current={page.url.pathname.startsWith('/site') ? 'page' : undefined}
  >
    <Mark />
    <span class="max-w-44 truncate xl:max-w-60">{site.data?.name ?? 'Dekoro'}</span>
  </a>
  <nav aria-label="Places" class="flex h-full">
    {#each places as place (place.href)}
      <a href={place.href} class="dk-place dk-marked" aria-current={place.here() ? 'page' : undefined}>{place.name}</a>
    {/each}
  </nav>
  <div class="ml-auto flex items-center gap-1.5 xl:gap-4">
    <button
      class="dk-button bare"
      onclick={askToFind}
      aria-label="Find or do anything"
      title="Find or do anything (Ctrl+K)"><Search size={16} /></button
    >
    <button
      class="dk-button bare"
      onclick={() => light.turn()}
      aria-label={light.now === 'paper' ? 'Lamp theme' : 'Paper theme'}
    >
      {#if light.now === 'paper'}<Moon size={16} />{:else}<Sun size={16} />{/if}
    </button>
    <button
      class="dk-button bare"
      onclick={() => (keysOpen = true)}
      aria-label="Help and keys"
      title="Help and keys (?)"><CircleQuestionMark size={16} /></button
    >
    <PersonField />
    {#if site.data?.isPublished}<a class="dk-link" href="/live/" target="_blank" rel="noopener">The public site</a>{/if}
    <span class="dk-tabular" aria-live="polite">{changes === 0 ? 'All published' : count(changes, 'change')}</span>
    <button class="dk-button main" onclick={() => (publishing = true)}>Publish</button>
  </div>
  {#if busy.isLong}<div class="dk-busy" role="progressbar" aria-label="Working"></div>{/if}
</header>
<PublishSheet bind:open={publishing} />
<KeysSheet bind:open={keysOpen} />
<Finder />

<style>
  /* Something takes its time: a stroke along the bar's edge. */
  .dk-busy {
    position: absolute;
    inset: auto 0 -2px;
    height: 2px;
    background: linear-gradient(90deg, var(--dk-crop) 40%, transparent 0) 0 0 / 120px 2px;
    animation: dk-busy 900ms linear infinite;
  }
  @keyframes dk-busy {
    to {
      background-position: 120px 0;
    }
  }
  .dk-marked {
    position: relative;
  }
  .dk-place {
    display: flex;
    align-items: center;
    padding-inline: 14px;
    font-size: 15px;
    color: var(--dk-ink-2);
  }
  .dk-place:hover {
    color: var(--color-base-content);
  }
  .dk-place[aria-current] {
    color: var(--color-base-content);
    font-weight: 600;
  }
  /* Two marks on the bar's edge, as a ruler's. */
  .dk-marked[aria-current]::before,
  .dk-marked[aria-current]::after {
    content: '';
    position: absolute;
    bottom: -1px;
    width: 2px;
    height: 9px;
    background: var(--color-base-content);
  }
  .dk-marked[aria-current]::before {
    left: 10px;
  }
  .dk-marked[aria-current]::after {
    right: 10px;
  }
</style>
