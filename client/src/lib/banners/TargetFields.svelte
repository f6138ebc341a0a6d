<!-- On which pages a banner may stand. -->
<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import type { Banners } from './banners.svelte';

  type Target = Schemas['TargetValues'];
  let { banners, row }: { banners: Banners; row: (typeof banners.items)[number] } = $props();
  const targets = $derived(row.values.targets);
  const pages = $derived(banners.list?.pages ?? []);
  const has = (kind: Target['kind'], name = '') => targets.some((one) => one.kind === kind && one.name === name);
  const gone = $derived(targets.filter((one) => one.kind === 'page' && !pages.some((page) => page.id === one.name)));
  const set = (kind: Target['kind'], name: string, isOn: boolean) =>
    banners.set(row.id, {
      targets: [...targets.filter((one) => one.kind !== kind || one.name !== name), ...(isOn ? [{ kind, name }] : [])],
    });
</script>

{#snippet check(kind: Target['kind'], name: string, label: string)}
  <label class="flex min-h-6 items-center gap-1.5">
    <input
      type="checkbox"
      checked={has(kind, name)}
      onchange={(event) => set(kind, name, event.currentTarget.checked)}
    />{label}
  </label>
{/snippet}

{@render check('pages', '', 'all pages')}
{@render check('posts', '', 'all posts')}
{#each banners.list?.folders ?? [] as folder (folder)}
  {@render check('folder', folder, `posts in /${folder}`)}
{/each}
<div class="mt-1 max-h-40 overflow-y-auto border-t border-hair pt-1">
  {#each pages as page (page.id)}{@render check('page', page.id, page.title)}{/each}
</div>
{#each gone as one (one.name)}
  <p class="mt-1 flex items-center gap-2 text-soft">
    A page it was shown on is gone.<button class="dk-link" onclick={() => set('page', one.name, false)}
      >take it out</button
    >
  </p>
{/each}
<label class="mt-2 flex min-h-6 items-center gap-1.5 border-t border-hair pt-2">
  <input
    type="checkbox"
    checked={row.values.holdsTitle}
    onchange={(event) => banners.set(row.id, { holdsTitle: event.currentTarget.checked })}
  />it holds the page’s own title
</label>
