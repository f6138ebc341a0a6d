<!-- How a slider or carousel stands and moves, with its timing drawn to scale. -->
<script lang="ts">
  import { captionSources, classes } from '$lib/desk/choices';
  import { captionPlaces, changeKinds, type Opened, type SliderValues } from './opened.svelte';
  import TimingStrip from './TimingStrip.svelte';

  let { opened, shapes }: { opened: Opened; shapes: readonly string[] } = $props();
  const slider = $derived(opened.wish!.slider!);
  const set = (change: Partial<SliderValues>) => opened.setSlider(change);
  const each = (list: number[], i: number, value: number) => list.map((one, at) => (at === i ? value : one));
  const sources = Object.entries(captionSources).filter(([source]) => source !== 'own' && source !== 'none');
  const offered = $derived(shapes.includes(slider.shape) ? shapes : [...shapes, slider.shape]);
  const times = [
    ['stayMs', 'Stay, s', 1, 60],
    ['changeMs', 'Change, s', 0, 5],
  ] as const;
  const turns = [
    ['playsItself', 'plays by itself, with a way to pause it'],
    ['loops', 'goes on from the last to the first'],
    ['dots', 'a dot for each stop'],
    ['opensLarger', 'a press opens the larger view'],
  ] as const;
</script>

<div class="border-b border-hair px-4 py-3">
  <h3 class="font-semibold">How it stands and moves</h3>
  <h4 class="dk-label mt-2">Shape of all slides</h4>
  <div class="flex flex-wrap gap-1.5" role="group" aria-label="Shape of all slides">
    {#each offered as shape (shape)}<button
        class="dk-button dk-tabular"
        aria-pressed={slider.shape === shape}
        onclick={() => set({ shape })}>{shape}</button
      >{/each}
  </div>
  {#if opened.wish!.kind === 'carousel'}
    {#each [['inView', 'In view'], ['advanceBy', 'Advance by']] as const as [name, label] (name)}
      <h4 class="dk-label mt-3">{label}</h4>
      <div class="grid grid-cols-3 gap-2">
        {#each classes as c, i (c)}
          <label class="text-quiet"
            >{c}<input
              class="dk-field dk-tabular"
              type="number"
              min="1"
              max="6"
              aria-label="{label}, {c}"
              value={slider[name][i]}
              onchange={(event) => set({ [name]: each(slider[name], i, event.currentTarget.valueAsNumber || 1) })}
            /></label
          >
        {/each}
      </div>
    {/each}
  {/if}
  <div class="mt-3 grid grid-cols-2 gap-2">
    {#each times as [name, label, least, most] (name)}
      <label class="dk-label"
        >{label}<input
          class="dk-field dk-tabular"
          type="number"
          min={least}
          max={most}
          step="0.1"
          value={slider[name] / 1000}
          onchange={(event) => set({ [name]: Math.round(event.currentTarget.valueAsNumber * 1000) || 0 })}
        /></label
      >
    {/each}
  </div>
  {#if opened.look?.timing}<TimingStrip timing={opened.look.timing} plays={slider.playsItself} />{/if}
  <h4 class="dk-label mt-3">One follows the other</h4>
  <div class="flex flex-wrap gap-1.5" role="group" aria-label="One follows the other">
    {#each Object.entries(changeKinds) as [kind, name] (kind)}<button
        class="dk-button"
        aria-pressed={slider.change === kind}
        onclick={() => set({ change: kind as SliderValues['change'] })}>{name}</button
      >{/each}
  </div>
  {#each turns as [name, label] (name)}
    <label class="mt-2 flex min-h-6 items-center gap-1.5">
      <input
        type="checkbox"
        checked={slider[name]}
        onchange={(event) => set({ [name]: event.currentTarget.checked })}
      />{label}
    </label>
  {/each}
  <h4 class="dk-label mt-3">Captions</h4>
  <div class="flex flex-wrap gap-1.5" role="group" aria-label="Captions">
    {#each Object.entries(captionPlaces).filter(([place]) => place !== 'below') as [place, name] (place)}<button
        class="dk-button"
        aria-pressed={slider.captions === place}
        onclick={() => set({ captions: place as SliderValues['captions'] })}>{name}</button
      >{/each}
  </div>
  {#if slider.captions !== 'none'}
    <label class="dk-label mt-3" for="slides-say">They are</label>
    <select
      id="slides-say"
      class="dk-field"
      value={slider.captionsFrom}
      onchange={(event) => set({ captionsFrom: event.currentTarget.value as SliderValues['captionsFrom'] })}
    >
      {#each sources as [source, name] (source)}<option value={source}>{name}</option>{/each}
    </select>
  {/if}
</div>
