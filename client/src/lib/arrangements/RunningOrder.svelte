<!-- The pictures of an arrangement in their order: dragged or moved by button, switched off, taken out, with their words. -->
<script lang="ts">
  import ArrowLeft from '@lucide/svelte/icons/arrow-left';
  import ArrowRight from '@lucide/svelte/icons/arrow-right';
  import X from '@lucide/svelte/icons/x';
  import { dndzone, type DndEvent } from 'svelte-dnd-action';
  import { proofOf } from '$lib/api/client';
  import type { Item, Opened } from './opened.svelte';

  let { opened, tall = false }: { opened: Opened; tall?: boolean } = $props();
  /** While one is dragged, the order is only shown. */
  let dragged = $state.raw<Item[] | null>(null);
  const items = $derived(dragged ?? opened.wish!.items);
  /** One that follows a search line has the library's order. */
  const follows = $derived(Boolean(opened.wish!.follows));
  let chosen = $state<string | null>(null);
  const item = $derived(opened.wish!.items.find((one) => one.id === chosen));
  const without = (id: string) => opened.setItems(opened.wish!.items.filter((one) => one.id !== id));
</script>

<div
  class={tall ? 'grid grid-cols-3 gap-2' : 'flex gap-2 overflow-x-auto p-1'}
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
    <div role="listitem" class="flex-none {tall ? '' : 'w-24'}">
      <button
        class="block w-full cursor-pointer"
        aria-pressed={chosen === one.id}
        aria-label="{i + 1}: {title}{one.isOn ? '' : ', off'}"
        onclick={() => (chosen = chosen === one.id ? null : one.id)}
      >
        <img
          src={proofOf(one.asset, 160)}
          alt=""
          class="h-16 w-full rounded-[3px] object-cover {one.isOn ? '' : 'opacity-35'} {chosen === one.id
            ? 'outline-2 outline-offset-1 outline-crop'
            : ''}"
        />
      </button>
      <div class="flex items-center justify-between {follows ? 'hidden' : ''}">
        <button
          class="dk-button bare"
          aria-label="Move “{title}” earlier"
          disabled={i === 0}
          onclick={() => opened.move(i, -1)}><ArrowLeft size={14} /></button
        >
        <button
          class="dk-button bare"
          aria-label="Move “{title}” later"
          disabled={i === items.length - 1}
          onclick={() => opened.move(i, 1)}><ArrowRight size={14} /></button
        >
        <button class="dk-button bare" aria-label="Take “{title}” out" onclick={() => without(one.id)}
          ><X size={14} /></button
        >
      </div>
    </div>
  {/each}
</div>
{#if item}
  <div class="mt-2 grid gap-2 {tall ? '' : 'grid-cols-[1fr_1fr_auto]'}">
    <label class="dk-label"
      >Alt text<input
        class="dk-field"
        value={item.alt ?? ''}
        placeholder="as in the library"
        onchange={(event) => opened.setItem(item.id, { alt: event.currentTarget.value.trim() || null })}
      /></label
    >
    <label class="dk-label"
      >Caption<input
        class="dk-field"
        value={item.captionSource === 'own' ? item.caption : ''}
        placeholder="as for the whole set"
        onchange={(event) => {
          const caption = event.currentTarget.value.trim();
          opened.setItem(item.id, { caption, captionSource: caption ? 'own' : null });
        }}
      /></label
    >
    <label class="flex min-h-6 items-center gap-1.5 self-end pb-2">
      <input
        type="checkbox"
        role="switch"
        class="toggle toggle-sm"
        checked={item.isOn}
        onchange={(event) => opened.setItem(item.id, { isOn: event.currentTarget.checked })}
      />shown
    </label>
  </div>
{/if}
