<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import { onMount } from 'svelte';
  import { beforeNavigate } from '$app/navigation';
  import { page } from '$app/state';
  import { sentenceOf } from '$lib/api/client';
  import { on } from '$lib/api/events';
  import { askAnew, queryClient, sitePlan } from '$lib/api/queries';
  import { firstSteps } from '$lib/shell/firstSteps.svelte';
  import { acts } from '$lib/ui/acts.svelte';
  import { actsOf } from '$lib/desk/acts';
  import { Desk } from '$lib/desk/desk.svelte';
  import AddVideo from '$lib/desk/AddVideo.svelte';
  import ArrangementSheet from '$lib/desk/ArrangementSheet.svelte';
  import BandSheet from '$lib/desk/BandSheet.svelte';
  import ColumnsSheet from '$lib/desk/ColumnsSheet.svelte';
  import Drawer from '$lib/desk/Drawer.svelte';
  import FigureSheet from '$lib/desk/FigureSheet.svelte';
  import FilesSheet from '$lib/desk/FilesSheet.svelte';
  import LinePictureSheet from '$lib/desk/LinePictureSheet.svelte';
  import Frame from '$lib/desk/Frame.svelte';
  import { deskKey } from '$lib/desk/keys';
  import Markup from '$lib/desk/Markup.svelte';
  import PageLine from '$lib/desk/PageLine.svelte';
  import PageSheet from '$lib/desk/PageSheet.svelte';
  import PhoneProof from '$lib/desk/PhoneProof.svelte';
  import Ruler from '$lib/desk/Ruler.svelte';
  import TextSheet from '$lib/desk/TextSheet.svelte';
  import WordsRound from '$lib/library/WordsRound.svelte';
  import { count, timeOf } from '$lib/model/words';

  let desk = $state.raw<Desk | null>(null);
  let problem = $state('');
  let rounding = $state(false);
  const afterA = { at: 0 };

  onMount(() => {
    const id = page.params.id ?? '';
    void (async () => {
      try {
        const opened = new Desk(id, await queryClient.fetchQuery(sitePlan()));
        await opened.session.load();
        opened.wanted = decodeURIComponent(page.url.hash.slice(1)) || null;
        desk = opened;
        firstSteps.place = (files) => opened.media.placeFiles(files);
      } catch (error) {
        problem = sentenceOf(error);
      }
    })();
    const offs = [
      on('arrangement', () => void desk?.preview.ask()),
      on('again', () => void desk?.session.heardAgain().catch(() => {})),
      on('page', (sent) => sent.id === id && void desk?.session.heard(sent.version)),
      on('site', async () => desk?.restyled(await askAnew(sitePlan()))),
      // Words or a keep area changed in the library show here at once.
      on('library', () => void desk?.media.heardOfWords()),
      on('library', (sent) => sent.id && (desk?.holds(sent.id) || desk?.hasSets) && void desk.preview.ask()),
    ];
    return () => {
      offs.forEach((off) => off());
      firstSteps.place = null;
    };
  });
  $effect(() => {
    if (!desk) return;
    return acts.offer(actsOf(desk));
  });
  beforeNavigate(() => void desk?.autosave.now());

  function keys(event: KeyboardEvent) {
    if (!desk || event.defaultPrevented || document.querySelector('[role=dialog],[role=menu]')) return;
    if (!deskKey(event, desk, afterA)) return;
    event.preventDefault();
    event.stopPropagation();
  }
</script>

<svelte:head><title>{desk?.title ?? 'Desk'} · Dekoro</title></svelte:head>
<svelte:window
  onkeydown={keys}
  onbeforeunload={(event) => {
    if (!desk || desk.autosave.state === 'kept') return;
    void desk.autosave.now();
    event.preventDefault();
  }}
/>

{#if problem}
  <p class="dk-problem p-6 text-read" role="alert">{problem} <a class="dk-link" href="/">To the pages</a></p>
{:else if desk}
  {@const keeping = desk.autosave}
  <div class="flex min-h-0 flex-1">
    <div class="flex min-w-0 flex-1 flex-col">
      <div class="flex flex-none border-b border-hair">
        <PageLine {desk} />
        <Ruler {desk} />
      </div>
      {#if keeping.theirs}
        <div class="flex flex-wrap items-center gap-3 border-b border-hair bg-wash px-4 py-2" role="alert">
          <p class="min-w-64 flex-1">
            This page was changed in another window at {timeOf(keeping.theirs.changedAt)}. Yours is all still here;
            nothing was overwritten.
          </p>
          {#if keeping.joined}
            <button class="dk-button main" onclick={() => desk?.session.takeJoined('withYours')}
              >Join both, mine where we differ</button
            >
            <button class="dk-button" onclick={() => desk?.session.takeJoined('withTheirs')}
              >Join both, theirs where we differ</button
            >
          {/if}
          <button class="dk-button" onclick={() => keeping.keepMine()}>Go on with mine</button>
          <button class="dk-button" onclick={() => desk?.session.takeTheirs()}
            >Take theirs (undo brings mine back)</button
          >
          {#if keeping.joined}
            <ul class="max-h-40 w-full overflow-y-auto" aria-label="Changed on both sides">
              {#each keeping.joined.clashes as clash, i (i)}
                <li class="grid grid-cols-[90px_1fr_1fr] gap-3 border-t border-hair py-1">
                  <span class="text-quiet">{clash.what}</span>
                  <span><b class="font-semibold">Mine:</b> {clash.yours || 'taken out'}</span>
                  <span><b class="font-semibold">Theirs:</b> {clash.theirs || 'taken out'}</span>
                </li>
              {/each}
            </ul>
          {/if}
        </div>
      {:else if keeping.state === 'refused'}
        <p class="border-b border-hair bg-wash px-4 py-2" role="alert">{keeping.problem}</p>
      {/if}
      {#if desk.media.said}
        <div class="flex items-center gap-3 border-b border-hair bg-wash px-4 py-1.5" role="status">
          <p class="max-h-24 min-w-0 flex-1 overflow-y-auto">{desk.media.said}</p>
          <button class="dk-button bare" aria-label="Put this away" onclick={() => desk && (desk.media.said = '')}
            ><X size={15} /></button
          >
        </div>
      {/if}
      <div class="flex min-h-0 flex-1">
        <aside
          aria-label="Sheet"
          data-desk-sheet
          tabindex="-1"
          class="w-[296px] flex-none overflow-y-auto border-r border-hair bg-base-100"
        >
          {#if desk.chosen && desk.chosenPiece?.figure}
            <FigureSheet {desk} id={desk.chosen} figure={desk.chosenPiece.figure} />
          {:else if desk.chosen && desk.chosenPiece?.inLine}
            <LinePictureSheet {desk} id={desk.chosen} picture={desk.chosenPiece.inLine} />
          {:else if desk.chosen && desk.chosenPiece?.files}
            <FilesSheet {desk} id={desk.chosen} files={desk.chosenPiece.files.files} />
          {:else if desk.chosen && desk.chosenPiece?.arrangement}
            {#key desk.chosenPiece.arrangement.arrangement}
              <ArrangementSheet {desk} id={desk.chosen} attrs={desk.chosenPiece.arrangement} />
            {/key}
          {:else if desk.chosen && desk.chosenPiece?.band}
            <BandSheet {desk} id={desk.chosen} band={desk.chosenPiece.band} />
          {:else if desk.chosenPiece?.columns}
            <ColumnsSheet {desk} piece={desk.chosenPiece} />
          {:else if desk.chosen}
            <TextSheet {desk} />
          {:else}
            <PageSheet {desk} />
          {/if}
          {#if desk.chosen}<Markup {desk} id={desk.chosen} />{/if}
        </aside>
        <Frame {desk} onkey={keys} />
      </div>
    </div>
    {#if desk.proofOn}<PhoneProof {desk} />{/if}
  </div>
  {#if desk.media.fresh.length > 0}
    <div class="flex items-center gap-3 border-t border-hair bg-wash px-4 py-1.5" role="status">
      <p class="flex-1">
        {count(desk.media.fresh.length, 'picture')} came in without alt text: say what {desk.media.fresh.length === 1
          ? 'it shows'
          : 'they show'}, for those who cannot see.
      </p>
      <button class="dk-button" onclick={() => (rounding = true)}>Write the words now</button>
      <button class="dk-button bare" aria-label="Later" onclick={() => desk && (desk.media.fresh = [])}
        ><X size={15} /></button
      >
    </div>
    <WordsRound bind:open={rounding} ids={desk.media.fresh} />
  {/if}
  <Drawer {desk} />
  <AddVideo {desk} />
{/if}
