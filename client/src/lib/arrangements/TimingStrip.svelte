<!-- One round to scale: stays as pictures, changes as wedges between them, a line beneath for the time their words take to read. -->
<script lang="ts">
  import Play from '@lucide/svelte/icons/play';
  import { proofOf, type Schemas, type SiteLook } from '$lib/api/client';
  import type { Opened } from './opened.svelte';

  let { opened, timing, limits }: { opened: Opened; timing: Schemas['Timing']; limits: SiteLook['arrangements'] } =
    $props();
  const slider = $derived(opened.wish!.slider!);
  /** Those that visitors see, as the server tells: which are due by their dates is not worked out here. */
  const shown = $derived(timing.items.map((id) => opened.wish!.items.find((item) => item.id === id)));
  /** Of one at a time each has a stay of its own; of several the stay is that of all. */
  const own = $derived(opened.wish!.kind === 'slider');
  const round = $derived(Math.max(1, timing.roundMs));
  const seconds = (ms: number) => `${Math.round(ms / 100) / 10} s`;
  let strip = $state<HTMLElement>();
  let needle = $state<HTMLElement>();
  let dragged = $state<{ i: number; ms: number } | null>(null);
  const stayOf = (i: number) => (dragged?.i === i ? dragged.ms : timing.staysMs[i]!);

  function setStay(i: number, ms: number) {
    const stayMs = Math.max(limits.leastStayMs, Math.min(limits.mostStayMs, Math.round(ms / 100) * 100));
    const item = shown[i];
    if (own && item) opened.setItem(item.id, { stayMs: stayMs === slider.stayMs ? null : stayMs });
    else opened.setSlider({ stayMs });
  }

  function grab(event: PointerEvent, i: number) {
    const handle = event.currentTarget as HTMLElement;
    const from = { x: event.clientX, ms: timing.staysMs[i]!, perPx: round / strip!.clientWidth };
    const at = (move: PointerEvent) => Math.max(limits.leastStayMs, from.ms + (move.clientX - from.x) * from.perPx);
    handle.setPointerCapture(event.pointerId);
    handle.onpointermove = (move) => (dragged = { i, ms: at(move) });
    handle.onpointerup = (up) => {
      handle.onpointermove = handle.onpointerup = null;
      dragged = null;
      if (up.clientX !== from.x) setStay(i, at(up));
    };
  }

  function keys(event: KeyboardEvent, i: number) {
    const by = { ArrowLeft: -500, ArrowDown: -500, ArrowRight: 500, ArrowUp: 500 }[event.key];
    if (!by) return;
    event.preventDefault();
    // From what was set last, not from what the server has drawn so far: quick presses all count.
    setStay(i, ((own && shown[i]?.stayMs) || slider.stayMs) + by);
  }

  function run() {
    // Without movement it stands at one stop after the other.
    const still = matchMedia('(prefers-reduced-motion: reduce)').matches;
    needle?.animate(
      [
        { left: '0', opacity: 1 },
        { left: '100%', opacity: 1 },
      ],
      { duration: round, easing: still ? `steps(${timing.staysMs.length})` : 'linear' },
    );
  }
</script>

<figure class="mt-3" aria-label="One round">
  <div bind:this={strip} class="relative flex h-11">
    {#each timing.staysMs as stay, i (i)}
      {@const reads = timing.readsMs[i] ?? 0}
      <div class="relative min-w-0" style:flex="{stayOf(i)} 1 0">
        <div
          class="h-8 bg-base-content bg-cover bg-center"
          style:background-image={shown[i]?.asset ? `url("${proofOf(shown[i]!.asset, 160)}")` : undefined}
        ></div>
        <div
          class="mt-0.5 h-[3px] {reads > stay ? 'bg-soft' : 'bg-quiet'}"
          style:width="{Math.min(100, (100 * reads) / stayOf(i))}%"
        ></div>
        <div
          class="absolute top-0 -right-3 z-1 flex h-8 w-6 cursor-ew-resize touch-none items-center justify-center"
          role="slider"
          tabindex="0"
          aria-label="Stay at stop {i + 1}"
          aria-valuemin={limits.leastStayMs / 1000}
          aria-valuemax={limits.mostStayMs / 1000}
          aria-valuenow={stay / 1000}
          aria-valuetext={seconds(stay)}
          onpointerdown={(event) => grab(event, i)}
          onkeydown={(event) => keys(event, i)}
        >
          <span class="h-8 w-[3px] bg-base-100"></span>
        </div>
      </div>
      <div
        class="h-8 min-w-0 bg-crop"
        style:flex="{timing.changeMs} 1 0"
        style:clip-path="polygon(0 0, 100% 50%, 0 100%)"
      ></div>
    {/each}
    <div bind:this={needle} class="pointer-events-none absolute top-0 z-2 h-9 w-[2px] bg-error opacity-0"></div>
  </div>
  {#if timing.staysMs.length > 1}
    <p class="mt-1 flex items-center gap-2 text-quiet">
      <button class="dk-button" onclick={run}><Play size={13} />One round</button>
      Drag the end of a stay to change it.
    </p>
  {/if}
  <figcaption class="dk-tabular mt-1.5 text-quiet">
    {timing.staysMs.length}
    {timing.staysMs.length === 1 ? 'stop' : 'stops'}, {#if new Set(timing.staysMs).size > 1}most stay {seconds(
        slider.stayMs,
      )} and take{:else}each stays
      {seconds(slider.stayMs)} and takes{/if}
    {seconds(timing.changeMs)} to change{slider.playsItself
      ? `: one round is ${seconds(timing.roundMs)}`
      : '; it moves when a visitor asks'}.
  </figcaption>
</figure>
{#if dragged}<p class="dk-tabular" role="status">{seconds(dragged.ms)}</p>{/if}
{#each timing.findings as finding, i (i)}<p class="mt-1 text-soft" role="status">{finding}</p>{/each}
