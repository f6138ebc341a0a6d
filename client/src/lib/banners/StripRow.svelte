<!-- One banner of the year: its name, and its days as bars whose ends are dragged, or moved by arrow keys. -->
<script lang="ts">
  import ArrowDown from '@lucide/svelte/icons/arrow-down';
  import ArrowUp from '@lucide/svelte/icons/arrow-up';
  import GripVertical from '@lucide/svelte/icons/grip-vertical';
  import Repeat from '@lucide/svelte/icons/repeat';
  import TriangleAlert from '@lucide/svelte/icons/triangle-alert';
  import type { Banners, Dates } from './banners.svelte';
  import { plusDays, shortDate } from './days';

  type End = 'from' | 'until' | 'both';
  const ends = [
    ['from', '-left-1.5'],
    ['until', '-right-1.5'],
  ] as const;
  let {
    banners,
    row,
    number,
    percent,
    days,
    months,
    paint,
    onmove,
  }: {
    banners: Banners;
    row: (typeof banners.items)[number];
    number: number;
    percent: (day: number) => string;
    days: number;
    months: { fromDay: number; name: string }[];
    paint: string;
    onmove: (id: string, by: -1 | 1) => void;
  } = $props();
  const { id } = $derived(row);
  const values = $derived(row.values);
  const runs = $derived(banners.times.now?.runs[id] ?? []);
  const unseen = $derived(banners.times.now?.unseen[id]);
  const isDated = $derived(!values.isStanding && (values.from !== '' || values.until !== ''));
  const isAimed = $derived(banners.times.now?.aimedAt.includes(id) ?? true);
  const sameMonth = $derived(values.from.slice(0, 7) === values.until.slice(0, 7));
  const words = $derived(
    values.isStanding
      ? 'standing'
      : !isDated
        ? 'every day'
        : values.from && values.until
          ? `${sameMonth ? Number(values.from.slice(8)) : shortDate(values.from)} to ${shortDate(values.until)}`
          : values.from
            ? `from ${shortDate(values.from)}`
            : `until ${shortDate(values.until)}`,
  );
  /** Beside the bar, on the side where there is more room. */
  const labelAt = $derived.by(() => {
    const [first, last] = [runs[0], runs.at(-1)];
    if (!first || !last) return 'left:8px';
    if (runs.length > 1) return `left:calc(${percent(first.fromDay + first.days)} + 12px)`;
    const after = days - last.fromDay - last.days;
    if (after < 90 && first.fromDay < 90) return '';
    return after >= first.fromDay
      ? `left:calc(${percent(last.fromDay + last.days)} + 12px)`
      : `right:calc(100% - ${percent(first.fromDay)} + 12px)`;
  });

  const moved = (end: End, by: number): Dates => ({
    yearly: values.yearly,
    from: end === 'until' || !values.from ? values.from : plusDays(values.from, by),
    until: end === 'from' || !values.until ? values.until : plusDays(values.until, by),
  });

  let line = $state<HTMLElement>();
  $effect(() => {
    if (banners.chosen === id) line?.scrollIntoView({ block: 'nearest' });
  });

  let dates: Dates | null = null;
  let wasDragged = false;
  function grab(event: PointerEvent, end: End) {
    if (event.button !== 0) return;
    event.preventDefault();
    event.stopPropagation();
    banners.choose(id);
    if (!isDated) return;
    const target = event.currentTarget as HTMLElement;
    target.setPointerCapture(event.pointerId);
    const perDay = target.closest<HTMLElement>('[data-strip]')!.clientWidth / days;
    const begun = event.clientX;
    wasDragged = false;
    target.onpointermove = (now) => {
      const by = Math.round((now.clientX - begun) / perDay);
      wasDragged ||= by !== 0;
      if (!wasDragged) return;
      dates = moved(end, by);
      void banners.times.try({ instead: { id, ...dates } });
    };
    target.onpointerup = target.onpointercancel = (up) => {
      target.onpointermove = target.onpointerup = target.onpointercancel = null;
      if (dates && up.type === 'pointerup') {
        banners.set(id, dates);
        void banners.keep();
      } else if (dates) void banners.times.ask();
      dates = null;
    };
  }

  /** Arrow keys move its days; with Shift the last one, with Ctrl the first; with Alt it goes up or down in the order. */
  function keys(event: KeyboardEvent) {
    const up = { ArrowUp: -1, ArrowDown: 1 }[event.key] as -1 | 1 | undefined;
    const step = { ArrowLeft: -1, ArrowRight: 1, PageDown: -7, PageUp: 7 }[event.key];
    if (up && event.altKey) onmove(id, up);
    else if (step && isDated)
      banners.set(id, moved(event.shiftKey ? 'until' : event.ctrlKey || event.metaKey ? 'from' : 'both', step));
    else return;
    event.preventDefault();
  }
</script>

<div
  bind:this={line}
  role="listitem"
  class="group grid h-8 grid-cols-[236px_1fr] items-center border-t border-hair {banners.chosen === id
    ? 'bg-wash'
    : ''}"
>
  <div class="flex min-w-0 items-center gap-1 pl-2">
    <span class="cursor-grab text-quiet" title="Drag to another place in the order"><GripVertical size={14} /></span>
    <button
      class="flex min-h-6 min-w-0 flex-1 cursor-pointer items-center gap-1.5 text-left"
      aria-pressed={banners.chosen === id}
      aria-label="{number} {values.name}, {words}{values.yearly ? ', every year' : ''}{unseen ? ', never shown' : ''}"
      aria-keyshortcuts="ArrowLeft ArrowRight Shift+ArrowRight Control+ArrowLeft Alt+ArrowUp Alt+ArrowDown"
      title="Arrow keys move its days; Shift the last one, Ctrl the first; Alt moves it up or down"
      onclick={() => banners.choose(id)}
      onkeydown={keys}
    >
      <span class="dk-tabular w-4 flex-none text-quiet">{number}</span>
      <span class="truncate {banners.chosen === id ? 'font-semibold' : ''} {values.isOn && isAimed ? '' : 'text-quiet'}"
        >{values.name}</span
      >
      {#if unseen}<TriangleAlert size={14} class="flex-none text-coarse" aria-hidden="true" />{/if}
      {#if !values.isOn}<span class="flex-none text-quiet">off</span>{/if}
    </button>
    <button
      class="dk-button bare hidden h-6 min-h-6 px-0.5! group-focus-within:flex group-hover:flex"
      aria-label="Move “{values.name}” up"
      onpointerdown={(event) => event.stopPropagation()}
      onclick={() => onmove(id, -1)}><ArrowUp size={13} /></button
    >
    <button
      class="dk-button bare hidden h-6 min-h-6 px-0.5! group-focus-within:flex group-hover:flex"
      aria-label="Move “{values.name}” down"
      onpointerdown={(event) => event.stopPropagation()}
      onclick={() => onmove(id, 1)}><ArrowDown size={13} /></button
    >
  </div>
  <!-- svelte-ignore a11y_no_static_element_interactions -->
  <div class="relative h-full" data-strip onmousedown={(event) => event.stopPropagation()}>
    {#each months as month (month.name)}
      <span class="absolute inset-y-0 w-px bg-hair" style="left:{percent(month.fromDay)}"></span>
    {/each}
    {#each runs as run, i (i)}
      <!-- For the hand alone: keys act on the banner's name, and days are typed beside the page. -->
      <div
        class="absolute inset-y-1.5 {isDated ? 'cursor-grab' : 'cursor-pointer'} {banners.chosen === id
          ? 'outline-2 outline-crop'
          : ''} {isAimed ? '' : 'opacity-40'}"
        style="left:{percent(run.fromDay)};width:{percent(run.days)};{paint}"
        role="presentation"
        data-bar={values.name}
        onpointerdown={(event) => grab(event, 'both')}
      >
        {#each ends as [end, at] (end)}
          {#if isDated && values[end] && (end === 'from' ? run.begins : run.ends)}
            <span
              class="absolute -inset-y-1 w-3 cursor-ew-resize {at}"
              role="presentation"
              data-end={end}
              onpointerdown={(event) => grab(event, end)}
            ></span>
          {/if}
        {/each}
      </div>
    {/each}
    {#if labelAt}
      <span
        class="pointer-events-none absolute top-1/2 flex -translate-y-1/2 items-center gap-1.5 whitespace-nowrap text-quiet"
        style={labelAt}
        >{words}{#if values.yearly}<Repeat size={12} />yearly{/if}</span
      >
    {/if}
  </div>
</div>
