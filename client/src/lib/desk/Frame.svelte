<!-- The page itself at the ruler's width, drawn smaller where it does not fit, and over it what the desk draws. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { goto } from '$app/navigation';
  import { bannerHref, bannerIn } from './banner';
  import type { Desk } from './desk.svelte';
  import type { Gap } from './editor/commands';
  import AddHere from './AddHere.svelte';
  import Chosen from './Chosen.svelte';
  import { takeDrops, takePastes } from './drops';
  import { gapsOf, nearest } from './geometry';
  import { holdStill } from '$lib/ui/holdStill';
  import { restyle } from '$lib/ui/restyle';
  import { frameKeys } from './keys';

  let { desk, onkey }: { desk: Desk; onkey: (event: KeyboardEvent) => void } = $props();
  let frame = $state<HTMLIFrameElement>();
  let room = $state({ width: 0, height: 0 });
  let line = $state.raw<(Gap & { y: number }) | null>(null);
  let dropping = $state(false);
  let overLine = $state(false);
  const margin = 19;
  const scale = $derived(Math.min(1, Math.max(0.1, (room.width - 2 * margin) / desk.width)));
  const height = $derived(Math.max(0, (room.height - 16) / scale));

  $effect(() => restyle(frame?.contentDocument, desk.styled));

  function mounted() {
    const inside = frame?.contentDocument;
    if (!frame || !inside?.querySelector('#content')) return;
    desk.mount(frame);
    const column = inside.querySelector('#content > .column')!;
    const again = () => desk.moved++;
    inside.addEventListener('scroll', again, { passive: true });
    new ResizeObserver(again).observe(column);
    inside.addEventListener('load', again, true);
    holdStill(inside);
    inside.addEventListener('pointermove', (event) => hover(column, event.clientY, event.clientX));
    inside.documentElement.addEventListener('pointerleave', () => setTimeout(() => overLine || (line = null), 60));
    // Before the editor, which knows some of these keys by other meanings.
    inside.addEventListener('keydown', onkey, true);
    frameKeys(inside, desk);
    // On the desk the page's own "To the content" leads into its words.
    inside.querySelector('a[href="#content"]')?.addEventListener('click', (event) => {
      event.preventDefault();
      desk.writeAt(null);
    });
    bannerOf(inside);
    inside.addEventListener('mousedown', (event) => pressPaper(event, column), true);
    takeDrops(inside, column, desk, (now) => {
      dropping = now.dropping;
      line = now.line;
    });
    takePastes(inside, desk);
  }

  /** What stands at the top for a while is no piece of the page: a press leads to where it is worked on. */
  function bannerOf(inside: Document) {
    const banner = bannerIn(inside);
    if (!banner) return;
    [banner.tabIndex, banner.role, banner.ariaLabel] = [0, 'link', 'The banner of today: open it under Banners'];
    const open = (event: Event) => {
      event.preventDefault();
      event.stopPropagation();
      void goto(bannerHref(desk.id, banner));
    };
    banner.addEventListener('click', open, true);
    banner.addEventListener('keydown', (event) => event.key === 'Enter' && open(event));
  }

  /** A press on the paper beside or below the words means them: the browser alone would take the caret away. */
  function pressPaper(event: MouseEvent, column: Element) {
    const target = event.target as Element;
    if (event.button !== 0 || (target !== column && column.contains(target))) return;
    if (target.closest('a, button, summary, header, footer, nav, [data-banner]')) return;
    event.preventDefault();
    // The editor would choose the whole piece that stands at that height.
    event.stopPropagation();
    desk.writeAt({ left: event.clientX, top: event.clientY });
  }

  function hover(column: Element, y: number, x: number) {
    const bounds = column.getBoundingClientRect();
    const gap = nearest(gapsOf(column), y);
    const near = gap && Math.abs(gap.y - y) < 9 && x > bounds.left && x < bounds.right;
    line = near ? gap : null;
  }

  onMount(() => () => desk.destroy());
  $effect(() => {
    void [desk.width, scale, height];
    requestAnimationFrame(() => desk.moved++);
  });
  $effect(() => {
    void [desk.moved, desk.width, desk.pieces];
    desk.preview.nameThings();
  });
  // The caret's own "add here" is asked for by key; it stands where the piece that holds the caret ends.
  const asked = $derived.by(() => {
    void desk.moved;
    const column = frame?.contentDocument?.querySelector('#content > .column');
    if (!desk.gap || !column) return null;
    return gapsOf(column).find((gap) => gap.after === desk.gap?.after && gap.inside === desk.gap?.inside) ?? null;
  });
</script>

<div
  bind:clientWidth={room.width}
  bind:clientHeight={room.height}
  class="relative min-h-0 min-w-0 flex-1 overflow-hidden bg-table"
>
  <div class="absolute top-4" style:left="{Math.max(margin, (room.width - desk.width * scale) / 2)}px">
    <iframe
      bind:this={frame}
      src="/proof/{desk.id}?desk"
      title="The page at {desk.width} px"
      onload={mounted}
      class="border-0 bg-white shadow-[0_0_0_1px_var(--dk-hair)]"
      style:width="{desk.width}px"
      style:height="{height}px"
      style:transform="scale({scale})"
      style:transform-origin="0 0"
    ></iframe>
    <div
      class="pointer-events-none absolute top-0 left-0"
      style:width="{desk.width * scale}px"
      style:height="{height * scale}px"
    >
      <Chosen {desk} {scale} viewHeight={height * scale} />
      {#if asked ?? line}
        <AddHere
          {desk}
          {scale}
          gap={(asked ?? line)!}
          {dropping}
          asked={asked !== null}
          onover={(over) => ((overLine = over), over || (line = null))}
        />
      {/if}
    </div>
  </div>
</div>
