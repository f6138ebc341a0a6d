<!-- The pictures of an arrangement in their order: dragged or moved by button, switched off, taken out, with their words. -->
<script lang="ts">
  import { tick } from 'svelte';
  import ArrowLeft from '@lucide/svelte/icons/arrow-left';
  import ArrowRight from '@lucide/svelte/icons/arrow-right';
  import X from '@lucide/svelte/icons/x';
  import { dndzone, type DndEvent } from 'svelte-dnd-action';
  import { proofOf, type SiteLook } from '$lib/api/client';
  import Fit from '$lib/ui/Fit.svelte';
  import BoxDrawn from '$lib/ui/BoxDrawn.svelte';
  import { Boxing } from '$lib/ui/boxing.svelte';
  import NumberField from '$lib/fields/NumberField.svelte';
  import ItemFields from './ItemFields.svelte';
  import { entriesOf } from './names';
  import type { Item, Opened } from './opened.svelte';

  let { opened, limits, tall = false }: { opened: Opened; limits: SiteLook['arrangements']; tall?: boolean } = $props();
  /** While one is dragged, the order is only shown. */
  let dragged = $state.raw<Item[] | null>(null);
  const items = $derived(dragged ?? opened.wish!.items);
  /** One that follows a search line has the library's order. */
  const follows = $derived(Boolean(opened.wish!.follows));
  const choosing = $derived(opened.choosing);
  let scroller = $state<HTMLElement>();
  const boxing = new Boxing(
    () => choosing,
    () => scroller,
  );
  const item = $derived(opened.wish!.items.find((one) => choosing.ids.size === 1 && choosing.ids.has(one.id)));
  const chosen = $derived(opened.wish!.items.filter((one) => choosing.ids.has(one.id)));
  const allOn = $derived(chosen.every((one) => one.isOn));
  /** Null where they have no own stay, or several. */
  const stayOfAll = $derived(new Set(chosen.map((one) => one.stayMs)).size === 1 ? (chosen[0]?.stayMs ?? null) : null);
  const orders = { name: 'name', date: 'date', shape: 'shape' } as const;

  function press(event: MouseEvent, id: string) {
    // Dragging takes the press before it gives the focus: keys would go to what was chosen before.
    (event.currentTarget as HTMLElement).focus();
    const all = opened.wish!.items.map((one) => one.id);
    if (event.shiftKey) choosing.range(all, id);
    else if (event.ctrlKey || event.metaKey) choosing.turn(id);
    else if (choosing.ids.size === 1 && choosing.ids.has(id)) choosing.clear();
    else {
      choosing.only([id]);
      choosing.start(id);
    }
  }

  /** The focus goes on to the next that stays: the key pressed again means that one. */
  async function takeOut(ids: ReadonlySet<string>, from: string) {
    const all = opened.wish!.items.map((one) => one.id);
    const at = all.indexOf(from);
    const next = [...all.slice(at), ...all.slice(0, at).reverse()].find((one) => !ids.has(one));
    opened.takeOut(ids);
    await tick();
    if (next) scroller?.querySelector<HTMLElement>(`[data-picture="${CSS.escape(next)}"]`)?.focus();
  }

  /** The focus stays on the button, wherever its picture went; at the end on the way back. */
  async function move(id: string, i: number, by: -1 | 1) {
    opened.move(i, by);
    await tick();
    const moved = scroller?.querySelector(`[data-picture="${CSS.escape(id)}"]`)?.parentElement;
    const [earlier, later] = moved?.querySelectorAll<HTMLButtonElement>('button.bare') ?? [];
    const [meant, other] = by < 0 ? [earlier, later] : [later, earlier];
    (meant?.disabled ? other : meant)?.focus();
  }

  function keys(event: KeyboardEvent, id: string) {
    if (event.key === ' ') choosing.turn(id);
    else if (event.key === 'Delete' && !follows) void takeOut(choosing.ids.size > 0 ? choosing.ids : new Set([id]), id);
    else return;
    event.preventDefault();
  }
</script>

{#if !follows}
  <div class="mb-1.5 flex flex-wrap items-center gap-1.5">
    {#if items.length > 1}
      <div class="flex flex-wrap items-center gap-1.5" role="group" aria-label="Sort by">
        <span class="text-quiet">Sort by</span>
        {#each entriesOf(orders) as [by, name] (by)}
          <button class="dk-button" onclick={() => opened.sort(opened.look!.orders[by])}>{name}</button>
        {/each}
      </div>
    {/if}
    {#if opened.wish!.kind !== 'gallery'}
      <button class="dk-button" onclick={() => opened.addWords()}>Slide of words</button>
    {/if}
    {#if choosing.ids.size > 1}
      <div class="flex flex-wrap items-center gap-1.5" role="group" aria-label="The {choosing.ids.size} chosen">
        <span class="text-quiet">{choosing.ids.size} chosen</span>
        <button class="dk-button" onclick={() => opened.moveAll(choosing.ids, -1)}>Earlier</button>
        <button class="dk-button" onclick={() => opened.moveAll(choosing.ids, 1)}>Later</button>
        <button class="dk-button" onclick={() => opened.setAll(choosing.ids, { isOn: !allOn })}
          >{allOn ? 'Hide' : 'Show'}</button
        >
        {#if opened.wish!.kind !== 'gallery'}
          <NumberField
            label="Stay of each, s"
            value={stayOfAll === null ? null : stayOfAll / 1000}
            least={limits.leastStayMs / 1000}
            most={limits.mostStayMs / 1000}
            step={0.1}
            placeholder={String(opened.wish!.slider!.stayMs / 1000)}
            onset={(s) => opened.setAll(choosing.ids, { stayMs: s === null ? null : Math.round(s * 1000) })}
          />
        {/if}
        <button class="dk-button" onclick={() => opened.takeOut(choosing.ids)}>Remove {choosing.ids.size}</button>
      </div>
    {/if}
  </div>
{/if}
<div
  bind:this={scroller}
  class="relative select-none {tall ? '' : 'overflow-x-auto'}"
  role="presentation"
  onpointerdown={boxing.draw}
>
  <div
    class={tall ? 'grid grid-cols-3 gap-2' : 'flex w-max min-w-full gap-2 p-1'}
    role="list"
    aria-label="Running order"
    use:dndzone={{
      items: [...items],
      flipDurationMs: 120,
      dragDisabled: follows,
      dropTargetStyle: {},
      zoneTabIndex: -1,
      zoneItemTabIndex: -1,
    }}
    onconsider={(event: CustomEvent<DndEvent<Item>>) => (dragged = event.detail.items)}
    onfinalize={(event: CustomEvent<DndEvent<Item>>) => {
      dragged = null;
      opened.setItems(event.detail.items);
    }}
  >
    {#each items as one, i (one.id)}
      {@const title = opened.titleOf(one)}
      {@const fit = opened.look?.fits[one.id]}
      {@const dated = opened.look?.dated[one.id]}
      {@const shown = one.isOn && (dated?.isShown ?? true)}
      <div role="listitem" class="flex-none {tall ? '' : 'w-24'}">
        <button
          class="relative block w-full cursor-pointer"
          data-picture={one.id}
          aria-pressed={choosing.ids.has(one.id)}
          aria-label="{i + 1}: {title}{one.isOn ? '' : ', off'}{dated ? `, ${dated.words}` : ''}{fit &&
          fit.worst !== 'sharp'
            ? `, ${fit.worst}`
            : ''}"
          onclick={(event) => press(event, one.id)}
          onkeydown={(event) => keys(event, one.id)}
        >
          {#if fit && fit.worst !== 'sharp'}
            <span class="absolute top-1 left-1 rounded-[2px] bg-base-100 px-1"><Fit word={fit.worst} /></span>
          {/if}
          {#if one.asset === ''}
            <span
              class="grid h-16 w-full place-items-center overflow-hidden rounded-[3px] bg-base-300 p-1 {shown
                ? ''
                : 'opacity-35'} {choosing.ids.has(one.id) ? 'outline-2 outline-offset-1 outline-crop' : ''}"
              >{title}</span
            >
          {:else}
            <img
              src={proofOf(one.asset, 160)}
              alt=""
              class="h-16 w-full rounded-[3px] object-cover {shown ? '' : 'opacity-35'} {choosing.ids.has(one.id)
                ? 'outline-2 outline-offset-1 outline-crop'
                : ''}"
            />
          {/if}
        </button>
        <div class="flex items-center justify-between {follows ? 'hidden' : ''}">
          <button
            class="dk-button bare"
            aria-label="Move “{title}” earlier"
            disabled={i === 0}
            onclick={() => void move(one.id, i, -1)}><ArrowLeft size={14} /></button
          >
          <button
            class="dk-button bare"
            aria-label="Move “{title}” later"
            disabled={i === items.length - 1}
            onclick={() => void move(one.id, i, 1)}><ArrowRight size={14} /></button
          >
          <button
            class="dk-button bare"
            aria-label="Remove “{title}”"
            onclick={() => void takeOut(new Set([one.id]), one.id)}><X size={14} /></button
          >
        </div>
      </div>
    {/each}
  </div>
  <BoxDrawn {boxing} />
</div>
{#if tall && item}<div class="mt-2">
    {#key item.id}<ItemFields {opened} {item} {limits} />{/key}
  </div>{/if}
