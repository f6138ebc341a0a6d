<!-- The ways in from elsewhere: a mail, a saved or pasted page, an address, an archive. -->
<script lang="ts">
  import FilePick from '$lib/ui/FilePick.svelte';
  import { createQuery } from '@tanstack/svelte-query';
  import Archive from '@lucide/svelte/icons/archive';
  import { sentenceOf } from '$lib/api/client';
  import TableIn from '$lib/intake/TableIn.svelte';
  import { intake, mailbox, unfinished } from '$lib/intake/intake.svelte';
  import { filesOf } from '$lib/media/uploads.svelte';
  import { count, dayOf, weight } from '$lib/model/words';

  const mails = createQuery(mailbox);
  const waiting = createQuery(unfinished);
  let address = $state('');
  let archive = $state('/standins/archive/collection.json');
  let over = $state(false);

  function paste(event: ClipboardEvent) {
    const html = event.clipboardData?.getData('text/html');
    const text = event.clipboardData?.getData('text/plain') ?? '';
    if ((event.target as HTMLElement).matches('input')) return;
    event.preventDefault();
    if (html) void intake.pasted(html);
    else if (text.trim() !== '') void intake.pasted(`<p>${text.replaceAll('&', '&amp;').replaceAll('<', '&lt;')}</p>`);
  }
</script>

<svelte:head><title>From elsewhere · Dekoro</title></svelte:head>
<svelte:window onpaste={paste} />

<div
  class="min-h-0 flex-1 overflow-y-auto bg-base-200"
  role="region"
  aria-label="From elsewhere"
  ondragover={(event) => (event.preventDefault(), (over = true))}
  ondragleave={(event) => event.currentTarget.contains(event.relatedTarget as Node) || (over = false)}
  ondrop={async (event) => {
    event.preventDefault();
    over = false;
    await intake.files(await filesOf(event.dataTransfer));
  }}
>
  <div class="mx-auto max-w-[1000px] px-6 py-6">
    <p><a class="dk-link" href="/library">Library</a></p>
    <h1 class="mt-1 text-[20px]">From elsewhere</h1>
    <p class="mt-1 max-w-[64ch] text-read text-quiet">
      Words and pictures are read together and shown to you first. Nothing is kept before you say so, and no picture
      stays on another server.
    </p>
    {#if intake.reading}<p class="mt-4 text-read" role="status">Reading {intake.reading} …</p>{/if}
    {#if intake.problem}<p class="dk-problem mt-4 text-read" role="alert">{intake.problem}</p>{/if}
    {#if waiting.data?.length}
      <section aria-labelledby="way-waiting" class="mt-6 border border-hair bg-base-100 px-4 py-3">
        <h2 id="way-waiting" class="text-read">Not finished</h2>
        <p class="text-quiet">Read, and neither taken in nor let go. What you typed is still there.</p>
        <ul class="mt-1">
          {#each waiting.data as one (one.id)}
            <li class="border-t border-hair">
              <a class="flex gap-3 py-1.5 hover:bg-base-200" href="/library/in/{one.id}">
                <span class="min-w-0 flex-1 truncate">{one.title || 'Without a title'}</span>
                <span class="text-quiet">{one.from ? `${one.from}, ` : ''}{count(one.pictures, 'picture')}</span>
              </a>
            </li>
          {/each}
        </ul>
      </section>
    {/if}
    <div class="mt-6 grid grid-cols-2 gap-x-10 gap-y-8">
      <section aria-labelledby="way-mailbox" class="row-span-3">
        <h2 id="way-mailbox" class="text-read">The mailbox</h2>
        {#if mails.error}<p class="dk-problem" role="alert">{sentenceOf(mails.error)}</p>{/if}
        {#if mails.data?.length === 0}<p class="mt-2 text-quiet">No mail is waiting.</p>{/if}
        <ul class="mt-2 border-t border-base-content">
          {#each mails.data ?? [] as mail (mail.id)}
            <li class="border-b border-hair">
              <button
                class="flex w-full cursor-pointer items-baseline gap-3 py-2.5 text-left hover:bg-base-100"
                disabled={intake.reading !== ''}
                onclick={() => intake.mail(mail.id, mail.subject)}
              >
                <span class="min-w-0 flex-1">
                  <span class="block truncate text-read">{mail.subject}</span>
                  <span class="block truncate text-quiet"
                    >{mail.from}{mail.takenAt ? `; taken in on ${dayOf(mail.takenAt)}` : ''}</span
                  >
                </span>
                <span class="dk-tabular text-right text-quiet">
                  <span class="block">{mail.date ? dayOf(mail.date) : ''}</span>
                  <span class="block">{weight(mail.bytes)}</span>
                </span>
              </button>
            </li>
          {/each}
        </ul>
        <h2 id="way-table" class="mt-8 text-read">Export and import</h2>
        <p class="mt-1 text-quiet">
          All words in one table for a spreadsheet, and back in with what changes shown first; or everything with its
          files.
        </p>
        <p class="mt-2 flex flex-wrap gap-2">
          <TableIn />
          <a class="dk-button" href="/api/library.csv" download>Export words (CSV)</a>
          <a class="dk-button" href="/api/library.zip" download>Export everything (.zip)</a>
        </p>
      </section>
      <section aria-labelledby="way-file">
        <h2 id="way-file" class="text-read">A mail, web page or bundle as a file</h2>
        <div
          class="mt-2 grid place-items-center gap-2 border border-dashed px-4 py-5 text-center"
          class:border-edge={!over}
          class:border-base-content={over}
        >
          <p>
            Drop an .eml, .html or .zip file here, or copy text with pictures anywhere and press Ctrl+V on this screen.
          </p>
          <FilePick
            label="A mail, web page or bundle as a file"
            accept=".eml,.html,.htm,.mht,.mhtml,.zip"
            onfiles={(files) => void intake.files(files)}>Choose a file</FilePick
          >
        </div>
      </section>
      <section aria-labelledby="way-address">
        <h2 id="way-address" class="text-read">An address</h2>
        <form
          class="mt-2 flex gap-2"
          onsubmit={(event) => (event.preventDefault(), address.trim() !== '' && void intake.address(address))}
        >
          <input
            class="dk-field"
            bind:value={address}
            placeholder="https:// of a page or a picture"
            aria-label="Address"
          />
          <button class="dk-button" disabled={address.trim() === '' || intake.reading !== ''}>Fetch</button>
        </form>
      </section>
      <section aria-labelledby="way-archive">
        <h2 id="way-archive" class="text-read">An archive</h2>
        <p class="mt-1 text-quiet">
          Any collection that answers by IIIF: searched by its own fields, taken with credit and rights.
        </p>
        <form class="mt-2 flex gap-2" action="/library/archive">
          <input
            class="dk-field"
            name="address"
            bind:value={archive}
            aria-label="Address of the archive’s collection"
          />
          <button class="dk-button"><Archive size={15} />Open</button>
        </form>
      </section>
      <section aria-labelledby="way-shelf">
        <h2 id="way-shelf" class="text-read">A shelf of patterns</h2>
        <p class="mt-1 text-quiet">Patterns and textures that came with Dekoro, half of them see-through.</p>
        <p class="mt-2"><a class="dk-button" href="/library/shelf">Open the shelf</a></p>
      </section>
    </div>
  </div>
</div>
