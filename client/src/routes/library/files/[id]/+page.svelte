<!-- One file that is no picture: what is in it, its words, its address, where it is linked. -->
<script lang="ts">
  import { page } from '$app/state';
  import { createQuery } from '@tanstack/svelte-query';
  import ArrowLeft from '@lucide/svelte/icons/arrow-left';
  import { sentenceOf } from '$lib/api/client';
  import { queryClient } from '$lib/api/queries';
  import { uploads } from '$lib/media/uploads.svelte';
  import FirstPage from '$lib/library/FirstPage.svelte';
  import { filmAt, momentOf } from '$lib/media/film';
  import TypeMark from '$lib/media/TypeMark.svelte';
  import { kindWords, oneFile } from '$lib/media/otherFiles';
  import FieldNote from '$lib/keeping/FieldNote.svelte';
  import { files } from '$lib/keeping/files';
  import KeptNote from '$lib/keeping/KeptNote.svelte';
  import CopyAddress from '$lib/ui/CopyAddress.svelte';
  import { dayOf, weight } from '$lib/model/words';

  const id = $derived(page.params.id ?? '');
  const detail = createQuery(() => oneFile(id));
  const file = $derived(detail.data?.file);
  const address = $derived(filmAt(id));
  const fields = [
    { name: 'title', label: 'Title' },
    { name: 'description', label: 'Description' },
    { name: 'folder', label: 'Folder' },
  ] as const;
  const words = $derived(files.of(id));

  let film = $state<HTMLVideoElement>();
  let frameSaid = $state('');
  /** The frame that is shown, at the film's own size. */
  async function takeFrame() {
    if (!film || !file) return;
    try {
      const [id] = await uploads.add([await momentOf(film, file.title)]);
      frameSaid = id
        ? 'It is in the library now.'
        : (uploads.list.at(-1)?.sentence ?? 'The picture did not get through: try it again.');
    } catch (error) {
      frameSaid = sentenceOf(error);
    }
    await queryClient.invalidateQueries({ queryKey: ['files'] });
  }
</script>

<svelte:head><title>{file?.title ?? 'File'} · Dekoro</title></svelte:head>
{#if detail.error}
  <p class="dk-problem p-5" role="alert">{sentenceOf(detail.error)}</p>
{:else if file}
  <div class="flex min-h-0 flex-1">
    <!-- svelte-ignore a11y_no_noninteractive_tabindex (it scrolls: keys must reach it) -->
    <section class="flex min-w-0 flex-1 flex-col overflow-auto bg-table p-6" aria-label="What is in it" tabindex="0">
      {#if file.kind === 'pdf'}
        {#key id}<FirstPage {address} title={file.title} />{/key}
      {:else if file.kind === 'sound'}
        <audio class="w-full max-w-[640px]" controls preload="metadata" src={address}></audio>
      {:else if file.kind === 'video'}
        <!-- svelte-ignore a11y_media_has_caption (the editor's own file, looked at by its keeper) -->
        <video bind:this={film} class="max-h-full max-w-full bg-black" controls preload="metadata" src={address}
        ></video>
        <p class="mt-3 flex items-center gap-3">
          <button class="dk-button" onclick={() => void takeFrame()}>Take this moment as a picture</button>
          <span class="text-quiet" role="status"
            >{frameSaid ||
              'Stop where it shows best: it becomes a picture of the library, to stand for the film.'}</span
          >
        </p>
      {:else if file.kind === 'text'}
        <pre class="max-w-[80ch] bg-base-100 p-5 text-read whitespace-pre-wrap">{detail.data?.text}</pre>
      {:else}
        <p class="text-read">What is packed in here is not shown; it is kept and given out as it is.</p>
      {/if}
    </section>
    <aside class="w-[336px] flex-none overflow-y-auto border-l border-hair bg-base-100 p-4" aria-label="File">
      <a class="dk-link inline-flex items-center gap-1" href="/library/files"><ArrowLeft size={14} />Other files</a>
      <div class="mt-3 flex items-start gap-3">
        <TypeMark name={file.typeName} />
        <div class="min-w-0">
          <h1 class="text-read font-semibold">{file.title}</h1>
          <p class="dk-tabular text-quiet">{kindWords[file.kind]} · {weight(file.bytes)}</p>
          <p class="truncate text-quiet" title={file.fileName}>{file.fileName}</p>
          <p class="text-quiet">{file.addedBy ? `Added by ${file.addedBy}, ` : 'Added '}{dayOf(file.addedAt)}</p>
        </div>
      </div>
      {#each fields as field (field.name)}
        <label class="dk-label mt-3" for="file-{field.name}">{field.label}</label>
        <input
          id="file-{field.name}"
          class="dk-field"
          autocomplete="off"
          value={words.value(file, field.name)}
          oninput={(event) => words.type(file, field.name, event.currentTarget.value)}
          onblur={() => void words.leave(field.name)}
        />
        <FieldNote fields={words} field={field.name} />
      {/each}
      <div class="mt-1"><KeptNote fields={words} /></div>
      <h2 class="mt-3 font-semibold">Address</h2>
      <label class="mt-1 flex items-start gap-2">
        <input
          type="checkbox"
          class="mt-0.5 size-4 accent-neutral"
          checked={file.hasOwnAddress}
          onchange={(event) => void words.set(file, 'hasOwnAddress', event.currentTarget.checked)}
        />
        <span>On the public site even where no page links to it</span>
      </label>
      <CopyAddress path={file.address} isPublic={file.isPublic} />
      <h2 class="mt-4 font-semibold">Linked on</h2>
      {#each file.standsIn as place (place.pageId)}
        <p><a class="dk-link" href="/pages/{place.pageId}">{place.pageTitle}</a></p>
      {:else}
        <p class="text-quiet">No page yet: choose words on a page, then this file as where they lead.</p>
      {/each}
      <div class="mt-5 flex gap-2">
        <a class="dk-button" href={address} download={file.fileName}>Download</a>
        {#if file.awaySince}
          <span class="text-soft">Removed; it waits 30 days.</span>
          <button class="dk-button" onclick={() => void words.set(file, 'isAway', false)}>Restore</button>
        {:else}
          <button class="dk-button" onclick={() => void words.set(file, 'isAway', true)}>Remove</button>
        {/if}
      </div>
      <FieldNote fields={words} field="isAway" />
    </aside>
  </div>
{/if}
