<!-- A button that lets pictures of the library be chosen in a dialog: one, or several in the order in which they are chosen. -->
<script lang="ts">
  import type { Through } from '$lib/api/queries';
  import Sheet from '$lib/ui/Sheet.svelte';
  import { count } from '$lib/model/words';
  import { Choosing } from '$lib/ui/choosing.svelte';
  import LibraryChoice from './LibraryChoice.svelte';

  let {
    label,
    many = true,
    through = null,
    onchoose,
  }: {
    label: string;
    /** False takes the first that is pressed. */
    many?: boolean;
    /** The place they are for: how each fits is said, and the best comes first. */
    through?: Through | null;
    onchoose: (ids: string[]) => void;
  } = $props();
  let open = $state(false);
  const choosing = new Choosing();

  function take(ids: string[]) {
    onchoose(ids);
    open = false;
  }
</script>

<button class="dk-button" onclick={() => (choosing.clear(), (open = true))}>{label}</button>
<Sheet bind:open title="From the library" wide>
  <LibraryChoice {choosing} {many} {through} onone={(id) => take([id])} />
  {#snippet foot()}
    {#if many}
      <button class="dk-button" disabled={choosing.ids.size === 0} onclick={() => choosing.clear()}>Choose none</button>
      <button class="dk-button main" disabled={choosing.ids.size === 0} onclick={() => take([...choosing.ids])}
        >Add {count(choosing.ids.size, 'picture')}</button
      >
    {:else}
      <button class="dk-button" onclick={() => (open = false)}>Not now</button>
    {/if}
  {/snippet}
</Sheet>
