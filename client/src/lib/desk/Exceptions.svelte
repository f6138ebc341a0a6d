<!-- What a picture has of its own on one class of screen: a line for each, the chosen one open below. -->
<script lang="ts">
  import ClassRows from '$lib/fields/ClassRows.svelte';
  import { proofOf } from '$lib/api/client';
  import { classes, exceptionWords, sides, sizeWords } from '$lib/model/choices';
  import CutByHand from './CutByHand.svelte';
  import type { Desk } from './desk.svelte';
  import type { FigureAttrs, FigureException, WidthClass } from '$lib/model/attrs';

  let { desk, id, figure }: { desk: Desk; id: string; figure: FigureAttrs } = $props();
  let opened = $state<WidthClass | null>(null);
  const look = $derived(desk.preview.look?.figures[id]);
  const inCell = $derived(figure.size === 'cell');
  const hiddenElsewhere = (c: WidthClass) => classes.every((other) => other === c || figure.at?.[other]?.hidden);
  const set = (c: WidthClass, change: FigureException | null) => desk.setException(id, c, change);
  const sizeOf = (value: string) =>
    value === ''
      ? undefined
      : value === 'px'
        ? Math.round(look?.fits[opened!]?.slotCssPx ?? 320)
        : (value as FigureAttrs['size']);

  /** What is set for a width is seen at that width. */
  function open(c: WidthClass | null) {
    opened = c;
    if (opened) desk.width = desk.site.classes.referencePx[opened];
  }
</script>

<ClassRows
  {opened}
  isOwn={(c) => Boolean(figure.at?.[c])}
  wordsOf={(c) => exceptionWords(figure.at?.[c], desk.site.sizes)}
  onopen={open}
/>

{#if opened}
  {@const c = opened}
  {@const own = figure.at?.[c]}
  {@const on = look?.on[c]}
  {@const choices = desk.preview.placesAsNow(id, figure) ? look?.choicesOn[c] : undefined}
  <div class="mt-2 space-y-2.5 border-t border-hair pt-2.5" role="group" aria-label="Only on {c}">
    <div class="flex items-center justify-between">
      <label class="flex min-h-6 items-center gap-1.5">
        <input
          type="checkbox"
          checked={own?.hidden ?? false}
          disabled={hiddenElsewhere(c)}
          onchange={(event) => set(c, { hidden: event.currentTarget.checked || undefined })}
        />hidden on {c}
      </label>
      {#if own}<button class="dk-link" onclick={() => set(c, null)}>as everywhere</button>{/if}
    </div>
    {#if hiddenElsewhere(c)}
      <p class="text-quiet">It is hidden on the others: to show it nowhere, take it out.</p>
    {/if}
    {#if !own?.hidden}
      <div class="flex items-center gap-2">
        {#if on}<img src={proofOf(on.picture, 160, on.cut)} alt="" class="h-10 w-14 object-contain object-left" />{/if}
        <button
          class="dk-button"
          aria-pressed={desk.trial.swapping === id && desk.trial.swappingAt === c}
          onclick={() => desk.trial.begin(id, c)}>Another picture</button
        >
        {#if own?.asset}<button class="dk-link" onclick={() => set(c, { asset: undefined })}>the usual one</button>{/if}
      </div>
      {#if own?.asset}<p class="text-quiet">Its alt text is that of the usual picture: say what holds for both.</p>{/if}
      {#if !inCell}
        <div class="grid grid-cols-[70px_1fr] items-center gap-x-2 gap-y-1.5">
          <label for="own-size">Size</label>
          <span class="flex gap-1.5">
            <select
              id="own-size"
              class="dk-field"
              value={typeof own?.size === 'number' ? 'px' : (own?.size ?? '')}
              onchange={(event) => set(c, { size: sizeOf(event.currentTarget.value) })}
            >
              <option value="">as everywhere, {sizeWords(figure.size, desk.site.sizes)}</option>
              {#each desk.site.sizes as { role, name } (role)}<option value={role}>{name}</option>{/each}
              <option value="px">own px</option>
            </select>
            {#if typeof own?.size === 'number'}
              <input
                class="dk-field dk-tabular w-20"
                type="number"
                aria-label="Width in px on {c}"
                min={desk.site.limits.leastPx}
                max={desk.site.limits.mostPx}
                value={own.size}
                onchange={(event) => {
                  const { leastPx, mostPx } = desk.site.limits;
                  const px = Math.round(
                    Math.min(mostPx, Math.max(leastPx, event.currentTarget.valueAsNumber || leastPx)),
                  );
                  event.currentTarget.value = String(px);
                  set(c, { size: px });
                }}
              />
            {/if}
          </span>
          <label for="own-side">Side</label>
          <select
            id="own-side"
            class="dk-field"
            value={choices?.side === false ? '' : (own?.side ?? '')}
            disabled={choices?.side === false}
            onchange={(event) => set(c, { side: (event.currentTarget.value || undefined) as FigureAttrs['side'] })}
          >
            <option value="">{choices?.side === false ? 'none' : `as everywhere, ${figure.side}`}</option>
            {#each sides as side (side)}<option value={side}>{side}</option>{/each}
          </select>
          <label for="own-beside">Text</label>
          <select
            id="own-beside"
            class="dk-field"
            disabled={choices?.beside === false}
            value={choices?.beside === false || own?.beside === undefined ? '' : String(own.beside)}
            onchange={(event) =>
              set(c, { beside: event.currentTarget.value === '' ? undefined : event.currentTarget.value === 'true' })}
          >
            <option value=""
              >{choices?.beside === false
                ? 'none beside it'
                : `as everywhere, ${figure.beside ? 'beside' : 'apart'}`}</option
            >
            <option value="true">beside it, if there is room</option>
            <option value="false">apart from it</option>
          </select>
        </div>
        {#if choices?.side === false}
          <p class="text-quiet">On {c} it is wider than the column of text: it has no side, and no text beside it.</p>
        {:else if choices?.beside === false}
          <p class="text-quiet">On {c} no text stands beside it.</p>
        {/if}
      {/if}
      <p class="dk-label">Shape</p>
      <div class="flex flex-wrap gap-1.5" role="group" aria-label="Shape on {c}">
        <button
          class="dk-button"
          aria-pressed={own?.shape === undefined && !own?.cut}
          onclick={() => set(c, { shape: undefined, cut: undefined })}>as everywhere</button
        >
        {#each ['as is', ...desk.site.shapes] as shape (shape)}
          <button
            class="dk-button dk-tabular"
            aria-pressed={own?.shape === shape && !own?.cut}
            onclick={() => set(c, { shape, cut: undefined })}>{shape}</button
          >
        {/each}
        {#if on}<CutByHand
            look={on}
            drawn={own?.cut?.of === on.asset ? own.cut : null}
            onchange={(cut) => set(c, { cut })}
          />{/if}
      </div>
      {#if on?.loss}<p class="text-soft" role="status">Of what must stay in view, {on.loss}.</p>{/if}
    {/if}
  </div>
{/if}
