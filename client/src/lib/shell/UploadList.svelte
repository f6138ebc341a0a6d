<!-- Files on their way in, wherever one looks meanwhile: how far each got, what was refused, where it is now. -->
<script lang="ts">
  import { page } from '$app/state';
  import Check from '@lucide/svelte/icons/check';
  import X from '@lucide/svelte/icons/x';
  import { count } from '$lib/model/words';
  import { pickFiles } from '$lib/ui/pickFiles';
  import { uploads } from '$lib/media/uploads.svelte';
  import ArchiveToo from './ArchiveToo.svelte';

  const refused = $derived(uploads.list.filter((u) => u.state === 'refused'));
  const done = $derived(uploads.list.filter((u) => u.state === 'done'));
  // What needs a person comes first; of the rest the newest.
  const shown = $derived(
    [...refused, ...uploads.list.filter((u) => u.state === 'sending'), ...done.toReversed()].slice(0, 40),
  );
  /** Away from the library what came in without a word to say takes one line; the rest is there to be seen. */
  let opened = $state(false);
  const isQuiet = $derived(
    page.url.pathname !== '/library' && uploads.going === 0 && uploads.list.every((upload) => !upload.sentence),
  );

  async function again(upload: (typeof uploads.list)[number]) {
    const [file] = await pickFiles({ many: false });
    if (file) uploads.retry(upload, file);
  }
</script>

<svelte:window onbeforeunload={(event) => uploads.going > 0 && event.preventDefault()} />

{#if uploads.list.length > 0}
  <section
    aria-label="Files coming in"
    class="max-h-56 flex-none overflow-y-auto border-t border-base-content bg-base-100 px-5 py-2"
  >
    <div class="flex items-center gap-3">
      <p class="flex-1" role="status">
        <strong>{uploads.going > 0 ? `${count(uploads.going, 'file')} on the way` : 'All files are through'}</strong>
        <span class="text-quiet">
          {count(done.length, 'file')} in{refused.length > 0 ? `, ${refused.length} refused` : ''}
        </span>
      </p>
      <ArchiveToo />
      {#if uploads.going > 0}<button class="dk-button" onclick={() => uploads.stop()}>Stop</button>{/if}
      {#if isQuiet}
        <button class="dk-button bare" aria-expanded={opened} onclick={() => (opened = !opened)}
          >{opened ? 'Hide them' : 'Show them'}</button
        >
      {/if}
      <button class="dk-button bare" onclick={() => uploads.clear()}>Clear the list<X size={14} /></button>
    </div>
    <ul class:hidden={isQuiet && !opened}>
      {#each shown as upload (upload.key)}
        <li class="flex min-h-6 items-center gap-3">
          <span class="w-60 truncate" title={upload.file.name}>{upload.file.name}</span>
          {#if upload.state === 'sending'}
            <progress class="h-2 w-40" value={upload.sent} max="1" aria-label={upload.file.name}></progress>
            {#if upload.sent === 1}<span class="text-quiet">measuring</span>{/if}
          {:else if upload.state === 'refused'}
            <span class="dk-problem flex-1">{upload.sentence}</span>
            {#if upload.isChanged}
              <button class="dk-button" onclick={() => void again(upload)}>Choose it again</button>
            {:else}
              <button class="dk-button" onclick={() => uploads.retry(upload)}>Try again</button>
            {/if}
          {:else}
            <span class="flex items-center gap-1.5 text-quiet"
              ><Check size={14} />{upload.sentence || 'in the library'}</span
            >
            {#if upload.id}<a class="dk-link" href="/library?at={upload.id}">show it</a>
            {:else if upload.otherId}<a class="dk-link" href="/library/files/{upload.otherId}">show it</a>{/if}
          {/if}
        </li>
      {/each}
    </ul>
  </section>
{/if}
