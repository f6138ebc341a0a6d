<!-- The width the page is drawn at: drag the pointer, type a number, or press 1 2 3. -->
<script lang="ts">
  import type { Desk } from './desk.svelte';

  let { desk }: { desk: Desk } = $props();
  const [from, to] = [320, 1600];
  let width = $state(0);
  let typed = $state<string | null>(null);
  const inset = 22;
  const x = (px: number) => inset + ((px - from) / (to - from)) * (width - 2 * inset);
  const classes = $derived([
    { name: 'phone', px: desk.site.classes.referencePx.phone, fromPx: 0 },
    { name: 'tablet', px: desk.site.classes.referencePx.tablet, fromPx: desk.site.classes.tabletFromPx },
    { name: 'desktop', px: desk.site.classes.referencePx.desktop, fromPx: desk.site.classes.desktopFromPx },
  ]);
  const ticks = Array.from({ length: (to - from) / 40 + 1 }, (_, i) => from + 40 * i);

  const set = (px: number) => (desk.width = Math.round(Math.min(to, Math.max(from, px))));
  function at(event: PointerEvent) {
    const bounds = (event.currentTarget as HTMLElement).getBoundingClientRect();
    set(from + ((event.clientX - bounds.left - inset) / (width - 2 * inset)) * (to - from));
  }
  function keys(event: KeyboardEvent) {
    const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    if (!by) return;
    event.preventDefault();
    set(desk.width + by * (event.shiftKey ? 40 : 5));
  }
  const take = () => {
    const px = Number(typed);
    if (typed !== null && Number.isFinite(px) && px > 0) set(px);
    typed = null;
  };
</script>

<div class="relative h-10 min-w-0 flex-1 select-none" bind:clientWidth={width}>
  <div
    class="absolute inset-x-0 bottom-0 h-5 cursor-ew-resize touch-none"
    role="presentation"
    onpointerdown={(event) => {
      event.currentTarget.setPointerCapture(event.pointerId);
      at(event);
    }}
    onpointermove={(event) => event.currentTarget.hasPointerCapture(event.pointerId) && at(event)}
    ondblclick={() => (desk.proofOn = !desk.proofOn)}
  >
    {#each ticks as tick (tick)}
      <span class="absolute bottom-0 w-px bg-edge" style="left:{x(tick)}px;height:{tick % 200 === 0 ? 7 : 4}px"></span>
    {/each}
    {#each classes as c (c.name)}
      {#if c.fromPx > 0}<span class="absolute bottom-0 h-3.5 w-0.5 bg-base-content" style="left:{x(c.fromPx) - 1}px"
        ></span>{/if}
    {/each}
  </div>
  {#each classes as c (c.name)}
    <button
      class="absolute top-0.5 min-h-6 -translate-x-1/2 cursor-pointer px-1 whitespace-nowrap {desk.widthClass === c.name
        ? 'font-semibold'
        : 'text-quiet'}"
      style="left:{Math.max(x(c.px), 42)}px"
      hidden={Math.abs(x(c.px) - x(desk.width)) < 62 && desk.width !== c.px}
      onclick={() => (desk.width = c.px)}
    >
      {c.name}{desk.width === c.px ? '' : ` ${c.px}`}
    </button>
  {/each}
  <div
    class="absolute bottom-[5px] size-2.5 -translate-x-1/2 rotate-45 bg-base-content pointer-events-none"
    style="left:{x(desk.width)}px"
  ></div>
  <div class="absolute top-1" style="left:{Math.min(x(desk.width) + 34, width - 78)}px">
    <label class="dk-framed dk-tabular flex h-6 w-19 items-center rounded-[4px] border border-edge bg-base-100 px-1.5">
      <input
        class="w-full min-w-0 text-right"
        aria-label="Width of the page in px"
        inputmode="numeric"
        value={typed ?? desk.width}
        onfocus={(event) => event.currentTarget.select()}
        oninput={(event) => (typed = event.currentTarget.value)}
        onkeydown={(event) => (event.key === 'Enter' ? take() : keys(event))}
        onblur={take}
      /><span class="pl-1">px</span>
    </label>
  </div>
</div>
