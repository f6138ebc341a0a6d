<!-- One picture's sheet: its words, where it stands, and what must stay in view. What is typed keeps itself. -->
<script lang="ts">
  import { placeHref } from '$lib/model/places';
  import { createQuery } from '@tanstack/svelte-query';
  import X from '@lucide/svelte/icons/x';
  import { answer, api, sentenceOf } from '$lib/api/client';
  import { onePicture, ownColumns, queryClient } from '$lib/api/queries';
  import Group from '$lib/ui/Group.svelte';
  import { steady } from '$lib/ui/steady';
  import HandedOver from '$lib/archive/HandedOver.svelte';
  import LooksSame from './LooksSame.svelte';
  import SwapSheet from './SwapSheet.svelte';
  import FieldNote from '$lib/keeping/FieldNote.svelte';
  import KeptNote from '$lib/keeping/KeptNote.svelte';
  import { ownField, pictures } from '$lib/keeping/pictures';
  import KeepBox from '$lib/fields/KeepBox.svelte';
  import { wordLabels } from '$lib/model/wordLabels';
  import CopyAddress from '$lib/ui/CopyAddress.svelte';
  import OwnColumns from './OwnColumns.svelte';
  import { count, dayOf, markWords, weight, keepSaid, keepsMiddle } from '$lib/model/words';

  let {
    id,
    folders,
    onclose,
    onchoose,
  }: { id: string; folders: string[]; onclose: () => void; onchoose: (id: string) => void } = $props();

  const picture = createQuery(() => onePicture(id));
  const file = $derived(picture.data?.file);
  const fields = [
    { name: 'title', rows: 1 },
    { name: 'alt', rows: 2, hint: 'What the picture shows, for those who cannot see it.' },
    { name: 'caption', rows: 2 },
    { name: 'description', rows: 2 },
    { name: 'credit', rows: 1 },
    { name: 'rights', rows: 1 },
    { name: 'folder', rows: 1 },
    { name: 'keywords', rows: 1, hint: 'With commas between.' },
  ] as const;
  const own = createQuery(() => ownColumns());
  const words = $derived(pictures.of(id));
  let arranging = $state(false);
  let addressOpen = $state(false);
  let problem = $state('');
  let wordsOpen = $state(true);
  let keepOpen = $state(true);
  let standsOpen = $state(true);
  let swapping = $state(false);

  $effect(() => {
    void id;
    problem = '';
  });

  async function leaveOrReturn(path: '/api/files/away' | '/api/files/back') {
    problem = '';
    try {
      if (path === '/api/files/back') await answer(api.POST(path, { body: { ids: [id] } }));
      else {
        const taken = await answer(api.POST(path, { body: { ids: [id] } }));
        const stands = taken.standing[0];
        if (stands) problem = `It stands on ${stands.pages.join(', ')}: swap it there first, or take those places out.`;
      }
      await queryClient.invalidateQueries({ queryKey: ['files'] });
    } catch (error) {
      problem = sentenceOf(error);
    }
  }
</script>

<aside aria-label="Picture" class="flex w-[296px] flex-none flex-col overflow-y-auto border-l border-hair bg-base-100">
  {#if picture.error}
    <p class="dk-problem p-4" role="alert">{sentenceOf(picture.error)}</p>
  {:else if file}
    <div class="flex items-start gap-2 border-b border-hair py-3 pr-2 pl-4">
      <div class="min-w-0 flex-1" {@attach steady}>
        <h2 class="truncate text-read font-semibold">{file.words.title}</h2>
        <p class="dk-tabular text-quiet">
          {file.width} × {file.height} · {file.format.toUpperCase()} · {weight(file.bytes)}{file.takenOn
            ? ` · ${dayOf(file.takenOn)}`
            : ''}
        </p>
        {#if file.marks.length > 0}<p class="text-soft">{file.marks.map((mark) => markWords[mark]).join(' · ')}</p>{/if}
        <p class="truncate text-quiet" title={file.fileName}>{file.fileName}</p>
        {#if file.addedBy}<p class="truncate text-quiet">Added by {file.addedBy}, {dayOf(file.addedAt)}</p>{/if}
        {#if file.words.source}<p class="truncate text-quiet" title={file.words.source}>{file.words.source}</p>{/if}
      </div>
      <button class="dk-button bare" onclick={onclose} aria-label="Close the picture's sheet"><X size={16} /></button>
    </div>
    <Group name="Keep area" value={keepSaid(file.keep)} bind:open={keepOpen}>
      <KeepBox
        picture={file.picture}
        shape={file.width / file.height}
        keep={words.value(file, 'keep')}
        onchange={(box) => words.move(file, 'keep', box)}
      />
      <FieldNote fields={words} field="keep" />
      <a class="dk-button mt-2" href="/library/room/{id}">Open in the room<span class="dk-key">F</span></a>
      <p class="mt-2 text-quiet">
        {words.value(file, 'keep')
          ? 'No cut anywhere loses what is in the box, where its shape can hold it.'
          : keepsMiddle}
      </p>
    </Group>
    <Group name="Words" value={file.words.title} bind:open={wordsOpen}>
      {#each fields as field (field.name)}
        <label class="dk-label mt-2" for="word-{field.name}">{wordLabels[field.name]}</label>
        {#if field.rows === 1}
          <input
            id="word-{field.name}"
            class="dk-field"
            list={field.name === 'folder' ? 'folders' : undefined}
            autocomplete="off"
            value={words.value(file, field.name)}
            oninput={(event) => words.type(file, field.name, event.currentTarget.value)}
            onblur={() => void words.leave(field.name)}
          />
        {:else}
          <textarea
            id="word-{field.name}"
            class="dk-field resize-none"
            rows={field.rows}
            value={words.value(file, field.name)}
            oninput={(event) => words.type(file, field.name, event.currentTarget.value)}
            onblur={() => void words.leave(field.name)}></textarea>
        {/if}
        <FieldNote fields={words} field={field.name} />
        {#if field.name === 'title' && file.marks.includes('fileNameAsTitle') && file.suggestedTitle}
          <p>
            <span class="text-quiet">Perhaps</span> “{file.suggestedTitle}”
            <button class="dk-link" onclick={() => void words.set(file, 'title', file.suggestedTitle)}>use it</button>
          </p>
        {:else if field.name === 'title' && file.marks.includes('fileNameAsTitle')}
          <p class="text-soft">This is the camera's name for the file: say what the picture shows.</p>
        {/if}
        {#if 'hint' in field}<p class="text-quiet">{field.hint}</p>{/if}
      {/each}
      {#each own.data?.columns ?? [] as name (name)}
        <label class="mt-2 block"
          ><span class="dk-label">{name}</span><input
            class="dk-field"
            autocomplete="off"
            value={words.value(file, ownField(name))}
            oninput={(event) => words.type(file, ownField(name), event.currentTarget.value)}
            onblur={() => void words.leave(ownField(name))}
          /></label
        >
        <FieldNote fields={words} field={ownField(name)} />
      {/each}
      <button class="dk-link mt-2" onclick={() => (arranging = true)}>Own columns</button>
      <datalist id="folders"
        >{#each folders as folder (folder)}<option value={folder}></option>{/each}</datalist
      >
      <div class="mt-1"><KeptNote fields={words} /></div>
    </Group>
    <Group name="Stands in" value={count(picture.data?.standsIn.length ?? 0, 'place')} bind:open={standsOpen}>
      {#each picture.data?.standsIn ?? [] as place, i (i)}
        <p>
          <a class="dk-link" href={placeHref(place.pageId, place.blockId)}>{place.pageTitle}</a>
          <span class="text-quiet">{place.size}{place.shape ? `, ${place.shape}` : ''}</span>
        </p>
      {:else}
        <p class="text-quiet">Nowhere yet: open a page and place it from the drawer.</p>
      {/each}
      {#if (picture.data?.standsIn.length ?? 0) > 0}
        <button class="dk-button mt-2" onclick={() => (swapping = true)}>Swap everywhere</button>
      {/if}
    </Group>
    <LooksSame {file} others={picture.data?.lookAlikes ?? []} before={() => words.now()} {onchoose} />
    <HandedOver {id} deposit={picture.data?.deposit} before={() => words.now()} />
    <Group name="Address" value={file.ownAddress ?? 'none of its own'} bind:open={addressOpen}>
      <label class="flex items-start gap-2">
        <input
          type="checkbox"
          class="mt-0.5 size-4 accent-neutral"
          checked={file.ownAddress !== null}
          onchange={(event) => void words.set(file, 'hasOwnAddress', event.currentTarget.checked)}
        />
        <span>On the public site even where no page shows it</span>
      </label>
      {#if file.ownAddress}
        <CopyAddress path={file.ownAddress} isPublic={true} />
        <p class="text-quiet">
          The version in use, whole and ready for the web, without its location. The address stays.
        </p>
      {/if}
    </Group>
    <div class="px-4 py-3">
      {#if file.awaySince}
        <p class="text-soft">
          Removed {dayOf(file.awaySince)}; it goes for good on {dayOf(file.goesOn ?? file.awaySince)}.
        </p>
        <button class="dk-button mt-2" onclick={() => void leaveOrReturn('/api/files/back')}>Restore</button>
      {:else}
        <button class="dk-button" onclick={() => void leaveOrReturn('/api/files/away')}>Remove</button>
      {/if}
      {#if problem}<p class="dk-problem mt-2" role="alert">{problem}</p>{/if}
    </div>
    <SwapSheet bind:open={swapping} {file} />
    <OwnColumns bind:open={arranging} />
  {/if}
</aside>
