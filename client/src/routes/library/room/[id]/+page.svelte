<!-- The picture room: one picture, worked on by light of the lamp, with every cut it is used in beside it. -->
<script lang="ts">
  import { undoKey } from '$lib/ui/undoKey';
  import { letters } from '$lib/ui/letters.svelte';
  import { createQuery } from '@tanstack/svelte-query';
  import { untrack } from 'svelte';
  import ArrowLeft from '@lucide/svelte/icons/arrow-left';
  import FlipHorizontal2 from '@lucide/svelte/icons/flip-horizontal-2';
  import Redo2 from '@lucide/svelte/icons/redo-2';
  import RotateCcw from '@lucide/svelte/icons/rotate-ccw';
  import RotateCw from '@lucide/svelte/icons/rotate-cw';
  import Undo2 from '@lucide/svelte/icons/undo-2';
  import { beforeNavigate, goto } from '$app/navigation';
  import { page } from '$app/state';
  import { sentenceOf } from '$lib/api/client';
  import { sitePlan } from '$lib/api/queries';
  import CutsInUse from '$lib/room/CutsInUse.svelte';
  import Download from '$lib/room/Download.svelte';
  import LightFilter from '$lib/room/LightFilter.svelte';
  import OnPicture from '$lib/room/OnPicture.svelte';
  import PictureWindow from '$lib/room/PictureWindow.svelte';
  import Scales from '$lib/room/Scales.svelte';
  import SharpestPlace from '$lib/room/SharpestPlace.svelte';
  import Versions from '$lib/room/Versions.svelte';
  import { openRoom, scales } from '$lib/room/calls';
  import { Room, type Box } from '$lib/room/room.svelte';
  import { light } from '$lib/shell/theme.svelte';
  import DrawnBox from '$lib/ui/DrawnBox.svelte';
  import { timeOf } from '$lib/model/words';

  const id = $derived(page.params.id ?? '');
  const from = $derived(page.url.searchParams.get('from'));
  const site = createQuery(sitePlan);
  const tables = createQuery(scales);
  let room = $state.raw<Room>();
  let problem = $state('');
  /** What the box on the picture is: the keep area, or a cut, free or in a shape. */
  let box = $state<'keep' | 'free' | string>('keep');
  let comparing = $state(false);
  let downloading = $state(false);
  /** Where the picture is sharpest, while that is asked for. */
  let sharpest = $state.raw<Box | null>(null);
  let space = $state({ width: 0, height: 0 });

  $effect(() => {
    const wanted = id;
    untrack(() =>
      openRoom(wanted).then(
        (opened) => (room = new Room(opened)),
        (error) => (problem = sentenceOf(error)),
      ),
    );
  });
  // Pictures are judged by the lamp; the person's own theme is back on leaving.
  $effect(() => light.lend('lamp'));
  beforeNavigate(() => void room?.leave());

  const adjustments = $derived(room?.edits.adjustments);
  const filter = $derived(comparing ? null : 'room-light');
  const cutting = $derived(box !== 'keep');
  const identity = { a: 1, b: 0, c: 0, d: 1, e: 0, f: 0 };
  /** What is drawn: the original while comparing, the frame while cutting, else the edited picture. */
  const shown = $derived.by(() => {
    if (!room) return null;
    if (comparing) return { map: identity, width: room.original.width, height: room.original.height };
    if (cutting) return { map: room.look.frameMap, width: room.look.frameWidth, height: room.look.frameHeight };
    return { map: room.look.map, width: room.look.width, height: room.look.height };
  });
  const width = $derived(
    shown
      ? Math.max(40, Math.floor(Math.min(space.width - 72, ((space.height - 84) * shown.width) / shown.height)))
      : 0,
  );
  const ratio = $derived.by(() => {
    if (box === 'keep' || box === 'free') return null;
    const [w, h] = box.split(':').map(Number);
    return w && h ? w / h : null;
  });

  function chooseCut(shape: string) {
    box = shape;
    if (shape !== 'free') void room?.cutToShape(shape);
  }
  const cutTo = (window: Box) => room!.change({ ...room!.edits, window });

  function keys(event: KeyboardEvent) {
    const control = event.ctrlKey || event.metaKey;
    const step = undoKey(event);
    if (step) {
      event.preventDefault();
      room?.[step]();
      return;
    }
    if (control || event.altKey || (event.target as Element).matches('input:not([type=range]), textarea, select'))
      return;
    if (event.key.toLowerCase() === 'o' && letters.on) comparing = true;
    else if (event.key === 'Escape' && !downloading) {
      if (cutting) box = 'keep';
      else void goto(from ? `/pages/${from}` : '/library');
    }
  }
</script>

<svelte:head><title>{room?.file.words.title ?? 'Picture room'} · Dekoro</title></svelte:head>
<svelte:window
  onkeydown={keys}
  onkeyup={(event) => event.key.toLowerCase() === 'o' && (comparing = false)}
  onblur={() => (comparing = false)}
  onbeforeunload={(event) => {
    if (!room?.isUnkept) return;
    void room.leave();
    event.preventDefault();
  }}
/>

<div class="flex min-h-0 flex-1 bg-base-200 text-base-content">
  {#if problem}
    <p class="dk-problem p-8 text-read" role="alert">{problem}</p>
  {:else if room && shown && adjustments}
    {#if tables.data}<LightFilter id="room-light" scales={tables.data} {adjustments} />{/if}
    <div class="flex min-w-0 flex-1 flex-col">
      <div class="flex h-11 flex-none items-center gap-3 border-b border-hair bg-base-100 px-5">
        <a class="dk-button bare" href={from ? `/pages/${from}` : '/library'}
          ><ArrowLeft size={15} />{from ? 'Desk' : 'Library'}</a
        >
        <h1 class="truncate">{room.file.words.title}</h1>
        <span class="dk-tabular whitespace-nowrap text-quiet" role="status"
          >{room.look.width} × {room.look.height}{room.saving
            ? ', being kept'
            : room.keptAt
              ? `, saved ${timeOf(room.keptAt)}`
              : ''}</span
        >
        <span class="ml-auto flex items-center gap-1">
          <button class="dk-button bare" disabled={!room.steps.canUndo} onclick={() => room?.undo()} aria-label="Undo"
            ><Undo2 size={16} /></button
          >
          <button class="dk-button bare" disabled={!room.steps.canRedo} onclick={() => room?.redo()} aria-label="Redo"
            ><Redo2 size={16} /></button
          >
          <button
            class="dk-button bare"
            aria-pressed={comparing}
            onpointerdown={() => (comparing = true)}
            onpointerup={() => (comparing = false)}
            onpointerleave={() => (comparing = false)}>hold <span class="dk-key">O</span> for the original</button
          >
          <button class="dk-button" onclick={() => (downloading = true)}>Download</button>
        </span>
      </div>
      {#if room.theirs}
        <div class="flex flex-none flex-wrap items-center gap-3 border-b border-hair bg-wash px-5 py-2" role="alert">
          <p class="min-w-64 flex-1">
            This picture was changed in another window. Yours is still here; nothing was overwritten.
          </p>
          <button class="dk-button main" onclick={() => room?.keepMine()}>Go on with mine</button>
          <button class="dk-button" onclick={() => room?.takeTheirs()}>Take theirs (undo brings mine back)</button>
        </div>
      {:else if room.problem}
        <p class="dk-problem flex-none border-b border-hair bg-base-100 px-5 py-2" role="alert">{room.problem}</p>
      {/if}
      <div
        class="relative grid min-h-0 flex-1 place-items-center bg-table"
        bind:clientWidth={space.width}
        bind:clientHeight={space.height}
      >
        <div style:width="{width}px">
          {#snippet drawing()}
            <PictureWindow
              picture="{room?.id}.0"
              original={room!.original}
              map={shown.map}
              window={{ x: 0, y: 0, width: shown.width, height: shown.height }}
              {width}
              {filter}
            />
          {/snippet}
          {#if comparing}
            {@render drawing()}
          {:else if cutting}
            <DrawnBox
              label="Cut"
              shape={shown.width / shown.height}
              box={room.edits.window}
              {ratio}
              shaded
              onmove={(window) => room?.show({ ...room.edits, window })}
              onchange={cutTo}>{@render drawing()}</DrawnBox
            >
          {:else}
            <DrawnBox
              label="Keep area"
              shape={shown.width / shown.height}
              box={room.area}
              onmove={(area) => room?.moveArea(area)}
              onchange={(area) => room?.keepArea(area)}
              >{@render drawing()}{#if sharpest}<SharpestPlace box={sharpest} />{/if}</DrawnBox
            >
          {/if}
        </div>
        <OnPicture {room} {comparing} box={cutting ? box : null} bind:sharpest />
      </div>
      {#if room.cannotEdit}
        <p class="border-t border-hair bg-base-100 px-5 py-3">{room.cannotEdit}</p>
      {:else}
        <div class="@container flex-none border-t border-hair bg-base-100 px-5 pt-2.5 pb-2">
          <div class="flex flex-wrap items-center gap-1.5">
            <span class="flex gap-1.5" role="group" aria-label="Box on the picture">
              <button class="dk-button" aria-pressed={box === 'keep'} onclick={() => (box = 'keep')}>Keep area</button>
              <button class="dk-button" aria-pressed={box === 'free'} onclick={() => chooseCut('free')}>Cut free</button
              >
              {#each site.data?.shapes ?? [] as shape (shape)}
                <button class="dk-button dk-tabular" aria-pressed={box === shape} onclick={() => chooseCut(shape)}
                  >{shape}</button
                >
              {/each}
            </span>
            <button
              class="dk-button bare"
              disabled={room.edits.window.width === 1 && room.edits.window.height === 1}
              onclick={() => room?.cutWhole()}>uncut</button
            >
            <span class="ml-auto flex gap-1.5">
              <button class="dk-button" aria-label="Turn left" onclick={() => void room?.turn(-1)}
                ><RotateCcw size={15} /></button
              >
              <button class="dk-button" aria-label="Turn right" onclick={() => void room?.turn(1)}
                ><RotateCw size={15} /></button
              >
              <button class="dk-button" onclick={() => void room?.turn(0)}><FlipHorizontal2 size={15} />Mirror</button>
              <button class="dk-button" onclick={() => void room?.even()}>Even out</button>
            </span>
          </div>
          <Scales {room} />
        </div>
        <Versions {room} />
      {/if}
    </div>
    <CutsInUse {room} {filter} />
    <Download {room} bind:open={downloading} />
  {:else}
    <p class="p-8 text-read text-quiet" role="status">Opening …</p>
  {/if}
</div>
