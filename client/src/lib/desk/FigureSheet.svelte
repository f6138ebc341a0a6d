<!-- A placed picture, in the order people decide: picture, fit, shape and cut, place, words, link. -->
<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { onMount, tick, untrack } from 'svelte';
  import { proofOf } from '$lib/api/client';
  import { onePicture } from '$lib/api/queries';
  import Group from '$lib/ui/Group.svelte';
  import FieldNote from '$lib/keeping/FieldNote.svelte';
  import { pictures } from '$lib/keeping/pictures';
  import KeepBox from '$lib/fields/KeepBox.svelte';
  import { keepsMiddle } from '$lib/model/words';
  import AltField from './AltField.svelte';
  import { captionSources, classes, exceptionWords, linkKinds, lookWords, sizeWords } from '$lib/model/choices';
  import CutByHand from './CutByHand.svelte';
  import type { Desk } from './desk.svelte';
  import Exceptions from './Exceptions.svelte';
  import FigurePlace from './FigurePlace.svelte';
  import LookChoice from '$lib/fields/LookChoice.svelte';
  import FitTable from '$lib/fields/FitTable.svelte';
  import PictureLink from '$lib/fields/PictureLink.svelte';
  import PieceMoves from './PieceMoves.svelte';
  import type { FigureAttrs } from '$lib/model/attrs';
  import VideoFields from './VideoFields.svelte';

  let { desk, id, figure }: { desk: Desk; id: string; figure: FigureAttrs } = $props();
  const look = $derived(desk.preview.look?.figures[id]);
  /** What may be chosen is told of a place: while another is on its way nothing is refused by what was. */
  const choices = $derived(
    desk.preview.placesAsNow(id, figure) ? (look?.choices ?? desk.preview.look?.waiting[id]) : undefined,
  );
  const piece = $derived(desk.chosenPiece);
  const picture = createQuery(() => ({ ...onePicture(figure.asset), enabled: figure.asset !== '' }));
  /** What a place that waits for a picture wants of it. */
  const wants = $derived(desk.preview.look?.notices.find((notice) => notice.blockId === id)?.sentence ?? '');
  const file = $derived(picture.data?.file);
  const setOf = (id: string) => (change: Partial<FigureAttrs>) => desk.set(id, change);
  const set = $derived(setOf(id));
  let open = $state({
    cut: false,
    place: true,
    words: false,
    link: false,
    exceptions: false,
    look: false,
    video: true,
  });
  const shapes = $derived(
    figure.shape && !desk.site.shapes.includes(figure.shape) ? [...desk.site.shapes, figure.shape] : desk.site.shapes,
  );
  const byHand = $derived(figure.cut !== null && figure.cut.of === figure.asset);
  const cutWords = $derived(
    byHand
      ? 'drawn by hand'
      : figure.shape === null
        ? 'as is, the whole picture'
        : `${figure.shape}${look?.loss ? `, ${look.loss}` : ''}`,
  );
  const lookName = $derived(
    figure.look === null
      ? 'plain'
      : typeof figure.look === 'string'
        ? (desk.site.looks.find((one) => one.id === figure.look)?.name ?? 'plain')
        : lookWords(figure.look),
  );
  const exceptions = $derived(
    classes.filter((c) => figure.at?.[c]).map((c) => `${c}: ${exceptionWords(figure.at?.[c], desk.site.sizes)}`),
  );
  /** Nothing is said to be missing before it is known. */
  const altWords = $derived(
    figure.decorative ? 'decorative, ' : !look ? '' : look.alt ? 'alt text, ' : 'no alt text, ',
  );

  onMount(() => {
    const focus = async (event: Event) => {
      open.words = true;
      await tick();
      document.getElementById((event as CustomEvent<string>).detail === 't' ? 'figure-alt' : 'figure-caption')?.focus();
    };
    addEventListener('desk-words', focus);
    return () => removeEventListener('desk-words', focus);
  });

  const words = $derived(pictures.of(figure.asset));
  // The cuts follow the keep area as soon as it is kept.
  $effect(() => {
    if (words.state === 'kept') void untrack(() => desk.preview.ask());
  });
</script>

<div class="border-b border-hair px-4 py-3">
  <PieceMoves {desk} name={figure.asset === '' ? 'A place that waits' : (look?.title ?? 'Picture')} />
  {#if figure.asset === ''}
    <p class="mt-1">{wants}</p>
    <button class="dk-button main mt-2" aria-pressed={desk.trial.swapping === id} onclick={() => desk.trial.begin(id)}
      >Choose a picture</button
    >
  {:else}<div class="mt-2 flex gap-3">
      {#if look}<img
          src={proofOf(look.picture, 160, look.cut)}
          alt=""
          class="h-17 w-17 object-contain object-left"
        />{:else}<span class="h-17 w-17 flex-none"></span>{/if}
      <div class="min-w-0">
        <p class="dk-tabular text-quiet">{look ? `${look.sourceWidth} × ${look.sourceHeight}, library` : '\u00a0'}</p>
        <button
          class="dk-button mt-1.5"
          aria-pressed={desk.trial.swapping === id && desk.trial.swappingAt === null}
          onclick={() => desk.trial.begin(id)}>Change the picture</button
        >
        <a class="dk-button mt-1.5" href="/library/room/{figure.asset}?from={encodeURIComponent(desk.id)}"
          >Room<span class="dk-key">F</span></a
        >
      </div>
    </div>{/if}
</div>

{#if figure.asset !== '' || desk.trial.asset}<section
    class="border-b border-hair px-4 py-2.5"
    aria-label="Fit at each width"
  >
    <h3 class="mb-1 font-semibold">Fit at each width{desk.trial.asset ? ', as tried' : ''}</h3>
    {#if look || !desk.preview.problem}
      <FitTable now={desk.widthClass} {look}>
        {#snippet mend()}
          {#if look?.remedy?.size}
            <button class="dk-link" onclick={() => set({ size: look?.remedy?.size as FigureAttrs['size'] })}
              >use it</button
            >
          {:else if look?.remedy?.wholePicture}
            <button class="dk-link" onclick={() => set({ shape: null, cut: null })}>use it whole</button>
          {/if}
        {/snippet}
      </FitTable>
    {:else}
      <p class="text-quiet">{desk.preview.problem}</p>
    {/if}
  </section>{/if}

<Group name="Shape and cut" value={cutWords} bind:open={open.cut}>
  <div class="flex flex-wrap gap-1.5" role="group" aria-label="Shape">
    <button
      class="dk-button"
      aria-pressed={figure.shape === null && !byHand}
      onclick={() => set({ shape: null, cut: null })}>as is</button
    >
    {#each shapes as shape (shape)}
      <button
        class="dk-button dk-tabular"
        aria-pressed={figure.shape === shape && !byHand}
        onclick={() => set({ shape, cut: null })}>{shape}</button
      >
    {/each}
    {#if look}
      <CutByHand {look} drawn={byHand ? figure.cut : null} onchange={(cut) => set({ cut })} />
    {/if}
  </div>
  {#if file && look && !byHand}
    {@const cut = look.cut}
    <div class="mt-3">
      <KeepBox
        picture={look.picture}
        shape={file.width / file.height}
        keep={words.value(file, 'keep')}
        cut={figure.shape === null
          ? undefined
          : {
              x: cut.x / file.width,
              y: cut.y / file.height,
              width: cut.width / file.width,
              height: cut.height / file.height,
            }}
        onchange={(box) => words.move(file, 'keep', box)}
      />
    </div>
    {#if look.loss}<p class="mt-2 text-soft" role="status">Of what must stay in view, {look.loss}.</p>{/if}
    <p class="mt-1.5 text-quiet">
      {words.value(file, 'keep')
        ? 'The dashed box is what must stay in view; every cut of this picture follows it.'
        : keepsMiddle}
    </p>
    <FieldNote fields={words} field="keep" />
  {/if}
</Group>

{#if figure.size !== 'cell'}<Group
    name="Place"
    value="{choices?.side === false ? '' : `${figure.side}, `}{sizeWords(figure.size, desk.site.sizes)}{look?.beside[
      desk.widthClass
    ]
      ? ', text beside it'
      : ''}"
    bind:open={open.place}
  >
    <FigurePlace {desk} {figure} {set} beside={look?.beside} {choices} sameSizes={look?.sameSizes[desk.widthClass]} />
  </Group>{:else}
  <p class="border-b border-hair px-4 py-2.5">
    As wide as its cell.
    <button class="dk-link" onclick={() => desk.choose(piece?.within ?? null)}>To the columns</button>
  </p>
{/if}

<Group name="Words" value="{altWords}caption: {captionSources[figure.captionSource]}" bind:open={open.words}>
  <AltField id="figure-alt" alt={figure.alt} decorative={figure.decorative} library={file?.words.alt ?? ''} {set} />
  <label class="dk-label mt-3" for="figure-caption">Caption</label>
  <select
    id="figure-caption"
    class="dk-field"
    value={figure.captionSource}
    onchange={(event) => set({ captionSource: event.currentTarget.value as FigureAttrs['captionSource'] })}
  >
    {#each Object.entries(captionSources) as [source, name] (source)}<option value={source}>{name}</option>{/each}
  </select>
  {#if figure.captionSource === 'own'}
    <textarea
      class="dk-field mt-1.5 resize-none"
      rows="2"
      aria-label="Own words for the caption"
      value={figure.caption}
      oninput={(event) => set({ caption: event.currentTarget.value })}></textarea>
  {:else if figure.captionSource !== 'none'}
    <p class="mt-1 {look?.caption ? '' : 'text-soft'}">
      {look?.caption || 'The library has no such words for this picture yet.'}
    </p>
  {/if}
</Group>

{#if figure.video}<Group
    name="Video"
    value={'file' in figure.video ? 'a file of the library' : figure.video.title}
    bind:open={open.video}
  >
    <VideoFields {figure} {set} />
  </Group>{:else}<Group
    name="Link"
    value={figure.linkKind === 'none' ? 'none' : `leads to ${linkKinds[figure.linkKind]}`}
    bind:open={open.link}
  >
    <PictureLink kind={figure.linkKind} target={figure.linkTarget} onset={set} />
  </Group>{/if}

<Group name="Look" value={lookName} bind:open={open.look}>
  <LookChoice
    site={desk.site}
    look={figure.look}
    onset={(chosen) => set({ look: chosen })}
    onlooks={(looks) => desk.restyled({ ...desk.site, looks })}
    ondid={(deed) => desk.deeds.add(deed)}
  />
</Group>

{#if figure.asset !== ''}<Group
    name="Exceptions at a width"
    value={exceptions.join('; ') || 'none'}
    bind:open={open.exceptions}
  >
    <Exceptions {desk} {id} {figure} />
  </Group>{/if}
