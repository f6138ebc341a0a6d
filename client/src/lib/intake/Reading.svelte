<!-- What was read, as it came: words in their order and each picture at its place among them. -->
<script lang="ts">
  import { proofOf } from '$lib/api/client';
  import type { Proposal } from './intake.svelte';

  let { read, without }: { read: Proposal; without: Set<string> } = $props();
  const files = $derived(new Map(read.pictures.map((picture) => [picture.file.id, picture.file])));
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div
  class="h-full overflow-y-auto bg-base-100 px-5 py-4 text-read"
  tabindex="0"
  role="region"
  aria-label="As it came, in full"
>
  {#each read.pieces as piece, i (i)}
    {@const file = piece.picture ? files.get(piece.picture) : undefined}
    {#if piece.kind === 'rule'}
      <hr class="my-3 border-hair" />
    {:else if file}
      <figure class="my-3" class:opacity-40={without.has(file.id)}>
        <img
          src={proofOf(file.picture, 320)}
          alt={file.words.alt || file.words.title}
          class="max-h-44 max-w-full"
          style:aspect-ratio={file.width / file.height}
        />
        <figcaption class="dk-tabular text-base text-quiet">
          {file.fileName}{without.has(file.id) ? ', stays out' : ''}
        </figcaption>
      </figure>
    {:else}
      <p
        class="mb-2.5 whitespace-pre-line"
        class:font-semibold={piece.kind === 'heading'}
        class:pl-4={piece.kind === 'quote'}
      >
        {piece.text}
      </p>
    {/if}
  {/each}
</div>
