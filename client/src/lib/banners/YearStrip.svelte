<!-- The year: a row for each banner in its order with the days it runs, and at the foot what visitors see. -->
<script lang="ts">
  import { dndzone, type DndEvent } from 'svelte-dnd-action';
  import { count } from '$lib/model/words';
  import { proofOf } from '$lib/api/client';
  import type { BandAttrs } from '$lib/model/attrs';
  import type { Band } from './band';
  import type { Banners } from './banners.svelte';
  import { dayAndMonth, dayIn, monthsOf, shortDay } from './days';
  import StripRow from './StripRow.svelte';

  let { banners }: { banners: Banners } = $props();
  type Row = (typeof banners.items)[number];
  let dragged = $state.raw<Row[] | null>(null);
  const rows = $derived(dragged ?? banners.items);
  const days = $derived(banners.times.now?.days ?? 365);
  const empty = $derived(banners.times.now?.shown.filter((span) => span.bannerId === null).length ?? 0);
  const unseen = $derived(Object.keys(banners.times.now?.unseen ?? {}).length);
  const months = $derived(monthsOf(banners.year));
  const percent = (day: number) => `${(100 * day) / days}%`;
  const bandOf = (id: string | null) =>
    (banners.items.find((one) => one.id === id)?.values.band as Band | undefined)?.attrs;
  const nameOf = (id: string | null) => banners.items.find((one) => one.id === id)?.values.name ?? 'nothing';
  const paint = (band: BandAttrs | undefined) =>
    band?.picture
      ? `background: center / cover url("${proofOf(band.picture, 320)}")`
      : `background: ${band?.colour ?? 'repeating-linear-gradient(135deg, transparent 0 5px, var(--dk-edge) 5px 6px)'}`;

  function move(id: string, by: -1 | 1) {
    const ids = banners.items.map((one) => one.id);
    const at = ids.indexOf(id);
    if (at + by < 0 || at + by >= ids.length) return;
    ids.splice(at + by, 0, ...ids.splice(at, 1));
    void banners.setOrder(ids);
  }
</script>

<div class="relative flex-none border-b border-base-content bg-base-200 select-none" role="group" aria-label="The year">
  <div class="grid grid-cols-[236px_1fr] pr-6">
    <p class="truncate px-4 pt-1 text-quiet" title="The upper row wins" role="status">
      {count(banners.items.length, 'banner')}, {empty > 0 ? count(empty, 'gap') : 'no gap'}{unseen > 0
        ? `, ${unseen} never shown`
        : ''}
    </p>
    <div class="relative h-7">
      {#each months as month (month.name)}
        <span class="absolute top-1 truncate pl-1 text-quiet" style="left:{percent(month.fromDay)};width:8.3%"
          >{month.name}</span
        >
      {/each}
      <input
        type="range"
        class="dk-day absolute inset-0 w-full"
        aria-label="Day that is shown"
        min="0"
        max={days - 1}
        value={banners.dayNumber}
        aria-valuetext={shortDay(banners.day || `${banners.year}-01-01`)}
        oninput={(event) => (banners.day = dayIn(banners.year, event.currentTarget.valueAsNumber))}
      />
      <span
        class={[
          'pointer-events-none absolute top-0.5 z-10 -translate-x-1/2 rounded-[3px] bg-neutral px-2 py-0.5',
          'font-semibold whitespace-nowrap text-neutral-content',
        ]}
        style="left:clamp(36px, {percent(banners.dayNumber + 0.5)}, calc(100% - 36px))"
        >{banners.day ? shortDay(banners.day) : ''}</span
      >
    </div>
  </div>
  <div
    class="max-h-62 overflow-y-auto pr-6"
    role="list"
    aria-label="Banners, the first wins"
    use:dndzone={{
      items: [...rows],
      flipDurationMs: 120,
      dropTargetStyle: {},
      zoneTabIndex: -1,
      zoneItemTabIndex: -1,
      dragDisabled: false,
    }}
    onconsider={(event: CustomEvent<DndEvent<Row>>) => {
      dragged = event.detail.items;
      void banners.times.try({ order: event.detail.items.map((one) => one.id) });
    }}
    onfinalize={(event: CustomEvent<DndEvent<Row>>) => {
      dragged = null;
      const ids = event.detail.items.map((one) => one.id);
      if (ids.join() !== banners.items.map((one) => one.id).join()) void banners.setOrder(ids);
    }}
  >
    {#each rows as row, i (row.id)}
      <StripRow {banners} {row} number={i + 1} {percent} {days} {months} paint={paint(bandOf(row.id))} onmove={move} />
    {/each}
  </div>
  <div class="grid grid-cols-[236px_1fr] border-t border-base-content bg-base-100 pr-6">
    <div class="px-4 py-1.5">
      <p class="font-semibold">What visitors see</p>
      <p class="text-quiet">{banners.times.now?.next ? `changes on ${banners.times.now.next}` : 'click a day'}</p>
    </div>
    <div class="relative my-1.5 h-9" role="list" aria-label="What visitors see">
      {#each banners.times.now?.shown ?? [] as span (span.fromDay)}
        <div
          role="listitem"
          class="absolute inset-y-0"
          style="left:{percent(span.fromDay)};width:calc({percent(span.days)} - 1px)"
        >
          <button
            class="block h-full w-full cursor-pointer"
            style={paint(bandOf(span.bannerId))}
            aria-label="{dayAndMonth(span.first)} to {dayAndMonth(span.last)}: {nameOf(span.bannerId)}"
            title="{nameOf(span.bannerId)}, {dayAndMonth(span.first)} to {dayAndMonth(span.last)}"
            onclick={(event) => {
              const box = event.currentTarget.getBoundingClientRect();
              const share = event.detail === 0 ? 0 : (event.clientX - box.left) / box.width;
              banners.day = dayIn(banners.year, span.fromDay + Math.min(span.days - 1, Math.floor(share * span.days)));
              if (span.bannerId) banners.choose(span.bannerId);
            }}
          ></button>
        </div>
      {/each}
    </div>
  </div>
  <div class="pointer-events-none absolute inset-y-0 right-6 left-[236px]" aria-hidden="true">
    <div
      class="absolute top-7 bottom-0 w-0.5 bg-base-content"
      style="left:{percent(banners.dayNumber + 0.5)}"
      data-testid="day-line"
    ></div>
  </div>
</div>

<style>
  .dk-day {
    appearance: none;
    background: none;
    cursor: pointer;
    margin: 0;
  }
  .dk-day::-webkit-slider-thumb {
    appearance: none;
    width: 2px;
    height: 28px;
    background: transparent;
  }
  .dk-day::-moz-range-thumb {
    width: 2px;
    height: 28px;
    border: 0;
    background: transparent;
  }
</style>
