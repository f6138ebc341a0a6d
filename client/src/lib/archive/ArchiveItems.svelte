<!-- What a search of an archive finds, as pictures or as a list of all their fields; several are chosen. -->
<script lang="ts">
  import { SvelteSet } from 'svelte/reactivity';
  import { letGo } from '$lib/ui/letGo';
  import type { ArchiveLine } from './archive.svelte';

  let {
    items,
    address,
    asList,
    chosen,
    heightPx,
    searching,
  }: {
    items: ArchiveLine[];
    address: string;
    asList: boolean;
    chosen: SvelteSet<number>;
    heightPx: number;
    searching: boolean;
  } = $props();
  let last = $state<number | null>(null);
  const pictureOf = (index: number) => `/api/archive/picture?${new URLSearchParams({ address, item: String(index) })}`;

  /** What is searched for goes before pictures that it may leave out: those still on their way are let go meanwhile. */
  const there = new SvelteSet<string>();
  const sourceOf = (picture: string) => (searching && !there.has(picture) ? undefined : picture);

  /** Wide enough for the words of a narrow one. */
  const leastPx = 92;
  const widthOf = ({ width, height }: ArchiveLine) => Math.round(heightPx * (width > 0 ? width / height : 1));

  function choose(index: number, event: MouseEvent) {
    const at = items.findIndex((item) => item.index === index);
    const from = items.findIndex((item) => item.index === last);
    if (event.shiftKey && from >= 0)
      items.slice(Math.min(at, from), Math.max(at, from) + 1).forEach((item) => chosen.add(item.index));
    else if (!chosen.delete(index)) chosen.add(index);
    last = index;
  }
</script>

{#if asList}
  <table class="w-full border-collapse">
    <thead class="sticky top-0 bg-base-200 text-left text-quiet">
      <tr>
        <th class="py-1.5 pl-5 font-normal">Take</th>
        <th class="font-normal">Label</th>
        {#each items[0]?.fields ?? [] as field (field.label)}<th class="font-normal">{field.label}</th>{/each}
        <th class="font-normal">px</th>
      </tr>
    </thead>
    <tbody>
      {#each items as item (item.index)}
        <tr class="border-t border-hair" class:bg-wash={chosen.has(item.index)}>
          <td class="py-1.5 pl-5">
            <input
              type="checkbox"
              class="size-6 accent-neutral"
              checked={chosen.has(item.index)}
              aria-label="Take {item.label}"
              onclick={(event) => choose(item.index, event)}
            />
          </td>
          <td class="pr-3">{item.label}</td>
          {#each items[0]?.fields ?? [] as { label } (label)}
            <td class="dk-tabular pr-3 text-quiet">{item.fields.find((field) => field.label === label)?.value ?? ''}</td
            >
          {/each}
          <td class="dk-tabular pr-5 text-quiet">{item.width > 0 ? `${item.width} × ${item.height}` : ''}</td>
        </tr>
      {/each}
    </tbody>
  </table>
{:else}
  <ul class="flex flex-wrap gap-x-8 gap-y-6 p-5" aria-label="The archive’s pictures">
    {#each items as item (item.index)}
      <li class="flex-none" style:width="{Math.max(leastPx, widthOf(item))}px">
        <button
          class="block w-full cursor-pointer text-left"
          aria-pressed={chosen.has(item.index)}
          onclick={(event) => choose(item.index, event)}
        >
          <span class="block" class:dk-crop={chosen.has(item.index)} style:width="{widthOf(item)}px">
            <img
              src={sourceOf(pictureOf(item.index))}
              {@attach letGo}
              onload={() => there.add(pictureOf(item.index))}
              alt=""
              loading="lazy"
              class="block w-full bg-base-300 object-cover"
              style:height="{heightPx}px"
            />
          </span>
          <span class="mt-2 line-clamp-2" title={item.summary}>{item.label}</span>
          <span class="dk-tabular block truncate text-quiet">
            {item.fields
              .slice(0, 2)
              .map((field) => field.value)
              .join(', ')}
          </span>
        </button>
      </li>
    {/each}
  </ul>
{/if}
