<!-- The thin line between two pieces, with its plus and the list of what can stand there. -->
<script lang="ts">
  import { DropdownMenu } from 'bits-ui';
  import Plus from '@lucide/svelte/icons/plus';
  import { untrack } from 'svelte';
  import type { Desk, Gap } from './desk.svelte';
  import { slotAt } from './geometry';

  let {
    desk,
    scale,
    gap,
    dropping,
    asked,
    onover,
  }: {
    desk: Desk;
    scale: number;
    gap: Gap & { y: number };
    dropping: boolean;
    asked: boolean;
    onover: (over: boolean) => void;
  } = $props();

  let open = $state(untrack(() => asked));
  let picker = $state<HTMLInputElement>();
  let togetherPicker = $state<HTMLInputElement>();
  let waiting = $state.raw<Gap | null>(null);
  const column = $derived(slotAt(desk.site.column, desk.width));
  const kinds = [
    ['Text', 'paragraph'],
    ['Heading', 'heading'],
    ['List', 'bulletList'],
    ['Quote', 'blockquote'],
    ['Rule', 'horizontalRule'],
    ['Button', 'button'],
    ['Place for a picture', 'figure'],
    ['Table of files', 'files'],
    ['Arrangement', 'arrangement'],
    ['Columns', 'columns'],
    ['Band', 'band'],
  ] as const;

  function fromLibrary() {
    desk.endSwap(null);
    desk.gap = { after: gap.after, inside: gap.inside };
    desk.drawerOpen = true;
  }
</script>

<div
  class="absolute h-0"
  style:top="{gap.y * scale}px"
  style:left="{((desk.width - column) / 2) * scale}px"
  style:width="{column * scale}px"
>
  <div class="absolute inset-x-0 -top-px h-0.5 {dropping ? 'bg-crop' : 'bg-base-content'}"></div>
  {#if !dropping}
    <DropdownMenu.Root
      bind:open
      onOpenChange={(now) => {
        if (!now && !desk.drawerOpen) desk.gap = null;
        if (!now) onover(false);
      }}
    >
      <DropdownMenu.Trigger
        class="pointer-events-auto absolute -top-3 left-1/2 grid size-6 -translate-x-1/2 cursor-pointer place-items-center rounded-full bg-neutral text-neutral-content"
        aria-label="Add here"
        onpointerenter={() => onover(true)}
        onpointerleave={() => open || onover(false)}
      >
        <Plus size={15} />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          sideOffset={6}
          onOpenAutoFocus={(event) => {
            // From a key inside the frame the focus has a document to leave first.
            event.preventDefault();
            requestAnimationFrame(() => document.querySelector<HTMLElement>('.dk-item')?.focus());
          }}
          class="z-30 min-w-52 rounded-[4px] border border-hair bg-base-100 py-1 text-base-content shadow-(--dk-float)"
        >
          <DropdownMenu.Item class="dk-item" onSelect={fromLibrary}>Picture from the library</DropdownMenu.Item>
          <DropdownMenu.Item class="dk-item" onSelect={() => ((waiting = gap), picker?.click())}
            >Picture from this computer</DropdownMenu.Item
          >
          <DropdownMenu.Item class="dk-item" onSelect={() => ((waiting = gap), togetherPicker?.click())}
            >Gallery of pictures from this computer</DropdownMenu.Item
          >
          <DropdownMenu.Item
            class="dk-item"
            onSelect={() => (desk.addingVideo = { after: gap.after, inside: gap.inside })}>Video</DropdownMenu.Item
          >
          <DropdownMenu.Separator class="my-1 border-t border-hair" />
          {#each kinds.filter(([, kind]) => kind !== 'band' || !desk.isInBand(gap)) as [name, kind] (kind)}
            <DropdownMenu.Item class="dk-item" onSelect={() => desk.insert(kind, gap)}>{name}</DropdownMenu.Item>
          {/each}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  {/if}
</div>
<input
  bind:this={picker}
  type="file"
  multiple
  hidden
  aria-label="Pictures to place"
  onchange={(event) => void desk.placeFiles([...(event.currentTarget.files ?? [])], waiting ?? gap)}
/>
<input
  bind:this={togetherPicker}
  type="file"
  multiple
  hidden
  aria-label="Pictures for a gallery"
  onchange={(event) => void desk.placeFilesTogether([...(event.currentTarget.files ?? [])], undefined, waiting ?? gap)}
/>
