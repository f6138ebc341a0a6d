<!-- A page at a width of its own, drawn smaller so that it fits the room there is. Drawn anew, it stays where it was scrolled to. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { holdStill } from './holdStill';
  import { bring, putRows, rowsOf } from './inView';
  import { restyle } from './restyle';

  let {
    src,
    title,
    widthPx,
    anew = 0,
    styled = 0,
    shows = null,
    onkey,
  }: {
    src: string;
    title: string;
    widthPx: number;
    /** Where it counts up, what the page shows is drawn anew in its place, without the page being opened again. */
    anew?: number;
    /** Where it counts up, the site's style is another. */
    styled?: number;
    /** The piece that is brought into view. */
    shows?: string | null;
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
    holdStill(inside, true);
    if (onkey) inside.addEventListener('keydown', onkey);
    frame?.contentWindow?.scrollTo(0, stood.y);
    // Something changed while it was on its way.
    if (late) void drawAnew();
  }

  let [drawn, latest, late] = [untrack(() => anew), 0, false];
  $effect(() => {
    if (anew === drawn) return;
    drawn = anew;
    void drawAnew();
  });

  async function drawAnew() {
    const [inside, mine] = [frame?.contentDocument, ++latest];
    late = !inside?.querySelector('main');
    if (late) return;
    const answer = await fetch(frame?.contentWindow?.location.href ?? src);
    if (!inside || !answer.ok || mine !== latest) return;
    const next = new DOMParser().parseFromString(await answer.text(), 'text/html');
    const [now, then] = [inside.querySelector('main'), next.querySelector('main')];
    if (!now || !then || mine !== latest) return;
    const rows = rowsOf(inside);
    now.replaceWith(inside.adoptNode(then));
    // Scripts of what has come with it; those that run already are told.
    const has = [...inside.scripts].map((script) => script.src);
    for (const { src, type } of next.scripts) {
      const script = Object.assign(inside.createElement('script'), { src: new URL(src, inside.baseURI).href, type });
      if (!has.includes(script.src)) inside.head.append(script);
    }
    inside.dispatchEvent(new Event('drawn'));
    // Once its scripts have put it where it begins, it goes where it was.
    setTimeout(() => {
      putRows(inside, rows);
      if (shows) bring(inside, shows);
    });
  }

  $effect(() => {
    const inside = frame?.contentDocument;
    if (inside && shows) bring(inside, shows);
  });

  $effect(() => restyle(frame?.contentDocument, styled));

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
