<!-- Two pictures that look the same, beside one another at one scale, with all in which they differ. -->
<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { answer, api, sentenceOf, type FileItem, type Schemas } from '$lib/api/client';
  import Sheet from '$lib/ui/Sheet.svelte';
  import { count, dayOf, weight } from '$lib/model/words';

  let {
    open = $bindable(),
    file,
    other,
    onkeep,
    onpart,
  }: {
    open: boolean;
    file: FileItem;
    other: FileItem;
    onkeep: (stays: FileItem) => void;
    onpart: () => void;
  } = $props();
  const pair = createQuery(() => ({
    queryKey: ['files', 'twins', file.id, other.id],
    queryFn: () =>
      answer(api.GET('/api/files/{id}/twins/{other}', { params: { path: { id: file.id, other: other.id } } })),
    enabled: open,
    retry: false,
  }));
  const words: Record<Schemas['TwinDifference'], string> = {
    mirrored: 'left and right are exchanged',
    cut: 'something at its edges is missing',
    lighter: 'it is lighter',
    darker: 'it is darker',
    tinted: 'its colours lean another way',
  };
  const told = $derived((pair.data?.otherwise ?? []).map((one) => words[one]));
  /** So much higher than wide that what is told of both stays in view. */
  const mostTall = 1.05;
  const tall = ({ width, height }: FileItem) => height / width;
  /** Both in the room that is there, the same at the same scale. */
  const scale = $derived(pair.data?.scale ?? 1);
  const wide = $derived(Math.min(1 / Math.max(1, scale), mostTall / Math.max(tall(file), tall(other) * scale)));
  const both = $derived([
    { one: pair.data?.file ?? file, width: wide, name: 'The open one' },
    { one: pair.data?.other ?? other, width: wide * scale, name: 'The other' },
  ]);
  const rows: [string, (one: FileItem) => string][] = [
    ['px', (one) => `${one.width} × ${one.height}`],
    ['File', (one) => `${one.format.toUpperCase()}, ${weight(one.bytes)}`],
    ['Added', (one) => dayOf(one.addedAt) + (one.addedBy ? ` by ${one.addedBy}` : '')],
    ['Alt text', (one) => one.words.alt || 'none'],
    ['Credit', (one) => one.words.credit || 'none'],
    ['Stands in', (one) => count(one.places, 'place')],
  ];
  function then(act: () => void) {
    open = false;
    act();
  }
</script>

<Sheet bind:open title="Is this the same picture?" wide>
  {#if pair.error}
    <p class="dk-problem" role="alert">{sentenceOf(pair.error)}</p>
  {:else if pair.data}
    <div class="grid grid-cols-3 items-start gap-4">
      {#each both as { one, width, name } (one.id)}
        <figure>
          <img src="/api/files/{one.id}/original" alt={name} style:width="{100 * width}%" />
          <figcaption class="mt-1"><span class="text-quiet">{name}.</span> {one.words.title}</figcaption>
        </figure>
      {/each}
      <figure>
        <img
          src="/api/files/{file.id}/twins/{other.id}/difference"
          alt="Where they differ"
          style:width="{100 * wide * Math.min(1, scale)}%"
        />
        <figcaption class="mt-1">
          <span class="text-quiet">Red where they differ beside their tones.</span>
          {told.length > 0 ? `The other: ${told.join(', ')}.` : 'Nothing that could be seen.'}
        </figcaption>
      </figure>
    </div>
    <table class="mt-3 w-full border-collapse">
      <tbody>
        {#each rows as [label, of] (label)}
          {@const [a, b] = [of(both[0]!.one), of(both[1]!.one)]}
          <tr class="border-t border-hair">
            <th class="w-24 py-1 pr-2 text-left font-normal text-quiet">{label}</th>
            <td class="dk-tabular pr-2" class:font-semibold={a !== b}>{a}</td>
            <td class="dk-tabular" class:font-semibold={a !== b}>{b}</td>
          </tr>
        {/each}
      </tbody>
    </table>
    <p class="mt-3 text-quiet">
      All places of both then show the one that is kept; the other is removed and waits 30 days.
    </p>
  {:else}<p class="text-quiet" role="status">Comparing …</p>{/if}
  {#snippet foot()}
    <button class="dk-button" onclick={() => then(onpart)}>Not the same picture</button>
    <span class="flex-1"></span>
    <button class="dk-button" onclick={() => then(() => onkeep(other))}>Keep the other</button>
    <button class="dk-button main" onclick={() => then(() => onkeep(file))}>Keep the open one</button>
  {/snippet}
</Sheet>
