<!-- A ruled scale with nought in its middle (or at its start): drag, arrow keys, a number that is typed, or double-click for nought. -->
<script lang="ts">
  let {
    name,
    value,
    from,
    to,
    step = 1,
    unit = '',
    disabled = false,
    onmove,
    onchange,
  }: {
    name: string;
    value: number;
    from: number;
    to: number;
    step?: number;
    unit?: string;
    disabled?: boolean;
    onmove: (value: number) => void;
    onchange: (value: number) => void;
  } = $props();
  const id = $props.id();
  const written = $derived(`${value > 0 ? '+' : value < 0 ? '−' : ''}${Math.abs(value)}${unit}`);
  let typed = $state<string | null>(null);
  /** A number that is typed goes to the nearest the scale has; what is none leaves it as it was. */
  function take() {
    const number = Number(
      (typed ?? '')
        .replace('−', '-')
        .replace(',', '.')
        .replace(unit || '+', '')
        .replace('+', ''),
    );
    if ((typed ?? '').trim() !== '' && Number.isFinite(number))
      onchange(Math.min(to, Math.max(from, Math.round(number / step) * step)));
    typed = null;
  }
  const ticks = 17;
  const share = (v: number) => (v - from) / (to - from);
</script>

<div class="min-w-0">
  <p class="flex items-center justify-between">
    <label for={id}>{name}</label>
    <input
      class="dk-tabular min-h-6 w-12 rounded-[2px] bg-transparent text-right font-semibold hover:bg-base-200"
      aria-label="{name} as a number"
      inputmode="decimal"
      {disabled}
      value={typed ?? written}
      onfocus={(event) => event.currentTarget.select()}
      oninput={(event) => (typed = event.currentTarget.value)}
      onchange={take}
      onblur={() => (typed = null)}
    />
  </p>
  <div class="relative h-6">
    {#each { length: ticks }, i (i)}
      <span
        class="pointer-events-none absolute w-px bg-edge"
        style:left="calc(6px + (100% - 12px) * {i / (ticks - 1)})"
        style:top={i === Math.round(share(0) * (ticks - 1)) ? '2px' : '6px'}
        style:height={i === Math.round(share(0) * (ticks - 1)) ? '14px' : '6px'}
      ></span>
    {/each}
    <span
      class="pointer-events-none absolute top-[12px] h-[3px] bg-base-content"
      style:left="calc(6px + (100% - 12px) * {Math.min(share(0), share(value))})"
      style:width="calc((100% - 12px) * {Math.abs(share(value) - share(0))})"
    ></span>
    <input
      {id}
      type="range"
      class="dk-scale absolute inset-0 w-full"
      min={from}
      max={to}
      {step}
      {disabled}
      {value}
      aria-valuetext={written}
      oninput={(event) => onmove(Number(event.currentTarget.value))}
      onchange={(event) => onchange(Number(event.currentTarget.value))}
      ondblclick={() => onchange(0)}
    />
  </div>
</div>

<style>
  .dk-scale {
    appearance: none;
    background: none;
    height: 24px;
    cursor: ew-resize;
  }
  .dk-scale::-webkit-slider-thumb {
    appearance: none;
    width: 12px;
    height: 24px;
    background: linear-gradient(var(--color-base-content) 0 0);
    clip-path: polygon(50% 34%, 100% 56%, 50% 78%, 0 56%);
  }
  .dk-scale::-moz-range-thumb {
    width: 12px;
    height: 24px;
    border: 0;
    border-radius: 0;
    background: var(--color-base-content);
    clip-path: polygon(50% 34%, 100% 56%, 50% 78%, 0 56%);
  }
</style>
