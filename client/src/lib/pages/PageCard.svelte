<!-- A page as it stands: its first screen drawn small, its state, what is to be mended, and its switch. -->
<script lang="ts">
  import { DropdownMenu } from 'bits-ui';
  import ChevronDown from '@lucide/svelte/icons/chevron-down';
  import Bell from '@lucide/svelte/icons/triangle-alert';
  import Grip from '@lucide/svelte/icons/grip-vertical';
  import type { PageItem } from '$lib/api/client';
  import { count } from '$lib/model/words';

  let {
    item,
    isPictured,
    first,
    last,
    onmove,
    onfirst,
    onswitch,
    ondate,
    oncopy,
    ontakeaway,
  }: {
    item: PageItem;
    isPictured: boolean;
    first: boolean;
    last: boolean;
    onmove: (by: -1 | 1) => void;
    onfirst: () => void;
    onswitch: (on: boolean) => void;
    ondate: (date: string) => void;
    oncopy: () => void;
    ontakeaway: () => void;
  } = $props();

  const words: Record<string, string> = {
    off: 'switched off',
    draft: 'draft, not public yet',
    changed: 'changed since it was published',
    published: 'published',
  };
</script>

<article aria-label={item.title} class="flex h-full w-[268px] flex-col">
  <a
    href="/pages/{item.id}"
    draggable="false"
    aria-label="Open {item.title} on the desk"
    class="page-view block overflow-hidden border border-hair bg-base-100"
    class:opacity-55={!item.isOn}
  >
    {#if isPictured}
      <iframe
        src="/proof/{item.id}?desk&v={encodeURIComponent(item.changedAt)}"
        title=""
        loading="lazy"
        tabindex="-1"
        aria-hidden="true"
        scrolling="no"
      ></iframe>
    {/if}
  </a>
  <div class="mt-2 flex items-start gap-1">
    <span class="-ml-1 cursor-grab py-0.5 text-quiet" aria-hidden="true"><Grip size={15} /></span>
    <div class="min-w-0 flex-1">
      <h3 class="truncate text-read"><a href="/pages/{item.id}" draggable="false">{item.title}</a></h3>
      <p class="truncate text-quiet">{item.path === '' ? 'the front page' : `/${item.path}`}</p>
      {#if item.kind === 'post'}
        <input
          type="date"
          class="dk-field my-1 w-36!"
          aria-label="Date of {item.title}"
          value={item.date ?? ''}
          onchange={(event) => {
            // A day that is half typed is none, and takes none away.
            if (!event.currentTarget.validity.badInput) ondate(event.currentTarget.value);
          }}
        />
      {/if}
      <p class={item.state === 'changed' || item.state === 'draft' ? 'text-soft' : 'text-quiet'}>{words[item.state]}</p>
      {#if item.notices > 0}
        <p class="flex items-center gap-1.5 text-coarse"><Bell size={13} />{count(item.notices, 'thing')} to mend</p>
      {/if}
    </div>
  </div>
  <div class="mt-auto flex gap-1.5 pt-1.5">
    <button class="dk-button" disabled={first} onclick={() => onmove(-1)} aria-label="Move {item.title} earlier"
      >Earlier</button
    >
    <button class="dk-button" disabled={last} onclick={() => onmove(1)} aria-label="Move {item.title} later"
      >Later</button
    >
    <DropdownMenu.Root>
      <DropdownMenu.Trigger class="dk-button ml-auto" aria-label="More for {item.title}"
        >More<ChevronDown size={14} /></DropdownMenu.Trigger
      >
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          class="z-30 min-w-44 rounded-[4px] border border-hair bg-base-100 py-1 text-base-content shadow-(--dk-float)"
          sideOffset={4}
          align="end"
        >
          {#if !first}
            <DropdownMenu.Item class="dk-item" onSelect={onfirst}>Move to the beginning</DropdownMenu.Item>
          {/if}
          <DropdownMenu.Item class="dk-item" onSelect={oncopy}>Duplicate</DropdownMenu.Item>
          {#if item.path !== ''}
            <DropdownMenu.Item class="dk-item" onSelect={() => onswitch(!item.isOn)}
              >{item.isOn ? 'Switch off' : 'Switch on'}</DropdownMenu.Item
            >
            <DropdownMenu.Item class="dk-item" onSelect={ontakeaway}>Remove</DropdownMenu.Item>
          {/if}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  </div>
</article>

<style>
  .page-view {
    height: 168px;
  }
  iframe {
    width: 1280px;
    height: 804px;
    border: 0;
    pointer-events: none;
    transform: scale(0.209);
    transform-origin: 0 0;
  }
</style>
