<!-- Every cut this picture is used in, live, each at its real shape; below them the site's shapes. -->
<script lang="ts">
  import { placeHref } from '$lib/model/places';
  import Fit from '$lib/ui/Fit.svelte';
  import { count } from '$lib/model/words';
  import PictureWindow from './PictureWindow.svelte';
  import type { Room } from './room.svelte';

  let { room, filter }: { room: Room; filter: string | null } = $props();
  const picture = $derived(`${room.id}.0`);
  const pages = $derived([...new Set(room.look.cuts.map((cut) => cut.pageId))]);
  const drawnWidth = (cut: { width: number; height: number }) =>
    Math.round(Math.min(300, 110 * (cut.width / cut.height), (cut.width / cut.height) * 190));
</script>

<aside aria-label="Every cut it is used in" class="flex w-[360px] flex-none flex-col border-l border-hair bg-base-100">
  <div class="flex h-11 flex-none items-center gap-2 border-b border-hair px-4">
    <h2>Every cut it is used in</h2>
    <span class="text-quiet">{count(room.look.cuts.length, 'place')}</span>
  </div>
  <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
  <div class="min-h-0 flex-1 overflow-y-auto px-4" tabindex="0" role="group" aria-label="Cuts">
    {#each pages as page (page)}
      {@const cuts = room.look.cuts.filter((cut) => cut.pageId === page)}
      <section class="border-b border-hair py-3">
        <h3><a class="dk-link" href={placeHref(page, cuts[0]?.blockId)}>{cuts[0]?.pageTitle}</a></h3>
        <div class="mt-2 flex flex-wrap gap-x-6 gap-y-3">
          {#each cuts as cut, i (i)}
            <figure>
              <PictureWindow
                {picture}
                original={room.original}
                map={room.look.map}
                window={cut.look.cut}
                width={drawnWidth(cut.look.cut)}
                {filter}
              />
              <figcaption class="mt-1.5 max-w-[300px]">
                <span class="block text-quiet">{cut.size}{cut.shape ? `, ${cut.shape}` : ', as is'}</span>
                <span class="flex flex-wrap gap-x-3">
                  {#each ['phone', 'desktop'] as const as c (c)}
                    {@const fit = cut.look[c]}
                    {#if fit}<span class="inline-flex gap-1.5"
                        >{c} <Fit word={fit.word} density={fit.pxPerCssPx} /></span
                      >{/if}
                  {/each}
                </span>
                {#if cut.look.loss}<span class="block text-soft">{cut.look.loss}</span>{/if}
                {#if cut.remedy}<span class="block">{cut.remedy.sentence}</span>{/if}
              </figcaption>
            </figure>
          {/each}
        </div>
      </section>
    {:else}
      <p class="border-b border-hair py-3 text-quiet">
        It stands nowhere yet. This is how the site’s shapes would cut it:
      </p>
    {/each}
    <section class="py-3">
      <h3 class="text-quiet">In the site’s shapes</h3>
      <div class="mt-2 flex flex-wrap gap-x-6 gap-y-3">
        {#each room.look.shapes as one (one.shape)}
          <figure>
            <PictureWindow
              {picture}
              original={room.original}
              map={room.look.map}
              window={one.cut}
              width={Math.round(drawnWidth(one.cut) * 0.72)}
              {filter}
            />
            <figcaption class="mt-1.5">
              <span class="dk-tabular text-quiet">{one.shape}</span>
              {#if one.loss}<span class="block max-w-30 text-soft">{one.loss}</span>{/if}
            </figcaption>
          </figure>
        {/each}
      </div>
    </section>
  </div>
</aside>
