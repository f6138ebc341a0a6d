<!-- A cut drawn by hand: a button that begins with the cut as it stands, then a box on the whole picture. -->
<script lang="ts">
  import { proofOf, type Schemas } from '$lib/api/client';
  import DrawnBox from '$lib/ui/DrawnBox.svelte';
  import type { DrawnCut } from '$lib/model/attrs';

  let {
    look,
    drawn,
    onchange,
  }: {
    look: Pick<Schemas['CutResponse'], 'asset' | 'picture' | 'cut' | 'sourceWidth' | 'sourceHeight'>;
    drawn: DrawnCut | null;
    onchange: (cut: DrawnCut) => void;
  } = $props();
  const standing = $derived({
    x: look.cut.x / look.sourceWidth,
    y: look.cut.y / look.sourceHeight,
    width: look.cut.width / look.sourceWidth,
    height: look.cut.height / look.sourceHeight,
  });
</script>

<button
  class="dk-button"
  aria-pressed={drawn !== null}
  onclick={() => drawn === null && onchange({ of: look.asset, ...standing })}>by hand</button
>
{#if drawn}
  <div class="mt-2 w-full">
    <DrawnBox
      label="Cut"
      shape={look.sourceWidth / look.sourceHeight}
      box={drawn}
      shaded
      onchange={(box) => onchange({ of: look.asset, ...box })}
    >
      <img src={proofOf(look.picture, 640)} alt="" class="block h-full w-full" draggable="false" />
    </DrawnBox>
    <p class="mt-1.5 text-quiet">Drag the box or its corners, or use the arrow keys on them.</p>
  </div>
{/if}
