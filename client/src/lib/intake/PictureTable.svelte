<!-- Every picture that could be taken, asked for its words in one table. -->
<script lang="ts">
  import { proofOf, type Schemas } from '$lib/api/client';
  import { markWords, weight } from '$lib/model/words';
  import { wordLabels, type WordName } from '$lib/model/wordLabels';
  import type { Proposal } from './intake.svelte';

  type Typed = Record<string, Partial<Record<WordName, string>>>;
  let {
    read,
    typed = $bindable(),
    without = $bindable(),
  }: { read: Proposal; typed: Typed; without: Set<string> } = $props();

  const columns = [
    { name: 'title', width: '24%' },
    { name: 'alt', width: '36%' },
    { name: 'credit', width: '14%' },
  ] as const;
  const saysNothing = (file: Schemas['FileItem']) => file.marks.includes('fileNameAsTitle');

  function valueOf(file: Schemas['FileItem'], name: (typeof columns)[number]['name']) {
    return typed[file.id]?.[name] ?? (name === 'title' && saysNothing(file) ? '' : file.words[name]);
  }
  function set(id: string, name: WordName, value: string) {
    typed[id] = { ...typed[id], [name]: value };
  }
  function turn(id: string) {
    without = new Set(without.has(id) ? [...without].filter((one) => one !== id) : [...without, id]);
  }
</script>

<table class="w-full table-fixed border-collapse">
  <caption class="sr-only">Pictures to take into the library</caption>
  <thead class="sticky top-0 z-10 bg-base-200 text-left text-quiet">
    <tr>
      <th class="w-14 py-1.5 pl-5 font-normal">Take</th>
      <th class="w-28 font-normal">Picture</th>
      {#each columns as column (column.name)}<th class="font-normal" style:width={column.width}
          >{wordLabels[column.name]}</th
        >{/each}
      <th class="font-normal">File</th>
    </tr>
  </thead>
  <tbody>
    {#each read.pictures as { file, inLibrary, note } (file.id)}
      {@const called = file.words.title || file.fileName}
      <tr class="border-t border-hair align-top">
        <td class="py-2 pl-5">
          <input
            type="checkbox"
            class="size-6 accent-neutral"
            checked={!without.has(file.id)}
            aria-label="Take {called}"
            onchange={() => turn(file.id)}
          />
        </td>
        <td class="py-2">
          <img src={proofOf(file.picture, 160)} alt="" class="h-14 max-w-24 object-contain object-left" />
        </td>
        {#each columns as column (column.name)}
          <td class="py-2 pr-3">
            {#if inLibrary}
              <p class="py-1" class:text-quiet={file.words[column.name] === ''}>{file.words[column.name] || '–'}</p>
            {:else if column.name === 'alt'}
              <textarea
                class="dk-field resize-none"
                rows="2"
                aria-label="{wordLabels[column.name]} of {called}"
                placeholder="What it shows, for those who cannot see it"
                disabled={without.has(file.id)}
                value={valueOf(file, column.name)}
                oninput={(event) => set(file.id, column.name, event.currentTarget.value)}></textarea>
            {:else}
              <input
                class="dk-field"
                aria-label="{wordLabels[column.name]} of {called}"
                placeholder={column.name === 'title' && saysNothing(file) ? `not ${file.words.title}, but …` : ''}
                disabled={without.has(file.id)}
                value={valueOf(file, column.name)}
                oninput={(event) => set(file.id, column.name, event.currentTarget.value)}
              />
            {/if}
          </td>
        {/each}
        <td class="py-2 pr-5">
          <p class="truncate" title={file.fileName}>{file.fileName}</p>
          <p class="dk-tabular text-quiet">{file.width} × {file.height} · {weight(file.bytes)}</p>
          {#if inLibrary}<p class="text-soft">in the library already, under these words</p>
          {:else if file.marks.includes('soft')}<p class="text-soft">{markWords.soft}</p>{/if}
          {#if note}<p class="text-soft">{note}</p>{/if}
        </td>
      </tr>
    {/each}
  </tbody>
</table>
