<!-- Border, corners, padding, background and shadow of a look. -->
<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import { lineStyles } from '$lib/model/choices';
  import ColourChoice from './ColourChoice.svelte';
  import type { LookAttrs } from '$lib/model/attrs';

  let {
    look,
    colours,
    limits,
    onset,
  }: {
    look: LookAttrs;
    colours: Schemas['ColourOffer'][];
    limits: Schemas['FrameStyleLimits'];
    onset: (look: LookAttrs) => void;
  } = $props();
  const id = $props.id();
  const corners = ['top left', 'top right', 'bottom right', 'bottom left'];
  const round = $derived(look.roundPx?.length === 4 ? look.roundPx : [0, 0, 0, 0]);
  let apart = $state(false);
  const linked = $derived(!apart && round.every((px) => px === round[0]));
  const set = (change: Partial<LookAttrs>) => onset({ ...look, roundPx: round, ...change });
</script>

{#snippet px(label: string, value: number, most: number, change: (value: number) => void)}
  <input
    type="number"
    min="0"
    max={most}
    class="dk-field dk-tabular w-13! px-1.5! text-right"
    aria-label={label}
    title={label}
    {value}
    onchange={(event) => {
      const whole = Math.round(Math.min(most, Math.max(0, event.currentTarget.valueAsNumber || 0)));
      event.currentTarget.value = String(whole);
      change(whole);
    }}
  />
{/snippet}

<div class="grid grid-cols-[58px_minmax(0,1fr)] items-center gap-x-2 gap-y-2">
  <label for="{id}-line">Border</label>
  <span class="flex items-center gap-1.5">
    <select
      id="{id}-line"
      class="dk-field min-w-0"
      value={look.line}
      onchange={(event) => {
        const line = event.currentTarget.value as LookAttrs['line'];
        set({ line, linePx: line !== 'none' && look.linePx === 0 ? 2 : look.linePx });
      }}
    >
      {#each lineStyles as style (style)}<option value={style}>{style}</option>{/each}
    </select>
    {#if look.line !== 'none'}{@render px('Width of the border in px', look.linePx, limits.mostLinePx, (linePx) =>
        set({ linePx }),
      )}{/if}
  </span>
  {#if look.line !== 'none'}
    <span></span>
    <ColourChoice
      label="Colour of the border"
      {colours}
      value={look.lineColour}
      onset={(colour) => colour && set({ lineColour: colour })}
    />
  {/if}
  <span>Corners</span>
  <span class="flex flex-wrap items-center gap-1.5">
    {#if linked}
      {@render px('How round the corners are in px', round[0]!, limits.mostRoundPx, (all) =>
        set({ roundPx: [all, all, all, all] }),
      )}
    {:else}
      {#each corners as corner, i (corner)}
        {@render px(`Corner ${corner} in px`, round[i]!, limits.mostRoundPx, (one) =>
          set({ roundPx: round.with(i, one) }),
        )}
      {/each}
    {/if}
    <label class="flex min-h-6 items-center gap-1.5">
      <input
        type="checkbox"
        checked={linked}
        onchange={(event) => {
          apart = !event.currentTarget.checked;
          if (event.currentTarget.checked) set({ roundPx: [round[0]!, round[0]!, round[0]!, round[0]!] });
        }}
      />all alike
    </label>
  </span>
  <span>Round it</span>
  <span class="flex items-center gap-1.5"
    >{@render px('Padding round the picture in px', look.paddingPx, limits.mostPaddingPx, (paddingPx) =>
      set({ paddingPx }),
    )} px in</span
  >
  <span></span>
  <ColourChoice
    label="Colour round the picture"
    {colours}
    value={look.background ?? null}
    none="none"
    onset={(background) => set({ background })}
  />
  <label for="{id}-shadow">Shadow</label>
  <span class="flex min-h-7 items-center gap-1.5">
    <input
      id="{id}-shadow"
      type="checkbox"
      checked={look.shadow != null}
      onchange={(event) => set({ shadow: event.currentTarget.checked ? { downPx: 4, blurPx: 16, percent: 30 } : null })}
    />
    {#if look.shadow}
      {@const shadow = look.shadow}
      {@render px('How deep the shadow falls in px', shadow.downPx, limits.mostShadowPx, (downPx) =>
        set({ shadow: { ...shadow, downPx } }),
      )}
      {@render px('How soft the shadow is in px', shadow.blurPx, limits.mostShadowPx, (blurPx) =>
        set({ shadow: { ...shadow, blurPx } }),
      )}
      {@render px('How dark the shadow is in percent', shadow.percent, 100, (percent) =>
        set({ shadow: { ...shadow, percent } }),
      )}
    {/if}
  </span>
  {#if look.shadow}
    <span></span>
    <span class="text-quiet">px deep, px soft, % dark</span>
  {/if}
</div>
