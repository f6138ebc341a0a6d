<!-- A pass over pictures, one at a time, for their words; worked by keys alone. -->
<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { tick, untrack } from 'svelte';
  import { SvelteSet } from 'svelte/reactivity';
  import { proofOf, sentenceOf } from '$lib/api/client';
  import { onePicture, queryClient } from '$lib/api/queries';
  import FieldNote from '$lib/keeping/FieldNote.svelte';
  import KeptNote from '$lib/keeping/KeptNote.svelte';
  import { pictures } from '$lib/keeping/pictures';
  import Sheet from '$lib/ui/Sheet.svelte';
  import { wordLabels } from '$lib/model/wordLabels';
  import { count, markWords } from '$lib/model/words';

  let { open = $bindable(), ids }: { open: boolean; ids: readonly string[] } = $props();
  type Name = 'title' | 'alt' | 'caption' | 'credit' | 'folder';
  const fields: { name: Name; rows: number }[] = [
    { name: 'title', rows: 1 },
    { name: 'alt', rows: 2 },
    { name: 'caption', rows: 2 },
    { name: 'credit', rows: 1 },
    { name: 'folder', rows: 1 },
  ];
  let round = $state.raw<readonly string[]>([]);
  let at = $state(0);
  const changed = new SvelteSet<string>();
  let problem = $state('');
  const detail = createQuery(() => ({ ...onePicture(round[at] ?? ''), enabled: open && at < round.length }));
  const item = $derived(detail.data?.file);
  const words = $derived(pictures.of(round[at] ?? ''));
  const stands = $derived(detail.data?.standsIn ?? []);

  // The round keeps to the pictures it began with, though their marks go as they are mended.
  $effect(() => {
    if (!open) return void untrack(() => words.leaveAll());
    untrack(() => {
      round = ids;
      [at, problem] = [0, ''];
      changed.clear();
      unsaved.clear();
      void focusFirst();
    });
  });

  const failed = (error: unknown) => void (problem = sentenceOf(error));

  async function focusFirst() {
    const id = round[at];
    if (!id) return;
    // The next is here before it is asked for.
    if (round[at + 1]) void queryClient.prefetchQuery(onePicture(round[at + 1]!));
    // What is known already takes the caret at once: later it would move away under somebody's typing.
    const { queryKey, queryFn } = onePicture(id);
    const known = queryClient.getQueryData<Awaited<ReturnType<typeof queryFn>>>(queryKey);
    const there = known ?? (await queryClient.fetchQuery({ queryKey, queryFn }).catch(failed));
    await tick();
    if (!there || round[at] !== id) return;
    const { marks, words: has } = there.file;
    // Where the work is: a title that is only the camera's, else the first field that is still empty.
    const needs = (name: Name) => (name === 'title' ? marks.includes('fileNameAsTitle') : !has[name]);
    const first = fields.find((field) => needs(field.name)) ?? fields[0]!;
    const field = document.getElementById(`round-${first.name}`) as HTMLInputElement | null;
    field?.focus();
    field?.select();
  }

  /** Pictures that one has gone on from, and of which something is not saved. */
  const unsaved = new SvelteSet<string>();

  /** On at once, so that what is typed next is the next one's; where something was not saved, a way back to it stands. */
  async function go(by: 1 | -1) {
    if (!item) return;
    const [from, left] = [round[at]!, words];
    const isLast = at + by >= round.length;
    if (!isLast) {
      at = Math.max(0, at + by);
      void focusFirst();
    }
    await left.leaveAll();
    const isOpen = !['', 'kept', 'offline'].includes(left.state);
    if (isOpen && !isLast) unsaved.add(from);
    else if (!isOpen) unsaved.delete(from);
    if (isLast && !isOpen && unsaved.size === 0) open = false;
    else if (isLast && !isOpen) back();
  }

  /** To the first of those that are not saved: not by itself, where somebody types on. */
  function back() {
    const [id] = unsaved;
    if (!id) return;
    unsaved.delete(id);
    at = round.indexOf(id);
    void focusFirst();
  }

  function type(name: Name, text: string) {
    if (item?.id !== words.id) return;
    changed.add(item.id);
    words.type(item, name, text);
  }

  function keys(event: KeyboardEvent) {
    if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) {
      event.preventDefault();
      void go(event.shiftKey ? -1 : 1);
    } else if (event.key === 'ArrowUp' && event.altKey && item?.suggestedTitle) {
      event.preventDefault();
      type('title', item.suggestedTitle);
    }
  }
</script>

<Sheet bind:open title="Words round">
  {#if item}
    <div class="flex gap-5" role="presentation" onkeydown={keys}>
      <div class="w-56 flex-none">
        <img src={proofOf(item.picture, 640)} alt="" class="max-h-72 w-full object-contain object-top" />
        <p class="mt-2 truncate text-quiet">{item.fileName}</p>
        <p class="text-soft">{item.marks.map((mark) => markWords[mark]).join(' · ')}</p>
        {#if item.words.folder}<p class="truncate text-quiet">In the folder {item.words.folder}</p>{/if}
        {#if item.words.description}<p class="mt-1 line-clamp-3 text-quiet">
            Came with: “{item.words.description}”
          </p>{/if}
        {#each stands.slice(0, 2) as place, i (i)}
          <p class="mt-1 line-clamp-4">
            <span class="text-quiet">On {place.pageTitle}{place.beside ? ', beside:' : ''}</span>
            {#if place.beside}“{place.beside}”{/if}
          </p>
        {/each}
      </div>
      <div class="min-w-0 flex-1">
        {#each fields as field (field.name)}
          <label class="dk-label mt-1" for="round-{field.name}">{wordLabels[field.name]}</label>
          {#if field.rows === 1}
            <input
              id="round-{field.name}"
              class="dk-field"
              autocomplete="off"
              value={words.value(item, field.name)}
              oninput={(event) => type(field.name, event.currentTarget.value)}
              onblur={() => void words.leave(field.name)}
            />
          {:else}
            <textarea
              id="round-{field.name}"
              class="dk-field resize-none"
              rows={field.rows}
              value={words.value(item, field.name)}
              oninput={(event) => type(field.name, event.currentTarget.value)}
              onblur={() => void words.leave(field.name)}></textarea>
          {/if}
          <FieldNote fields={words} field={field.name} />
          {#if field.name === 'title' && item.suggestedTitle && item.suggestedTitle !== words.value(item, 'title')}
            <p>
              <span class="text-quiet">Perhaps</span> “{item.suggestedTitle}”
              <button class="dk-link" onclick={() => type('title', item.suggestedTitle)}>use it</button>
              <kbd class="dk-key">Alt ↑</kbd>
            </p>
          {/if}
        {/each}
        <div class="mt-2"><KeptNote fields={words} /></div>
        {#if problem}<p class="dk-problem mt-2" role="alert">{problem}</p>{/if}
        {#if unsaved.size > 0}
          <p class="dk-problem mt-2" role="alert">
            Something of {count(unsaved.size, 'picture')} before could not be saved.
            <button class="dk-link" onclick={back}>Back to it</button>
          </p>
        {/if}
      </div>
    </div>
  {/if}
  {#snippet foot()}
    <p class="dk-tabular mr-auto text-quiet" role="status">
      {at + 1} of {round.length}, {count(changed.size, 'picture')} changed
    </p>
    <button class="dk-button" disabled={at === 0} onclick={() => go(-1)}>Back <kbd class="dk-key">Ctrl ⇧ ↵</kbd></button
    >
    <button class="dk-button main" onclick={() => go(1)}
      >{at + 1 === round.length ? 'Save and close' : 'Save and next'} · Ctrl ↵</button
    >
  {/snippet}
</Sheet>
