<!-- What is seen on the picture: the keep area, a cut, or the original; and, when asked, where it is sharpest. -->
<script lang="ts">
  import { sentenceOf } from '$lib/api/client';
  import { keepSaid } from '$lib/model/words';
  import { sharpestIn } from './calls';
  import type { Box, Room } from './room.svelte';

  let {
    room,
    comparing,
    box,
    sharpest = $bindable(),
  }: {
    room: Room;
    comparing: boolean;
    /** The shape of the cut that is drawn; null while none is. */
    box: string | null;
    sharpest: Box | null;
  } = $props();
  let asked = $state(false);
  let said = $state('');

  /** Edits that are kept meanwhile change what is sharp. */
  const version = $derived(room.keptAt);
  $effect(() => {
    void version;
    if (!asked) [sharpest, said] = [null, ''];
    else
      void sharpestIn(room.id).then(
        (told) => asked && ([sharpest, said] = [told.box, told.sentence]),
        (error) => (said = sentenceOf(error)),
      );
  });
</script>

<p class="absolute top-1.5 left-5 rounded-[4px] bg-base-100 px-2 py-1">
  {#if comparing}The original
  {:else if box !== null}Cut <span class="text-quiet">{box === 'free' ? 'free' : box}, Esc when it is right</span>
  {:else}Keep area <span class="text-quiet">{keepSaid(room.file.keep)}</span>
    <button class="dk-link ml-1" onclick={() => void room.guessArea()}
      >guess {room.file.keep?.byHand ? 'again' : 'anew'}</button
    >{/if}
</p>
{#if !comparing && box === null}
  <p class="absolute top-1.5 right-5 rounded-[4px] bg-base-100 px-2 py-1">
    <span role="status">{said}</span>
    <button class="dk-link" class:ml-1={said !== ''} aria-pressed={asked} onclick={() => (asked = !asked)}
      >{asked ? 'hide it' : 'where is it sharpest?'}</button
    >
  </p>
{/if}
