<!-- What is set once for the whole site, with a page beside it that shows every change at once. -->
<script lang="ts">
  import { beforeNavigate } from '$app/navigation';
  import { undoKey } from '$lib/ui/undoKey';
  import { createQuery } from '@tanstack/svelte-query';
  import { onMount } from 'svelte';
  import Redo from '@lucide/svelte/icons/redo-2';
  import Undo from '@lucide/svelte/icons/undo-2';
  import { sentenceOf } from '$lib/api/client';
  import { pageNames } from '$lib/api/queries';
  import { classes } from '$lib/model/choices';
  import type { WidthClass } from '$lib/model/attrs';
  import NumberField from '$lib/fields/NumberField.svelte';
  import OtherHouses from '$lib/site/OtherHouses.svelte';
  import { SiteStyle } from '$lib/site/style.svelte';
  import Group from '$lib/ui/Group.svelte';
  import PageFrame from '$lib/ui/PageFrame.svelte';
  import { count } from '$lib/model/words';

  const style = new SiteStyle();
  const pages = createQuery(pageNames);
  let failed = $state('');
  let shown = $state('');
  let at = $state<WidthClass>('desktop');
  let open = $state({ site: true, widths: true, lengths: true, type: false, colours: false, shapes: false });
  const page = $derived(pages.data?.find((one) => one.id === shown) ?? pages.data?.find((one) => one.isOn));
  const v = $derived(style.wish);
  const look = $derived(style.look);

  onMount(() => {
    style.load().catch((error) => (failed = sentenceOf(error)));
  });

  const typefaces = {
    newsreader: 'Newsreader, with serifs',
    sourceSans: 'Source Sans, plain',
    figtree: 'Figtree, round',
  } as const;
  const colourNames = {
    paper: 'paper',
    ink: 'text',
    quiet: 'quiet words',
    bar: 'bar',
    barInk: 'words on the bar',
    link: 'links',
  } as const;
  type OneNumber = 'tabletFromPx' | 'desktopFromPx' | 'columnPx' | 'widePx' | 'gutterPx' | 'textPx' | 'lineHeight';
  type NumberEach = 'referencePx' | 'firstScreenPx' | 'paddingPx';
  const weakest = $derived(look?.pairs.filter((pair) => !pair.contrast.isEnough) ?? []);

  beforeNavigate(style.flush);

  function keys(event: KeyboardEvent) {
    const step = undoKey(event);
    if (!step) return;
    event.preventDefault();
    (document.activeElement as HTMLElement | null)?.blur();
    style[step]();
  }
</script>

<svelte:head><title>Site · Dekoro</title></svelte:head>
<svelte:window onkeydown={keys} onpagehide={style.flush} />

{#snippet number(name: OneNumber, label: string, unit = 'px', step = 1)}
  <NumberField
    {label}
    {unit}
    {step}
    value={v![name]}
    error={style.errorAt(name)}
    onset={(value) => style.change({ [name]: value ?? 0 })}
  />
{/snippet}
{#snippet each(name: NumberEach, label: (c: WidthClass) => string)}
  {#each classes as c (c)}
    <NumberField
      label={label(c)}
      unit="px"
      value={v![name][c]}
      error={style.errorAt(`${name}.${c}`)}
      onset={(value) => style.change({ [name]: { ...v![name], [c]: value ?? 0 } })}
    />
  {/each}
{/snippet}

<div class="flex min-h-0 flex-1">
  <aside class="flex w-[320px] flex-none flex-col overflow-y-auto border-r border-hair" aria-label="Site">
    <div class="sticky top-0 z-10 flex items-center border-b border-hair bg-base-100 py-1.5 pr-2 pl-4">
      <h1 class="flex-1 text-read font-semibold">Site</h1>
      <button
        class="dk-button bare"
        disabled={!style.canUndo}
        onclick={style.undo}
        aria-label="Undo"
        title="Undo (Ctrl+Z)"><Undo size={16} /></button
      >
      <button
        class="dk-button bare"
        disabled={!style.canRedo}
        onclick={style.redo}
        aria-label="Redo"
        title="Redo (Ctrl+Shift+Z)"><Redo size={16} /></button
      >
    </div>
    {#if failed || style.problem}<p class="dk-problem px-4 py-2" role="alert">{failed || style.problem}</p>{/if}
    {#if v && look}
      <Group name="Name" value={v.name} bind:open={open.site}>
        <label class="dk-label" for="site-name">Name, at the top of every page</label>
        <input
          id="site-name"
          class="dk-field"
          value={v.name}
          oninput={(event) => style.type({ name: event.currentTarget.value })}
          onblur={style.flush}
        />
        {#if style.errorAt('name')}<p class="dk-problem" role="alert">{style.errorAt('name')}</p>{/if}
        <label class="dk-label mt-2" for="site-language">Language, as browsers know it</label>
        <input
          id="site-language"
          class="dk-field w-24!"
          value={v.language}
          oninput={(event) => style.type({ language: event.currentTarget.value.trim() })}
          onblur={style.flush}
        />
        {#if style.errorAt('language')}<p class="dk-problem" role="alert">{style.errorAt('language')}</p>{/if}
        <label class="dk-label mt-2" for="site-zone">Time zone, in which its days begin</label>
        <input
          id="site-zone"
          class="dk-field"
          list="zones"
          value={v.zone}
          oninput={(event) => style.type({ zone: event.currentTarget.value.trim() })}
          onblur={style.flush}
        />
        <datalist id="zones">
          {#each Intl.supportedValuesOf('timeZone') as zone (zone)}<option value={zone}></option>{/each}
        </datalist>
        {#if style.errorAt('zone')}<p class="dk-problem" role="alert">{style.errorAt('zone')}</p>{/if}
      </Group>

      <Group name="Widths" value="tablet from {v.tabletFromPx}, desktop from {v.desktopFromPx}" bind:open={open.widths}>
        {@render number('tabletFromPx', 'Tablets begin at')}
        {@render number('desktopFromPx', 'Desktops begin at')}
        {@render each('referencePx', (c) => `A ${c} is looked at in`)}
        {@render each('firstScreenPx', (c) => `First screen of a ${c}`)}
      </Group>

      <Group name="Column and gutters" value="{v.columnPx}, wide {v.widePx} px" bind:open={open.lengths}>
        {@render number('columnPx', 'Column of text')}
        {@render number('widePx', 'Wide')}
        {@render number('gutterPx', 'Gutter')}
        {@render each('paddingPx', (c) => `At the edges of a ${c}`)}
      </Group>

      <Group
        name="Type"
        value="{typefaces[v.typeface ?? 'newsreader']}, {v.textPx} px, lines {v.lineHeight}"
        bind:open={open.type}
      >
        <label class="dk-label" for="site-typeface">Typeface</label>
        <select
          id="site-typeface"
          class="dk-field mb-2"
          value={v.typeface ?? 'newsreader'}
          onchange={(event) => style.change({ typeface: event.currentTarget.value as keyof typeof typefaces })}
        >
          {#each Object.entries(typefaces) as [value, name] (value)}<option {value}>{name}</option>{/each}
        </select>
        {@render number('textPx', 'Height of the text')}
        {@render number('lineHeight', 'Lines, in heights of the text', '×', 0.05)}
      </Group>

      <Group
        name="Colours"
        value={weakest.length > 0 ? `${count(weakest.length, 'pair')} hard to read` : 'all readable'}
        bind:open={open.colours}
      >
        {#each Object.entries(colourNames) as [name, words] (name)}
          {@const key = name as keyof typeof colourNames}
          <label class="flex items-center gap-2 py-0.5">
            <span class="flex-1">{words}</span>
            <span class="dk-tabular text-quiet">{v.colours[key]}</span>
            <input
              type="color"
              class="h-7 w-10 cursor-pointer"
              value={v.colours[key]}
              onchange={(event) => style.change({ colours: { ...v.colours, [key]: event.currentTarget.value } })}
            />
          </label>
        {/each}
        <table class="dk-tabular mt-2 w-full border-t border-hair" aria-label="Contrast">
          <tbody>
            {#each look.pairs as { what, contrast } (what)}
              <tr>
                <th scope="row" class="py-0.5 text-left font-normal">{what}</th>
                <td class="text-right">{contrast.ratio.toFixed(1)} : 1</td>
                <td class="w-24 pl-3 {contrast.isEnough ? 'text-sharp' : 'text-coarse'}"
                  >{contrast.isEnough ? 'readable' : `needs ${contrast.needed}`}</td
                >
              </tr>
            {/each}
          </tbody>
        </table>
      </Group>

      <Group name="Shapes" value={v.shapes.join(', ')} bind:open={open.shapes}>
        <label class="dk-label" for="site-shapes"
          >Shapes for cuts, with commas between; the first is that of cells</label
        >
        <input
          id="site-shapes"
          class="dk-field dk-tabular"
          value={v.shapes.join(', ')}
          onchange={(event) =>
            style.change({ shapes: event.currentTarget.value.split(/[,;\s]+/).filter((shape) => shape !== '') })}
        />
        {#if style.errorAt('shapes')}<p class="dk-problem" role="alert">{style.errorAt('shapes')}</p>{/if}
      </Group>
      <OtherHouses />
    {/if}
  </aside>

  <div class="flex min-w-0 flex-1 flex-col bg-base-200">
    <div class="flex h-12 flex-none items-center gap-3 border-b border-hair bg-base-100 px-4">
      <label class="flex min-w-0 items-center gap-2 whitespace-nowrap"
        >Seen on <select class="dk-field w-64! min-w-24 shrink" bind:value={() => page?.id ?? '', (id) => (shown = id)}>
          {#each pages.data ?? [] as one (one.id)}<option value={one.id}>{one.title || 'Untitled'}</option>{/each}
        </select></label
      >
      <div class="flex gap-1" role="group" aria-label="Width of the page">
        {#each classes as c (c)}
          <button class="dk-button" aria-pressed={at === c} onclick={() => (at = c)}>{c}</button>
        {/each}
      </div>
      <p class="dk-tabular ml-auto min-w-32 text-right text-quiet" role="status">
        {#if look}
          {look.newFiles === 0
            ? 'No picture needs new files'
            : `${count(look.newPictures, 'picture')} ${look.newPictures === 1 ? 'needs' : 'need'} ` +
              `${count(look.newFiles, 'new file')}, made on publishing`}
        {/if}
      </p>
    </div>
    <div class="min-h-0 flex-1 p-5">
      {#if page && look}
        <PageFrame
          src="/proof/{page.id}?desk&{look.seen}"
          title="{page.title} at {look.values.referencePx[at]} px"
          widthPx={look.values.referencePx[at]}
        />
      {/if}
    </div>
  </div>
</div>
