<!-- A video comes onto the page: a file of the library or of this computer, or one that another site plays. -->
<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { sentenceOf } from '$lib/api/client';
  import { stillOf } from '$lib/media/film';
  import { isVideo, otherFiles, thereOf } from '$lib/media/otherFiles';
  import { uploads } from '$lib/media/uploads.svelte';
  import FilePick from '$lib/ui/FilePick.svelte';
  import Sheet from '$lib/ui/Sheet.svelte';
  import { weight } from '$lib/model/words';
  import type { Desk } from './desk.svelte';
  import { ownVideo } from '$lib/model/attrs';
  import VideoAddress from '$lib/fields/VideoAddress.svelte';

  let { desk }: { desk: Desk } = $props();
  const files = createQuery(() => otherFiles(''));
  const videos = $derived(thereOf(files.data?.items, isVideo));
  let problem = $state('');
  let busy = $state('');
  /** A video of which this browser shows no still: a picture is asked for. */
  let withoutStill = $state<string | null>(null);

  async function attempt(saying: string, work: () => Promise<void>) {
    [busy, problem, withoutStill] = [saying, '', null];
    try {
      await work();
    } catch (error) {
      problem = sentenceOf(error);
    }
    busy = '';
  }

  const placeOwn = (file: string, title: string) =>
    attempt('The still is taken.', async () => {
      withoutStill = file;
      const [still] = await uploads.add([await stillOf(file, title)]);
      place(file, still ?? null);
    });

  function place(file: string, still: string | null) {
    if (!still) throw new Error('The still could not be kept: choose a picture as the still.');
    withoutStill = null;
    desk.media.placeVideo(still, ownVideo(file));
  }

  const withStill = (file: string, given: File[]) =>
    attempt('The still is taken.', async () => {
      const [still] = await uploads.add(given);
      place(file, still ?? null);
    });

  const fromFiles = (given: File[]) =>
    attempt('The video is on its way.', async () => {
      const { ids, refused } = await uploads.addOthers(given);
      const found = (await files.refetch()).data?.items.find((one) => ids.includes(one.id) && isVideo(one));
      if (found) await placeOwn(found.id, found.title);
      else throw new Error(refused ?? 'This is no video: choose an MP4 or WebM file.');
    });
</script>

<Sheet
  bind:open={() => desk.media.addingVideo !== null, (open) => !open && (desk.media.addingVideo = null)}
  title="Video"
>
  <h3 class="mb-1.5 font-semibold">A file</h3>
  {#if videos.length > 0}
    <ul class="mb-2" aria-label="Videos of the library">
      {#each videos as file (file.id)}
        <li class="flex items-center gap-3 border-t border-hair py-1">
          <span class="min-w-0 flex-1 truncate">{file.title}</span>
          <span class="dk-tabular text-quiet">{file.typeName}, {weight(file.bytes)}</span>
          <button class="dk-button" disabled={busy !== ''} onclick={() => placeOwn(file.id, file.title)}>Place</button>
        </li>
      {/each}
    </ul>
  {:else}<p class="mb-2 text-quiet">There is no video in the library yet.</p>{/if}
  <FilePick label="Video from this computer" accept="video/mp4,video/webm,.mp4,.webm" many={false} onfiles={fromFiles}
    >From this computer</FilePick
  >
  <h3 class="mt-5 mb-1.5 font-semibold">A video on another site</h3>
  <VideoAddress
    label="Place"
    onread={({ picture, address, player, title }) => desk.media.placeVideo(picture, { address, player, title })}
  />
  <p class="mt-1.5 text-quiet">
    Visitors see its still; the other site is asked for its player only when they press it. To try it here:
    /standins/video/watch/kites-over-the-dunes
  </p>
  {#if busy}<p class="mt-3" role="status">{busy}</p>{/if}
  {#if problem}
    <p class="dk-problem mt-3" role="alert">{problem}</p>
    {#if withoutStill}
      <FilePick
        label="A picture as the still"
        accept="image/*"
        many={false}
        onfiles={(given) => void withStill(withoutStill!, given)}>A picture as the still</FilePick
      >
    {/if}
  {/if}
</Sheet>
