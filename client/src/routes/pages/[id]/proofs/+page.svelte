<!-- The page at all widths side by side, as visitors will get it: scrolled in step, with where the first screen ends. -->
<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { onMount } from 'svelte';
  import ArrowLeft from '@lucide/svelte/icons/arrow-left';
  import { page } from '$app/state';
  import { goto } from '$app/navigation';
  import { answer, api, sentenceOf, type Draft, type Schemas } from '$lib/api/client';
  import { sitePlan } from '$lib/api/queries';
  import { classes } from '$lib/model/choices';
  import { bringTo, standOf } from '$lib/desk/inStep';
  import { holdStill } from '$lib/ui/holdStill';
  import Fit from '$lib/ui/Fit.svelte';
  import { weight } from '$lib/model/words';

  const id = $derived(page.params.id ?? '');
  const site = createQuery(() => sitePlan());
  const gapPx = 24;
  const marginPx = 20;
  let draft = $state.raw<Draft | null>(null);
  let look = $state.raw<Schemas['DraftPreviewResponse'] | null>(null);
  let problem = $state('');
  let fits = $state(false);
  let room = $state({ width: 0, height: 0 });
  let frames = $state<HTMLIFrameElement[]>([]);
  /** Counts up whenever something in a proof may have moved. */
  let moved = $state(0);
  /** The proof that is being scrolled leads; the others follow without leading back. */
  let leading: HTMLIFrameElement | null = null;
  let leadingUntil = 0;
  const widths = $derived(site.data ? classes.map((c) => site.data.classes.referencePx[c]) : []);
  const scale = $derived(
    widths.length > 0
      ? Math.max(0.1, (room.width - 2 * marginPx - 2 * gapPx) / widths.reduce((sum, width) => sum + width, 0))
      : 0,
  );

  onMount(() => {
    void (async () => {
      try {
        draft = await answer(api.GET('/api/pages/{id}/draft', { params: { path: { id } } }));
        const { title, path, summary, document } = draft;
        look = await answer(
          api.POST('/api/pages/{id}/look', { params: { path: { id } }, body: { title, path, summary, document } }),
        );
      } catch (error) {
        problem = sentenceOf(error);
      }
    })();
  });

  function loaded(frame: HTMLIFrameElement) {
    const inside = frame.contentDocument;
    if (!inside?.querySelector('#content')) return;
    const style = inside.createElement('style');
    style.textContent =
      'html { scrollbar-width: none; } .dk-nothing body { visibility: hidden; } ' +
      '.dk-no-pictures :is(img, video):not(.dk-there), .dk-no-pictures div.ground:not(.dk-there) { visibility: hidden; }';
    inside.head.append(style);
    inside.addEventListener('scroll', () => follow(frame), { passive: true });
    inside.addEventListener('keydown', keys);
    holdStill(inside);
    new ResizeObserver(() => moved++).observe(inside.body);
  }

  let line = $state('slow');
  let rehearsal = $state.raw<Schemas['PerClassOfLoadTimeline'] | null>(null);
  let timers: number[] = [];

  /** The page comes as it would on the line: nothing, then the words, then one picture after the other. */
  async function rehearse() {
    stopRehearsal();
    try {
      const told = await answer(api.GET('/api/pages/{id}/rehearsal', { params: { path: { id }, query: { line } } }));
      rehearsal = told;
      for (const [i, c] of classes.entries()) {
        const inside = frames[i]?.contentDocument;
        if (!inside) continue;
        inside.documentElement.classList.add('dk-nothing', 'dk-no-pictures');
        const come = (ms: number, what: () => void) => timers.push(window.setTimeout(what, ms));
        come(told[c].wordsMs, () => inside.documentElement.classList.remove('dk-nothing'));
        for (const { blockId, atMs } of told[c].pictures)
          come(atMs, () => {
            const block = inside.querySelector(`[data-block="${CSS.escape(blockId)}"]`);
            for (const image of picturesOf(block)) image.classList.add('dk-there');
          });
        come(told[c].allMs, () => inside.documentElement.classList.remove('dk-no-pictures'));
      }
    } catch (error) {
      problem = sentenceOf(error);
    }
  }

  /** A figure's own, or what stands behind a band or cell. */
  const picturesOf = (block: Element | null) =>
    block?.matches('figure')
      ? block.querySelectorAll('img, video')
      : (block?.querySelectorAll(':scope > .ground, :scope > picture > .ground') ?? []);

  function stopRehearsal() {
    timers.forEach((timer) => clearTimeout(timer));
    timers = [];
    rehearsal = null;
    for (const frame of frames) {
      frame?.contentDocument?.documentElement.classList.remove('dk-nothing', 'dk-no-pictures');
      for (const one of frame?.contentDocument?.querySelectorAll('.dk-there') ?? []) one.classList.remove('dk-there');
    }
  }
  onMount(() => stopRehearsal);
  const seconds = (ms: number) => `${(ms / 1000).toFixed(1)} s`;

  function follow(frame: HTMLIFrameElement) {
    moved++;
    if (leading && leading !== frame && Date.now() < leadingUntil) return;
    [leading, leadingUntil] = [frame, Date.now() + 150];
    const stand = standOf(frame.contentDocument!);
    if (!stand) return;
    for (const other of frames) if (other !== frame && other?.contentDocument) bringTo(other.contentDocument, stand);
  }

  function keys(event: KeyboardEvent) {
    if (event.key !== 'Escape' || event.defaultPrevented || document.querySelector('[role=dialog]')) return;
    event.preventDefault();
    void goto(`/pages/${id}`);
  }

  /** Where the pictures of a proof stand in its window. */
  function picturesIn(frame: HTMLIFrameElement | undefined) {
    const inside = frame?.contentDocument;
    if (!inside || !look) return [];
    return Object.entries(look.figures).flatMap(([block, figure]) => {
      const box = inside.querySelector(`[data-block="${CSS.escape(block)}"] img`)?.getBoundingClientRect();
      return box && box.bottom > 0 && box.top < inside.defaultView!.innerHeight ? [{ block, figure, box }] : [];
    });
  }
  const firstScreen = (i: number) => {
    void moved;
    const view = frames[i]?.contentWindow;
    return site.data && view ? (site.data.firstScreenPx[classes[i]!] - view.scrollY) * scale : -1;
  };
</script>

<svelte:head><title>Proofs of {draft?.title ?? 'a page'} · Dekoro</title></svelte:head>
<svelte:window onkeydown={keys} />

<div class="flex h-10 flex-none items-center gap-4 border-b border-hair px-4">
  <a class="dk-button" href="/pages/{id}"><ArrowLeft size={15} />Desk</a>
  <h1 class="min-w-0 truncate font-semibold">Proofs of {draft?.title || 'Untitled'}</h1>
  <p class="text-quiet">As the draft stands now; scroll one and the others follow.</p>
  <label class="ml-auto flex items-center gap-1.5">
    on <select class="dk-field w-28!" aria-label="Line" bind:value={line}>
      {#each site.data?.lines ?? [] as name (name)}<option value={name}>a {name} line</option>{/each}
    </select>
  </label>
  {#if rehearsal}
    <button class="dk-button" onclick={stopRehearsal}>End the rehearsal</button>
  {:else}
    <button class="dk-button" onclick={rehearse}>Rehearse</button>
  {/if}
  <label class="flex min-h-6 items-center gap-1.5">
    <input type="checkbox" role="switch" class="toggle toggle-sm" bind:checked={fits} />fit of the pictures
  </label>
</div>
{#if problem}
  <p class="dk-problem p-6 text-read" role="alert">{problem} <a class="dk-link" href="/">To the pages</a></p>
{/if}
<div class="flex min-h-0 flex-1 bg-table" style="padding:0 {marginPx}px;gap:{gapPx}px" bind:clientWidth={room.width}>
  {#each widths as width, i (width)}
    {@const c = classes[i]!}
    <section class="flex flex-none flex-col" aria-label="On {c}" style:width="{width * scale}px">
      <div class="flex h-10 flex-none items-center gap-2">
        <h2 class="font-semibold">{c}</h2>
        <span class="dk-tabular truncate text-quiet">{width} px</span>
        <a
          class="dk-link ml-auto whitespace-nowrap"
          href="/proof/{id}"
          target="_blank"
          rel="noopener"
          title="Opens in a new tab">full size</a
        >
      </div>
      <div class="relative min-h-0 flex-1 overflow-hidden" bind:clientHeight={room.height}>
        <iframe
          bind:this={frames[i]}
          src="/proof/{id}"
          title="The page on {c}"
          onload={(event) => loaded(event.currentTarget as HTMLIFrameElement)}
          class="border-0 bg-white shadow-[0_0_0_1px_var(--dk-hair)]"
          style:width="{width}px"
          style:height="{room.height / Math.max(scale, 0.1)}px"
          style:transform="scale({scale})"
          style:transform-origin="0 0"
        ></iframe>
        {#if firstScreen(i) > 0 && firstScreen(i) < room.height}
          <div
            class="pointer-events-none absolute inset-x-0 z-10 border-t-2 border-dashed border-crop"
            style:top="{firstScreen(i)}px"
          >
            <span class="float-right bg-neutral px-1.5 text-neutral-content">first screen</span>
          </div>
        {/if}
        {#if fits}
          {#key moved}
            {#each picturesIn(frames[i]) as { block, figure, box } (block)}
              <div
                class="pointer-events-none absolute outline-1 -outline-offset-1 outline-neutral"
                style="left:{box.left * scale}px;top:{box.top * scale}px;width:{box.width *
                  scale}px;height:{box.height * scale}px"
              >
                <span class="tag-fit inline-flex max-w-full bg-neutral px-1.5 text-neutral-content"
                  >{#if figure.fits[c]}<Fit word={figure.fits[c].word} />{/if}</span
                >
              </div>
            {/each}
          {/key}
        {/if}
      </div>
      <p class="dk-tabular min-h-9 flex-none pt-2 text-quiet" aria-live="polite">
        {#if rehearsal}
          Words after {seconds(rehearsal[c].wordsMs)}, first screen whole after {seconds(rehearsal[c].firstScreenMs)},
          all after {seconds(rehearsal[c].allMs)}
        {:else if look}Pictures {weight(look.weights[c].all)}, {weight(look.weights[c].atOnce)} at once{/if}
      </p>
    </section>
  {/each}
</div>

<style>
  .tag-fit :global(.dk-fit) {
    color: inherit;
  }
</style>
