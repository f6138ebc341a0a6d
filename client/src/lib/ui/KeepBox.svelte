<!-- A picture with the box of what must never be cut off: drawn anew, moved and resized by pointer or by arrow keys. -->
<script lang="ts">
  import { proofOf, type Schemas } from '$lib/api/client';

  type Box = { x: number; y: number; width: number; height: number };
  let {
    id,
    shape,
    keep,
    cut,
    onchange,
  }: {
    id: string;
    /** Width over height of the picture. */
    shape: number;
    keep: Schemas['KeepArea'] | null;
    /** Shown beside, as fractions of the picture. */
    cut?: Box;
    onchange: (box: Box) => void;
  } = $props();

  let drawn = $state<Box | null>(null);
  let area = $state<HTMLElement>();
  const box = $derived<Box>(drawn ?? keep ?? { x: 0.25, y: 0.25, width: 0.5, height: 0.5 });
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
    return { x, y, width: x2 - x, height: y2 - y };
  }

  function drag(event: PointerEvent, change: (from: Box, dx: number, dy: number) => Box) {
    if (!area || event.button !== 0) return;
    event.preventDefault();
    event.stopPropagation();
    (event.currentTarget as HTMLElement).focus();
    const [start, bounds] = [box, area.getBoundingClientRect()];
    const move = (now: PointerEvent) =>
      (drawn = change(
        start,
        (now.clientX - event.clientX) / bounds.width,
        (now.clientY - event.clientY) / bounds.height,
      ));
    const stop = () => {
      removeEventListener('pointermove', move);
      if (drawn) onchange(drawn);
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
    drawn = change(box, (by[0] ?? 0) * step, (by[1] ?? 0) * step);
  }
  const done = (event: KeyboardEvent) => event.key.startsWith('Arrow') && drawn && onchange(drawn);

  $effect(() => {
    void keep;
    drawn = null;
  });
</script>

<div bind:this={area} class="relative touch-none overflow-hidden select-none" style:aspect-ratio={shape}>
  <img src={proofOf(id, 640)} alt="" class="block h-full w-full" draggable="false" />
  {#if cut}<div class="pointer-events-none absolute shade" style={percent(cut)}></div>{/if}
  <div class="absolute" style={percent(box)}>
    <div
      class="keep absolute inset-0 cursor-move border border-dashed border-white"
      role="slider"
      tabindex="0"
      aria-label="Keep area: arrow keys move it"
      aria-valuenow={Math.round(box.x * 100)}
      aria-valuetext="{Math.round(box.x * 100)} % from the left, {Math.round(box.y * 100)} % from the top"
      onpointerdown={(event) => drag(event, moved)}
      onkeydown={(event) => keys(event, moved)}
      onkeyup={done}
    ></div>
    {#each corners as corner (corner)}
      <button
        class="dk-grip"
        data-corner={corner}
        aria-label="Keep area, corner {cornerWords[corner]}: arrow keys resize it"
        onpointerdown={(event) => drag(event, (from, dx, dy) => resized(from, corner, dx, dy))}
        onkeydown={(event) => keys(event, (from, dx, dy) => resized(from, corner, dx, dy))}
        onkeyup={done}
      ></button>
    {/each}
  </div>
</div>

<style>
  .keep {
    box-shadow: 0 0 0 1px rgb(0 0 0 / 0.55);
  }
  .shade {
    box-shadow: 0 0 0 2000px rgb(0 0 0 / 0.5);
  }
</style>
