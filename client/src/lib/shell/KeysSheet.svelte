<!-- Every key of the tool, by the place it acts in; and the switch for single letters. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { letters } from '$lib/ui/letters.svelte';
  import Sheet from '$lib/ui/Sheet.svelte';

  let { open = $bindable() }: { open: boolean } = $props();
  const places = [
    {
      name: 'Everywhere',
      keys: [
        ['?', 'this list'],
        ['Ctrl K', 'search the library'],
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
        ['← →', 'picture before, picture after'],
        ['⇧ ← →', 'choose as far as there'],
        ['F', 'picture room'],
        ['Ctrl ↵', 'in a words round: keep and on'],
      ],
    },
    {
      name: 'In the picture room',
      keys: [['O', 'the original, while it is held']],
    },
  ];
  onMount(() => {
    const show = () => (open = true);
    addEventListener('keys-asked', show);
    return () => removeEventListener('keys-asked', show);
  });
</script>

<Sheet bind:open title="Keys">
  {#each places as place (place.name)}
    <h3 class="mt-3 font-semibold first:mt-0">{place.name}</h3>
    <dl class="mt-1 grid grid-cols-[168px_1fr]">
      {#each place.keys as [key, does] (key)}
        <dt class="border-t border-hair py-1"><kbd class="dk-key">{key}</kbd></dt>
        <dd class="border-t border-hair py-1">{does}</dd>
      {/each}
    </dl>
  {/each}
  <label class="mt-4 flex items-start gap-2">
    <input
      type="checkbox"
      class="mt-0.5 size-4 accent-neutral"
      checked={letters.on}
      onchange={(event) => letters.set(event.currentTarget.checked)}
    />
    <span>Single letters and signs act as keys, where no text is being written</span>
  </label>
</Sheet>
