<!-- A ruled scale with nought in its middle (or at its start): drag, arrow keys, or double-click for nought. -->
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
  const ticks = 17;
  const share = (v: number) => (v - from) / (to - from);
</script>

<div class="min-w-0">
  <p class="flex justify-between">
    <label for={id}>{name}</label>
    <output for={id} class="dk-tabular font-semibold">{written}</output>
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
