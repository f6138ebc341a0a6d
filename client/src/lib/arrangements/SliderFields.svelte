<!-- How a slider or carousel stands and moves, with its timing drawn to scale. -->
<script lang="ts">
  import type { SiteLook } from '$lib/api/client';
  import CaptionFields from './CaptionFields.svelte';
  import Choice from '$lib/fields/Choice.svelte';
  import ColourChoice from '$lib/fields/ColourChoice.svelte';
  import NumberEach from '$lib/fields/NumberEach.svelte';
  import NumberField from '$lib/fields/NumberField.svelte';
  import { arrowPlaces, changeKinds, controlSizes, entriesOf, stepKinds } from './names';
  import type { Opened, SliderValues } from './opened.svelte';
  import TimingStrip from './TimingStrip.svelte';
  import Turns from './Turns.svelte';
  import WordsOver from './WordsOver.svelte';

  let { opened, site }: { opened: Opened; site: SiteLook } = $props();
  const slider = $derived(opened.wish!.slider!);
  const limits = $derived(site.arrangements);
  const set = (change: Partial<SliderValues>) => opened.setSlider(change);
  const shapes = $derived(site.shapes.includes(slider.shape) ? site.shapes : [...site.shapes, slider.shape]);
  const times = $derived([
    ['stayMs', 'Stay, s', limits.leastStayMs, limits.mostStayMs],
    ['changeMs', 'Change, s', 0, limits.mostChangeMs],
  ] as const);
  const numbers = $derived([
    ['startsWith', 'Starts with picture', 1, Math.max(1, opened.wish!.items.length)],
    ['peekPx', 'Part of the next shown, px', 0, limits.mostPeekPx],
  ] as const);
  const turns = $derived([
    ['playsItself', 'autoplay, with a way to pause it'],
    ...(slider.playsItself ? [['backwards', 'autoplay goes backwards'] as const] : []),
    ['loops', 'loop: from the last on to the first'],
    ['shuffles', 'shuffle: another order at each visit'],
    ...(slider.steps === 'dots' ? [['stepsInside', 'dots stand over the pictures'] as const] : []),
    ['counter', 'counter, as in 2 / 5'],
    ['opensLarger', 'a press opens the larger view'],
  ] as const);
</script>

<div class="border-b border-hair px-4 py-3">
  <h3 class="font-semibold">How it stands and moves</h3>
  <Choice
    label="Shape of all slides"
    now={slider.shape}
    offers={shapes.map((shape) => [shape, shape] as const)}
    onset={(shape) => set({ shape })}
  />
  {#if opened.wish!.kind === 'carousel'}
    <NumberEach
      label="In view"
      list={slider.inView}
      least={1}
      most={limits.mostInView}
      onset={(inView) => set({ inView })}
    />
    <NumberEach
      label="Advance by"
      list={slider.advanceBy}
      least={1}
      most={limits.mostInView}
      onset={(advanceBy) => set({ advanceBy })}
    />
  {/if}
  <div class="mt-3 grid grid-cols-2 gap-2">
    {#each times as [name, label, least, most] (name)}
      <NumberField
        {label}
        value={slider[name] / 1000}
        least={least / 1000}
        most={most / 1000}
        step={0.1}
        onset={(s) => set({ [name]: Math.round((s ?? 0) * 1000) })}
      />
    {/each}
  </div>
  {#if opened.look?.timing}<TimingStrip {opened} timing={opened.look.timing} {limits} />{/if}
  <Choice label="Transition" now={slider.change} offers={entriesOf(changeKinds)} onset={(change) => set({ change })} />
  <Choice label="Arrows" now={slider.arrows!} offers={entriesOf(arrowPlaces)} onset={(arrows) => set({ arrows })} />
  <Choice label="Dots" now={slider.steps} offers={entriesOf(stepKinds)} onset={(steps) => set({ steps })} />
  <Choice
    label="Size of arrows and dots"
    now={slider.controlSize!}
    offers={entriesOf(controlSizes)}
    onset={(controlSize) => set({ controlSize })}
  />
  <div class="mt-3">
    <ColourChoice
      label="Colour of arrows and dots"
      colours={site.bands.colours}
      value={slider.controlColour || null}
      none="the page’s own"
      onset={(colour) => set({ controlColour: colour ?? '' })}
    />
  </div>
  <div class="mt-3 grid grid-cols-2 gap-2">
    {#each numbers as [name, label, least, most] (name)}
      <NumberField {label} value={slider[name] ?? least} {least} {most} onset={(to) => set({ [name]: to ?? least })} />
    {/each}
  </div>
  <Turns offers={turns} now={slider} onset={set} />
  <CaptionFields captions={slider.captions} captionsFrom={slider.captionsFrom} without="below" {set} />
</div>
<WordsOver {opened} {site} />
