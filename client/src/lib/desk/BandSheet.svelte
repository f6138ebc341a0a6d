<!-- A band: whether its words can be read, what stands behind them, how high it is, and where the words stand. -->
<script lang="ts">
  import { proofOf } from '$lib/api/client';
  import FilePick from '$lib/ui/FilePick.svelte';
  import Group from '$lib/ui/Group.svelte';
  import { uploads } from '$lib/library/uploads.svelte';
  import { classes } from './choices';
  import ColourChoice from './ColourChoice.svelte';
  import type { Desk } from './desk.svelte';
  import FitTable from './FitTable.svelte';
  import PieceMoves from './PieceMoves.svelte';
  import type { BandAttrs, Each } from './schema';
  import TextMarks from './TextMarks.svelte';

  let { desk, id, band }: { desk: Desk; id: string; band: BandAttrs } = $props();
  const look = $derived(desk.look?.bands[id]);
  const behind = $derived(desk.look?.figures[id]);
  const offer = $derived(desk.site.bands);
  const set = (change: Partial<BandAttrs>) => desk.setBand(id, change);
  let open = $state({ ground: true, tint: true, height: false, place: false });
  const percent = (strength: number) => Math.round((100 * strength) / offer.tintSteps);
  const inWords = $derived(desk.marks.kind !== 'band');
  const read = $derived(classes.filter((c) => look?.on[c].contrast));
  const mend = $derived(look?.mend);
  const inEach = (list: Each, i: number, value: number): Each =>
    list.map((one, at) => (at === i ? value : one)) as Each;
  const colourName = (colour: string | null) =>
    colour === null ? 'none' : (offer.colours.find((one) => one.colour === colour)?.name ?? colour);
  const groundWords = $derived(
    [behind?.title ?? (band.picture ? 'picture' : ''), band.colour ? `on ${colourName(band.colour)}` : '']
      .filter((words) => words)
      .join(' ') || 'nothing',
  );
  const across = ['left', 'centre', 'right'] as const;
  const down = ['top', 'middle', 'bottom'] as const;

  async function fromFiles(files: File[]) {
    const [asset] = (await uploads.add(files)).filter((one) => one !== null);
    if (asset) set({ picture: asset });
  }
  function setHeight(i: number, typed: string) {
    const px = Number.parseInt(typed, 10);
    set({
      leastHeight: inEach(band.leastHeight, i, Number.isFinite(px) ? Math.min(offer.mostHeightPx, Math.max(0, px)) : 0),
    });
  }
</script>

<div class="border-b border-hair px-4 py-3"><PieceMoves {desk} name="Band" /></div>
<section class="border-b border-hair px-4 py-2.5" aria-label="Reading the words">
  <h3 class="mb-1 font-semibold">Reading the words</h3>
  {#if look && read.length > 0}
    <table class="dk-tabular w-full">
      <tbody>
        {#each read as c (c)}
          {@const { ratio, needed, isEnough } = look.on[c].contrast!}
          <tr class={desk.widthClass === c ? 'font-semibold' : ''}>
            <th scope="row" class="py-0.5 text-left font-normal">{c}</th>
            <td class="text-right">{ratio.toFixed(1)} : 1</td>
            <td class="pl-3"
              ><span class="dk-fit" data-fit={isEnough ? 'sharp' : 'coarse'}
                >{isEnough ? 'readable' : `hard, needs ${needed}`}</span
              ></td
            >
          </tr>
        {/each}
      </tbody>
    </table>
    {#if mend}
      {@const turned = mend.words !== band.words || mend.tint !== band.tint}
      <button
        class="dk-button main mt-1.5"
        onclick={() =>
          set({ words: mend.words, tint: mend.tint, tintStrength: classes.map((c) => mend.strength[c]) as Each })}
        >{turned ? `Take ${mend.words} words, tint ${colourName(mend.tint)}` : 'Set the least tint'}</button
      >
    {:else if read.some((c) => !look.on[c].contrast!.isEnough)}
      <p class="mt-1">No tint makes these words readable: choose another picture or colour behind them.</p>
    {/if}
  {:else}
    <p class="text-quiet">Words typed in the band are measured on what stands behind them.</p>
  {/if}
  <div class="mt-2 flex gap-1.5" role="group" aria-label="Words are">
    <button class="dk-button" aria-pressed={band.words === 'dark'} onclick={() => set({ words: 'dark' })}
      >dark words</button
    >
    <button class="dk-button" aria-pressed={band.words === 'light'} onclick={() => set({ words: 'light' })}
      >light words</button
    >
  </div>
</section>
<Group name="Behind" value={groundWords} bind:open={open.ground}>
  <div class="flex gap-3">
    {#if behind}<img src={proofOf(behind.picture, 160)} alt="" class="h-17 w-17 object-contain object-left" />{/if}
    <div>
      <button class="dk-button" aria-pressed={desk.swapping === id} onclick={() => desk.beginSwap(id)}
        >{band.picture ? 'Change the picture' : 'Picture from the library'}</button
      >
      {#if band.picture}
        <a class="dk-button mt-1.5" href="/library/room/{band.picture}?from={encodeURIComponent(desk.id)}"
          >Room<span class="dk-key">F</span></a
        >
      {/if}
    </div>
  </div>
  <div class="mt-1.5 flex flex-wrap gap-1.5">
    <FilePick label="Picture for the band" onfiles={(files) => void fromFiles(files)}>From this computer</FilePick>
    {#if band.picture}
      <button class="dk-button" onclick={() => set({ picture: null, repeats: false })}>Without it</button>
    {/if}
  </div>
  {#if band.picture}
    <label class="mt-2 flex min-h-6 items-center gap-1.5">
      <input
        type="checkbox"
        checked={band.repeats}
        onchange={(event) => set({ repeats: event.currentTarget.checked })}
      />a pattern, repeated at its own size
    </label>
    {#if behind && !band.repeats}<div class="mt-1"><FitTable {desk} look={behind} /></div>{/if}
  {/if}
  <h4 class="dk-label mt-3">Colour behind</h4>
  <ColourChoice
    label="Colour behind"
    colours={offer.colours}
    value={band.colour}
    none="none"
    onset={(colour) => set({ colour })}
  />
</Group>
<Group
  name="Tint"
  value={band.tintStrength.some((one) => one > 0)
    ? `${colourName(band.tint)}, ${band.tintStrength.map(percent).join(', ')} %`
    : 'none'}
  bind:open={open.tint}
>
  <ColourChoice
    label="Colour of the tint"
    colours={offer.colours}
    value={band.tint}
    onset={(colour) => set({ tint: colour ?? band.tint })}
  />
  {#each classes as c, i (c)}
    <label class="dk-tabular mt-2 grid grid-cols-[60px_1fr_44px] items-center gap-2">
      {c}
      <input
        type="range"
        class="range range-xs w-full"
        aria-label="Tint on {c}"
        min="0"
        max={offer.tintSteps}
        value={band.tintStrength[i]}
        oninput={(event) => set({ tintStrength: inEach(band.tintStrength, i, Number(event.currentTarget.value)) })}
      />
      <span class="text-right">{percent(band.tintStrength[i]!)} %</span>
    </label>
  {/each}
</Group>
<Group
  name="Height"
  value={band.leastHeight.some((px) => px > 0) ? `at least ${band.leastHeight.join(', ')} px` : 'as its words need'}
  bind:open={open.height}
>
  <div class="flex gap-2">
    {#each classes as c, i (c)}
      <label class="flex-1">
        <span class="dk-label">{c}</span>
        <input
          class="dk-field dk-tabular"
          inputmode="numeric"
          aria-label="Least height on {c}, px"
          placeholder="own"
          value={band.leastHeight[i] || ''}
          onchange={(event) => setHeight(i, event.currentTarget.value)}
        />
      </label>
    {/each}
  </div>
  {#if look}<p class="dk-tabular mt-1.5 text-quiet">
      It stands {classes.map((c) => Math.round(look.on[c].heightCssPx)).join(', ')} px high.
    </p>{/if}
</Group>
<Group name="Where the words stand" value="{band.across}, {band.down}" bind:open={open.place}>
  <div class="grid w-36 grid-cols-3 gap-1" role="group" aria-label="Where the words stand">
    {#each down as y (y)}
      {#each across as x (x)}
        <button
          class="dk-button h-8 px-0!"
          aria-label="{y}, {x}"
          aria-pressed={band.across === x && band.down === y}
          onclick={() => set({ across: x, down: y })}
        >
          <span
            class="block h-3 w-6 border-current {x === 'left'
              ? 'text-left'
              : x === 'right'
                ? 'text-right'
                : 'text-center'}"
            aria-hidden="true"><span class="inline-block h-[3px] w-3.5 bg-current align-top"></span></span
          >
        </button>
      {/each}
    {/each}
  </div>
</Group>
{#if inWords}<TextMarks {desk} />{/if}
