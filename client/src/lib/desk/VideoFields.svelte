<!-- How a placed video plays, and the moment that stands as its still. -->
<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { sentenceOf } from '$lib/api/client';
  import { filmAt, momentOf } from '$lib/media/film';
  import { isCaptions, otherFiles, thereOf } from '$lib/media/otherFiles';
  import { uploads } from '$lib/media/uploads.svelte';
  import FileChoice from '$lib/fields/FileChoice.svelte';
  import type { FigureAttrs, OwnVideo } from '$lib/model/attrs';

  let { figure, set }: { figure: FigureAttrs; set: (change: Partial<FigureAttrs>) => void } = $props();
  const own = $derived(figure.video && 'file' in figure.video ? figure.video : null);
  const hosted = $derived(figure.video && 'player' in figure.video ? figure.video : null);
  const files = createQuery(() => otherFiles(''));
  const captions = $derived(thereOf(files.data?.items, isCaptions));
  const ways = [
    ['controls', 'controls'],
    ['loops', 'again and again'],
    ['startsItself', 'starts by itself, without sound'],
  ] as const;
  let player = $state<HTMLVideoElement>();
  let problem = $state('');
  const change = (to: Partial<OwnVideo>) => own && set({ video: { ...own, ...to } });

  async function takeStill() {
    problem = '';
    try {
      const title = files.data?.items.find((file) => file.id === own!.file)?.title ?? 'the video';
      const [still] = await uploads.add([await momentOf(player!, title)]);
      if (still) set({ asset: still, cut: null });
    } catch (error) {
      problem = sentenceOf(error);
    }
  }
</script>

{#if own}
  <!-- svelte-ignore a11y_media_has_caption -->
  <video
    bind:this={player}
    class="w-full bg-black"
    src={filmAt(own.file)}
    controls
    preload="metadata"
    aria-label="The video, to choose its still"
  ></video>
  <button class="dk-button mt-1.5" onclick={takeStill}>Take this moment as the still</button>
  {#if problem}<p class="dk-problem mt-1.5" role="alert">{problem}</p>{/if}
  {#each ways as [name, words] (name)}
    <label class="mt-1.5 flex min-h-6 items-center gap-1.5">
      <input
        type="checkbox"
        checked={own[name] || (name === 'controls' && own.startsItself)}
        disabled={name === 'controls' && own.startsItself}
        onchange={(event) => change({ [name]: event.currentTarget.checked })}
      />{words}
    </label>
  {/each}
  {#if own.startsItself}<p class="text-quiet">What moves by itself always has its controls.</p>{/if}
  <FileChoice label="Captions" value={own.captions} files={captions} onset={(id) => change({ captions: id })} />
  {#if captions.length === 0}<p class="mt-1 text-quiet">
      A file of captions (.vtt) in the library can be chosen here.
    </p>{/if}
{:else if hosted}
  <p>“{hosted.title}” plays from another site when a visitor presses its still.</p>
  <p class="mt-1 break-all text-quiet">{hosted.address}</p>
{/if}
<button class="dk-button mt-2" onclick={() => set({ video: null })}>Only the still, without the video</button>
