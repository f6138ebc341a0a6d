<!-- A page at a width of its own, drawn smaller so that it fits the room there is. Drawn anew, it stays where it was scrolled to. -->
<script lang="ts">
  import { holdStill } from './holdStill';

  let {
    src,
    title,
    widthPx,
    onkey,
  }: {
    src: string;
    title: string;
    widthPx: number;
    /** Keys that are pressed while the page has the focus, for scrolling it. */
    onkey?: (event: KeyboardEvent) => void;
  } = $props();
  let room = $state({ width: 0, height: 0 });
  let frame = $state<HTMLIFrameElement>();
  let stood = { page: '', y: 0 };
  const scale = $derived(Math.min(1, room.width / widthPx) || 1);
  const pageOf = (address: string) => address.split('?')[0]!;

  function loaded() {
    const inside = frame?.contentDocument;
    if (!inside) return;
    holdStill(inside);
    if (onkey) inside.addEventListener('keydown', onkey);
    frame?.contentWindow?.scrollTo(0, stood.y);
  }

  $effect.pre(() => {
    const page = pageOf(src);
    stood = { page, y: stood.page === page ? (frame?.contentWindow?.scrollY ?? 0) : 0 };
  });
</script>

<div
  class="relative h-full overflow-hidden"
  bind:clientWidth={null, (width) => (room.width = width ?? 0)}
  bind:clientHeight={null, (height) => (room.height = height ?? 0)}
>
  <iframe
    bind:this={frame}
    {src}
    {title}
    onload={loaded}
    class="absolute top-0 left-1/2 max-w-none border-0 bg-white"
    style:width="{widthPx}px"
    style:height="{room.height / scale}px"
    style:margin-left="{(-widthPx * scale) / 2}px"
    style:transform="scale({scale})"
    style:transform-origin="0 0"
  ></iframe>
</div>
