<!-- The top of the page on the day that is chosen, real and live, on desktop and phone, with where the first screen ends. -->
<script lang="ts">
  import type { SiteLook } from '$lib/api/client';
  import PageFrame from '$lib/ui/PageFrame.svelte';
  import type { Banners } from './banners.svelte';
  import { shortDay } from './days';

  let { banners, site }: { banners: Banners; site: SiteLook } = $props();
  const views = [
    ['desktop', 'min-w-0 flex-[3.4]'],
    ['phone', 'w-[210px] flex-none'],
  ] as const;
  let sizes = $state<Record<string, number>>({});
  const scale = (c: 'desktop' | 'phone') => Math.min(1, (sizes[c] ?? 0) / site.classes.referencePx[c]);
</script>

<div class="flex min-h-0 flex-1 gap-5 bg-base-200 px-5 py-3">
  {#each views as [c, size] (c)}
    <figure class="flex flex-col {size}" aria-label="{c}, {shortDay(banners.day)}">
      <figcaption class="pb-1 text-quiet">{c} {site.classes.referencePx[c]}</figcaption>
      <div class="relative min-h-0 flex-1 overflow-hidden" bind:clientWidth={sizes[c]}>
        <PageFrame
          src="/proof/{banners.pageId}?desk&day={banners.day}"
          title="The page on {shortDay(banners.day)}, {c}"
          widthPx={site.classes.referencePx[c]}
          anew={banners.anew}
        />
        <div
          class="pointer-events-none absolute inset-x-0 border-t-2 border-dashed border-base-content"
          style="top:{site.firstScreenPx[c] * scale(c)}px"
        >
          <span class="absolute right-0 bottom-0.5 rounded-[3px] bg-neutral px-1.5 text-neutral-content"
            >first screen, {site.firstScreenPx[c]}</span
          >
        </div>
      </div>
    </figure>
  {/each}
</div>
