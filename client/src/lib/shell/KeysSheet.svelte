<!-- Help: what this place is for, with a drawing of it; every key of the tool; the switch for single letters. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { createQuery } from '@tanstack/svelte-query';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { answer, api } from '$lib/api/client';
  import { pageNames } from '$lib/api/queries';
  import { firstSteps } from './firstSteps.svelte';
  import { helps } from './help';
  import { letters } from '$lib/ui/letters.svelte';
  import Sheet from '$lib/ui/Sheet.svelte';

  let { open = $bindable() }: { open: boolean } = $props();
  const places = [
    {
      name: 'Everywhere',
      keys: [
        ['?', 'this help'],
        ['Ctrl K', 'find or do anything'],
        ['Esc', 'back one step'],
      ],
    },
    {
      name: 'On the desk',
      keys: [
        ['L', 'library open or shut'],
        ['Space', 'in the library: choose one more picture'],
        ['1 2 3', 'width: phone, tablet, desktop'],
        ['[ ]', 'picture before, picture after'],
        ['A, then ← ↓ →', 'side: left, centre, right'],
        ['+ −', 'size: one step up, one down'],
        ['T', 'alt text'],
        ['C', 'caption'],
        ['F', 'picture room'],
        ['P', 'phone proof shown or not'],
        ['⇧ P', 'proofs at all widths'],
        ['Ctrl ↵', 'add here'],
        ['Alt ↑ ↓', 'move the piece'],
        ['Ctrl Z, Ctrl ⇧ Z', 'undo, redo'],
      ],
    },
    {
      name: 'In the library',
      keys: [
        ['← → ↑ ↓', 'to the next picture'],
        ['⇧ ← →', 'choose as far as there'],
        ['Ctrl A', 'choose all that were found'],
        ['T', 'alt text'],
        ['C', 'caption'],
        ['F', 'picture room'],
        ['Ctrl ↵', 'in a words round: keep and on'],
      ],
    },
    {
      name: 'In the picture room',
      keys: [['O', 'the original, while it is held']],
    },
  ];
  const help = $derived(helps.find(({ at }) => at.test(page.url.pathname)));
  const pages = createQuery(() => ({ ...pageNames(), enabled: open }));

  /** On a site that has pages they are gone through on a copy of one, so that nothing of it is changed. */
  async function show() {
    const first = pages.data?.[0];
    open = false;
    if (!first) {
      firstSteps.begin();
      return goto('/');
    }
    const copy = await answer(api.POST('/api/pages/{id}/copy', { params: { path: { id: first.id } } }));
    firstSteps.begin(copy.id);
    await goto(`/pages/${copy.id}`);
  }

  onMount(() => {
    const ask = () => (open = true);
    addEventListener('keys-asked', ask);
    return () => removeEventListener('keys-asked', ask);
  });
</script>

<Sheet bind:open title="Help" wide>
  {#if help}
    <div class="mb-4 flex gap-6 border-b border-hair pb-4">
      <svg viewBox="-1 -1 222 142" class="w-64 flex-none" role="img" aria-label="How {help.name} is laid out">
        {#each help.parts as [x, y, width, height, name], i (i)}
          {@const [left, top] = [x * 2.2, y * 1.4]}
          <rect x={left} y={top} width={width * 2.2} height={height * 1.4} fill="none" stroke="currentColor" />
          <text
            x={left + width * 1.1}
            y={top + height * 0.7 + 3}
            text-anchor="middle"
            fill="currentColor"
            font-size="9"
            textLength={name.length * 4.4 > width * 2.1 ? width * 2 : undefined}
            lengthAdjust="spacingAndGlyphs">{name}</text
          >
        {/each}
      </svg>
      <div class="min-w-0">
        <h3 class="text-read font-semibold">{help.name}</h3>
        {#each help.sentences as sentence, i (i)}<p class="mt-1.5 text-read">{sentence}</p>{/each}
        <button class="dk-link mt-2" onclick={() => void show()}>Show me the first steps</button>
      </div>
    </div>
  {/if}
  <h3 class="text-read font-semibold">Keys</h3>
  <label class="mt-1 mb-3 flex items-start gap-2">
    <input
      type="checkbox"
      class="mt-0.5 size-4 accent-neutral"
      checked={letters.on}
      onchange={(event) => letters.set(event.currentTarget.checked)}
    />
    <span>Single letters and signs act as keys, where no text is being written</span>
  </label>
  {#each places as place (place.name)}
    <h3 class="mt-3 font-semibold first:mt-0">{place.name}</h3>
    <dl class="mt-1 grid grid-cols-[168px_1fr]">
      {#each place.keys as [key, does] (key)}
        <dt class="border-t border-hair py-1"><kbd class="dk-key">{key}</kbd></dt>
        <dd class="border-t border-hair py-1">{does}</dd>
      {/each}
    </dl>
  {/each}
</Sheet>
