<!-- The library's pictures at their true shapes, chosen one by one, in a range or in a box. -->
<script lang="ts">
  import type { FileItem } from '$lib/api/client';
  import { count, dayOf, markWords } from '$lib/model/words';
  import BoxDrawn from '$lib/ui/BoxDrawn.svelte';
  import { Boxing } from '$lib/ui/boxing.svelte';
  import type { Choosing } from '$lib/ui/choosing.svelte';
  import type { Found } from '$lib/media/found.svelte';
  import PictureRows from '$lib/media/PictureRows.svelte';
  import PictureTile from '$lib/media/PictureTile.svelte';
  import ThroughWords from '$lib/media/ThroughWords.svelte';

  let {
    found,
    chosen,
    choosing,
    onchoose,
  }: { found: Found; chosen: string | null; choosing: Choosing; onchoose: (id: string) => void } = $props();

  const marksOf = (item: FileItem) =>
    [
      ...(item.awaySince ? [`removed ${dayOf(item.awaySince)}`] : []),
      ...item.marks.map((mark) => markWords[mark]),
      ...(item.twins.length > 0 ? [twinWords(item)] : []),
    ].join(' · ');
  const twinWords = (item: FileItem) => {
    const twin = found.loaded.find((other) => other.id === item.twins[0]);
    return twin ? `twin of ${twin.words.title}` : 'twin';
  };
  // Either all are looked at through a place, or none.
  const wordsHeight = $derived(found.at(0)?.through ? 112 : 92);
  let scroller = $state<HTMLElement>();
  let rows = $state<PictureRows>();

  /** Plain: one; Ctrl: one more or less; Shift: all up to there. */
  function press(event: MouseEvent, id: string) {
    if (event.shiftKey) choosing.range(found.ids, id);
    else if (event.ctrlKey || event.metaKey) choosing.turn(id);
    else {
      choosing.clear();
      choosing.start(id);
      onchoose(id);
    }
  }

  /** One stop for Tab among all pictures; from there the arrows go on, and Tab leads to what is chosen. */
  const stop = $derived(Math.max(0, chosen ? found.ids.indexOf(chosen) : 0));
  // What the address says is chosen is brought into view once it is found.
  let revealed = false;
  $effect(() => {
    const index = chosen ? found.ids.indexOf(chosen) : -1;
    if (revealed || found.ids.length === 0 || !rows) return;
    revealed = true;
    if (index > 0) void rows.reveal(index, `picture-${chosen}`).then((tile) => tile?.focus());
  });

  const boxing = new Boxing(
    () => choosing,
    () => scroller,
  );

  async function step(event: KeyboardEvent, index: number) {
    const to = {
      ArrowRight: index + 1,
      ArrowLeft: index - 1,
      ArrowDown: rows?.besides(index, 1) ?? index,
      ArrowUp: rows?.besides(index, -1) ?? index,
      Home: 0,
      End: found.ids.length - 1,
    }[event.key];
    const [id, next] = to === undefined || to === index ? [] : [found.ids[index], found.ids[to]];
    if (to === undefined || !id || !next) return;
    event.preventDefault();
    if (event.shiftKey) {
      if (choosing.ids.size === 0) choosing.start(id);
      choosing.range(found.ids, next);
    } else onchoose(next);
    (await rows?.reveal(to, `picture-${next}`))?.focus();
  }
</script>

<PictureRows
  bind:this={rows}
  bind:scroller
  {found}
  {wordsHeight}
  rowHeight={150}
  class="h-full"
  onpointerdown={boxing.draw}
>
  {#snippet over()}
    <BoxDrawn {boxing} />
  {/snippet}
  {#snippet cell(item, height, width, index)}
    <button
      id="picture-{item.id}"
      class="block w-full cursor-pointer text-left"
      aria-pressed={chosen === item.id || choosing.ids.has(item.id)}
      data-picture={item.id}
      tabindex={index === stop ? 0 : -1}
      onclick={(event) => press(event, item.id)}
      onkeydown={(event) => void step(event, index)}
    >
      <PictureTile
        {item}
        {width}
        {height}
        chosen={chosen === item.id || choosing.ids.has(item.id)}
        number={choosing.numberOf(item.id)}
      />
      <span class="mt-2 block truncate">{item.words.title}</span>
      <span class="dk-tabular block overflow-hidden text-quiet">
        <span class="dk-parts">
          <span>{item.width} × {item.height}</span>
          <span>{item.places === 0 ? 'unused' : count(item.places, 'place')}</span>
        </span>
      </span>
      {#if item.through}
        <ThroughWords through={item.through} />
      {:else if marksOf(item)}
        <span class="dk-marks block truncate text-soft">{marksOf(item)}</span>
      {/if}
    </button>
  {/snippet}
</PictureRows>

<style>
  /* A dot stands between parts of a line, and none at its end: the first of each line has its own beyond the edge. */
  .dk-parts {
    display: flex;
    flex-wrap: wrap;
    margin-left: -0.8em;
  }
  .dk-parts > span::before {
    content: '·';
    display: inline-block;
    width: 0.8em;
    text-align: center;
  }
  .dk-marks::before {
    content: '';
    display: inline-block;
    width: 7px;
    height: 7px;
    margin-right: 6px;
    border: 1.5px solid currentColor;
    transform: rotate(45deg);
  }
</style>
