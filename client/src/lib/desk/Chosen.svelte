<!-- Trim marks, tag and grips of the chosen figure, drawn over the frame. -->
<script lang="ts">
  import Fit from '$lib/ui/Fit.svelte';
  import { weight } from '$lib/model/words';
  import type { Desk } from './desk.svelte';
  import { slotAt, type Box } from './geometry';
  import { resize, type Resizing } from './resizing';
  import { sizeWords } from '$lib/model/choices';

  let { desk, scale, viewHeight }: { desk: Desk; scale: number; viewHeight: number } = $props();
  let resizing = $state.raw<Resizing | null>(null);

  const whole = $derived(desk.chosenWhole !== null);
  const band = $derived(
    desk.chosen && whole ? desk.preview.look?.grounds[desk.chosen]?.on[desk.widthClass] : undefined,
  );
  const figure = $derived(desk.chosenPiece?.figure ?? null);
  const isOne = $derived(
    figure || whole || desk.chosenPiece?.inLine || desk.chosenPiece?.files || desk.chosenPiece?.arrangement,
  );
  const look = $derived(desk.chosen ? desk.preview.look?.figures[desk.chosen] : undefined);
  const box = $derived.by<Box | null>(() => {
    void [desk.moved, scale, resizing];
    const element = isOne ? desk.elementOf(desk.chosen) : null;
    if (!element) return null;
    const { left, top, width, height } = (
      (figure && element.querySelector('img, video, .stand-in')) ??
      element
    ).getBoundingClientRect();
    // Hidden at this width, it has no box.
    if (width === 0) return null;
    return { left: left * scale, top: top * scale, width: width * scale, height: height * scale };
  });
  const fit = $derived(look?.fits[desk.widthClass]);
  const sizeHere = $derived(figure?.at?.[desk.widthClass]?.size ?? figure?.size ?? 'column');
  const tagBelow = $derived(box !== null && box.top < 34);
  const tagTop = $derived(
    box === null ? 0 : tagBelow ? Math.min(Math.max(box.top, 0) + 8, viewHeight - 30) : box.top - 32,
  );
  let tagWidth = $state(0);
  /** Where the piece stands at the right, it is the tag that gives way. */
  const tagLeft = $derived(
    Math.max(0, Math.min(Math.max(0, box?.left ?? 0) + (band ? 8 : 0), desk.width * scale - tagWidth - 3)),
  );
  const grips = ['nw', 'ne', 'sw', 'se'] as const;

  function grab(event: PointerEvent, corner: (typeof grips)[number]) {
    const element = desk.elementOf(desk.chosen);
    const id = desk.chosen;
    const c = desk.widthClass;
    if (!element || !figure || !id || event.button !== 0) return;
    event.preventDefault();
    (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
    resize({
      event,
      corner,
      element,
      scale,
      viewport: desk.width,
      side: figure.at?.[c]?.side ?? figure.side,
      size: sizeHere === 'cell' ? 'column' : sizeHere,
      sizes: desk.site.sizes.map((size) => ({ role: size.role!, px: slotAt(size.width, desk.width) })),
      column: slotAt(desk.site.column, desk.width),
      limits: desk.site.limits,
      show: (now) => {
        resizing = now;
        desk.moved++;
      },
      done: (change) => {
        resizing = null;
        // Where this width has a size of its own, it is that which is changed.
        if (change && figure.at?.[c]?.size !== undefined)
          desk.setException(id, c, { size: change.size, ...(change.shape && { shape: change.shape, cut: undefined }) });
        else if (change) desk.set(id, change);
        else void desk.preview.ask();
      },
    });
  }
  const share = $derived.by(() => {
    if (!resizing) return '';
    const column = slotAt(desk.site.column, desk.width);
    return resizing.role
      ? sizeWords(resizing.role, desk.site.sizes)
      : `${Math.round((100 * resizing.px) / column)} % of the column`;
  });
</script>

{#if box}
  <div
    class="dk-crop pointer-events-none absolute!"
    data-testid="trim-marks"
    style="left:{box.left}px;top:{box.top}px;width:{box.width}px;height:{box.height}px"
  >
    {#each !figure || figure.size === 'cell' ? [] : grips as corner (corner)}
      <div
        class="dk-grip pointer-events-auto"
        role="presentation"
        data-corner={corner}
        onpointerdown={(event) => grab(event, corner)}
      ></div>
    {/each}
  </div>
  {#if band || (fit && figure)}
    <div
      class={[
        'dk-tabular absolute flex h-6 items-center gap-2 rounded-[3px] border-l-3 border-crop bg-neutral px-2',
        'whitespace-nowrap text-neutral-content',
      ]}
      bind:clientWidth={tagWidth}
      style="left:{tagLeft}px;top:{tagTop}px"
      data-testid="tag"
    >
      {#if band}
        <span class="font-semibold">Band</span><span>{Math.round(band.heightCssPx)} px high</span>
        {#if band.contrast}<span>words {band.contrast.ratio.toFixed(1)} : 1</span>{/if}
      {:else if fit && figure}
        <span class="max-w-40 truncate font-semibold">{look?.title}</span>
        {#if resizing}
          <span>{resizing.px} px, {share}{resizing.shape ? `, ${resizing.shape}` : ''}</span>
          <span>{((look?.on[desk.widthClass]?.cut.width ?? 0) / Math.max(1, resizing.px)).toFixed(1)}×</span>
        {:else}
          <span
            >{Math.round(slotAt(look!.slot, desk.width))} px{typeof sizeHere === 'number'
              ? ''
              : `, ${sizeWords(sizeHere, desk.site.sizes)}`}</span
          >
          <span class="tag-fit"><Fit word={fit.word} /></span>
          <span>{weight(fit.bytes)}</span>
        {/if}
      {/if}
    </div>
  {/if}
{/if}

<style>
  .tag-fit :global(.dk-fit) {
    color: inherit;
  }
</style>
