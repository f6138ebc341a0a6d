<!-- A box on a picture, moved and resized by pointer or by arrow keys. -->
<script lang="ts">
  import type { Snippet } from 'svelte';

  type Box = { x: number; y: number; width: number; height: number };
  let {
    label,
    shape,
    box: given,
    ratio = null,
    shaded = false,
    onmove,
    onchange,
    children,
  }: {
    /** What the box is, as a person calls it. */
    label: string;
    /** Width over height of what it is drawn on. */
    shape: number;
    /** Fractions of width and height. */
    box: Box | null;
    /** Width over height that the box keeps; null leaves it free. */
    ratio?: number | null;
    /** What lies outside is darkened. */
    shaded?: boolean;
    /** At every move, before it is let go. */
    onmove?: (box: Box) => void;
    onchange: (box: Box) => void;
    /** The picture. */
    children: Snippet;
  } = $props();

  let drawn = $state<Box | null>(null);
  let area = $state<HTMLElement>();
  const box = $derived<Box>(drawn ?? given ?? { x: 0.25, y: 0.25, width: 0.5, height: 0.5 });
  const least = 0.03;
  const corners = ['nw', 'ne', 'sw', 'se'] as const;

  const cornerWords = { nw: 'top left', ne: 'top right', sw: 'bottom left', se: 'bottom right' };

  const clamp = (value: number, from: number, to: number) => Math.min(Math.max(value, from), Math.max(from, to));
  const percent = (b: Box) => `left:${b.x * 100}%;top:${b.y * 100}%;width:${b.width * 100}%;height:${b.height * 100}%`;

  function moved(from: Box, dx: number, dy: number): Box {
    return { ...from, x: clamp(from.x + dx, 0, 1 - from.width), y: clamp(from.y + dy, 0, 1 - from.height) };
  }
  function resized(from: Box, corner: string, dx: number, dy: number): Box {
    const right = from.x + from.width;
    const bottom = from.y + from.height;
    const x = corner.includes('w') ? clamp(from.x + dx, 0, right - least) : from.x;
    const y = corner.includes('n') ? clamp(from.y + dy, 0, bottom - least) : from.y;
    const x2 = corner.includes('e') ? clamp(right + dx, from.x + least, 1) : right;
    const y2 = corner.includes('s') ? clamp(bottom + dy, from.y + least, 1) : bottom;
    if (ratio === null) return { x, y, width: x2 - x, height: y2 - y };
    // The larger of the two wishes, as far as there is room on both sides of the corner that stays.
    const perHeight = ratio / shape;
    const roomX = corner.includes('w') ? right : 1 - from.x;
    const roomY = corner.includes('n') ? bottom : 1 - from.y;
    const width = Math.min(Math.max(x2 - x, (y2 - y) * perHeight), roomX, roomY * perHeight);
    const height = width / perHeight;
    return {
      x: corner.includes('w') ? right - width : from.x,
      y: corner.includes('n') ? bottom - height : from.y,
      width,
      height,
    };
  }

  /** Where the box has been moved to and not yet been let go; what is given from outside may follow meanwhile. */
  let last: Box | null = null;
  function to(box: Box) {
    drawn = last = box;
    onmove?.(box);
  }
  function done() {
    if (last) onchange(last);
    last = null;
  }

  function drag(event: PointerEvent, change: (from: Box, dx: number, dy: number) => Box) {
    if (!area || event.button !== 0) return;
    event.preventDefault();
    event.stopPropagation();
    const held = event.currentTarget as HTMLElement;
    held.focus();
    // Let go over the page in its frame, it would be heard there alone.
    held.setPointerCapture(event.pointerId);
    const [start, bounds] = [box, area.getBoundingClientRect()];
    const move = (now: PointerEvent) =>
      to(change(start, (now.clientX - event.clientX) / bounds.width, (now.clientY - event.clientY) / bounds.height));
    const stop = () => {
      removeEventListener('pointermove', move);
      done();
    };
    addEventListener('pointermove', move);
    addEventListener('pointerup', stop, { once: true });
  }

  function keys(event: KeyboardEvent, change: (from: Box, dx: number, dy: number) => Box) {
    const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
    if (!by) return;
    event.preventDefault();
    event.stopPropagation();
    const step = event.shiftKey ? 0.1 : 0.02;
    to(change(box, (by[0] ?? 0) * step, (by[1] ?? 0) * step));
  }

  $effect(() => {
    void given;
    drawn = null;
  });
</script>

<div bind:this={area} class="relative touch-none select-none" style:aspect-ratio={shape}>
  <div class="absolute inset-0 overflow-hidden">
    {@render children()}
    {#if shaded}<div class="shade pointer-events-none absolute" style={percent(box)}></div>{/if}
  </div>
  <div class="absolute" style={percent(box)}>
    <div
      class="box absolute inset-0 cursor-move border border-dashed border-white"
      role="slider"
      tabindex="0"
      aria-label="{label}: arrow keys move it"
      aria-valuenow={Math.round(box.x * 100)}
      aria-valuetext="{Math.round(box.x * 100)} % from the left, {Math.round(box.y * 100)} % from the top"
      onpointerdown={(event) => drag(event, moved)}
      onkeydown={(event) => keys(event, moved)}
      onkeyup={(event) => event.key.startsWith('Arrow') && done()}
      onblur={done}
    ></div>
    {#each corners as corner (corner)}
      <button
        class="dk-grip"
        data-corner={corner}
        aria-label="{label}, corner {cornerWords[corner]}: arrow keys resize it"
        onpointerdown={(event) => drag(event, (from, dx, dy) => resized(from, corner, dx, dy))}
        onkeydown={(event) => keys(event, (from, dx, dy) => resized(from, corner, dx, dy))}
        onkeyup={(event) => event.key.startsWith('Arrow') && done()}
        onblur={done}
      ></button>
    {/each}
  </div>
</div>

<style>
  .box {
    box-shadow: 0 0 0 1px rgb(0 0 0 / 0.55);
  }
  .shade {
    box-shadow: 0 0 0 4000px rgb(0 0 0 / 0.5);
  }
</style>
