<!-- The thin line between two pieces, with its plus and the list of what can stand there. -->
<script lang="ts">
  import { DropdownMenu } from 'bits-ui';
  import Plus from '@lucide/svelte/icons/plus';
  import { untrack } from 'svelte';
  import type { Desk } from './desk.svelte';
  import type { Gap } from './editor/commands';
  import { kinds, type InsertedKind } from './editor/nodes';
  import { slotAt } from './geometry';
  import { pickFiles } from '$lib/ui/pickFiles';

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
  const column = $derived(slotAt(desk.site.column, desk.width));
  const offered = Object.entries(kinds) as [InsertedKind, { name: string }][];

  /** The list closes, and this line goes with it, long before a person has chosen: nothing here may be asked for then. */
  async function fromComputer(place: (files: File[], gap: Gap) => Promise<unknown>) {
    const at = { after: gap.after, inside: gap.inside };
    const files = await pickFiles();
    if (files.length > 0) await place(files, at);
  }

  function fromLibrary() {
    desk.trial.end(null);
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
        class={[
          'pointer-events-auto absolute -top-3 left-1/2 grid size-6 -translate-x-1/2 cursor-pointer place-items-center',
          'rounded-full bg-neutral text-neutral-content',
        ]}
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
          onCloseAutoFocus={(event) => {
            // The line with its plus is gone by then: the caret stands in what was added, or where it stood before.
            event.preventDefault();
            if (document.activeElement === document.body) desk.editor?.view.focus();
          }}
          class="z-30 min-w-52 rounded-[4px] border border-hair bg-base-100 py-1 text-base-content shadow-(--dk-float)"
        >
          <DropdownMenu.Item class="dk-item" onSelect={fromLibrary}>Picture from the library</DropdownMenu.Item>
          <DropdownMenu.Item
            class="dk-item"
            onSelect={() => void fromComputer((files, at) => desk.media.placeFiles(files, at))}
            >Picture from this computer</DropdownMenu.Item
          >
          <DropdownMenu.Item
            class="dk-item"
            onSelect={() => void fromComputer((files, at) => desk.media.placeFilesTogether(files, undefined, at))}
            >Gallery of pictures from this computer</DropdownMenu.Item
          >
          <DropdownMenu.Item
            class="dk-item"
            onSelect={() => (desk.media.addingVideo = { after: gap.after, inside: gap.inside })}
            >Video</DropdownMenu.Item
          >
          <DropdownMenu.Separator class="my-1 border-t border-hair" />
          {#each offered.filter(([kind]) => kind !== 'band' || !desk.moves.isInBand(gap)) as [kind, { name }] (kind)}
            <DropdownMenu.Item class="dk-item" onSelect={() => desk.moves.insert(kind, gap)}>{name}</DropdownMenu.Item>
          {/each}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  {/if}
</div>
