<!-- A picture with the box of what must never be cut off. -->
<script lang="ts">
  import { proofOf } from '$lib/api/client';
  import DrawnBox from '$lib/ui/DrawnBox.svelte';

  type Box = { x: number; y: number; width: number; height: number };
  let {
    picture,
    shape,
    keep,
    cut,
    onchange,
  }: {
    picture: string;
    /** Width over height of the picture. */
    shape: number;
    keep: Box | null;
    /** Shown beside, as fractions of the picture. */
    cut?: Box;
    onchange: (box: Box) => void;
  } = $props();
  const percent = (b: Box) => `left:${b.x * 100}%;top:${b.y * 100}%;width:${b.width * 100}%;height:${b.height * 100}%`;
</script>

<DrawnBox label="Keep area" {shape} box={keep} {onchange}>
  <img src={proofOf(picture, 640)} alt="" class="block h-full w-full" draggable="false" />
  {#if cut}<div class="pointer-events-none absolute shade" style={percent(cut)}></div>{/if}
</DrawnBox>

<style>
  .shade {
    box-shadow: 0 0 0 2000px rgb(0 0 0 / 0.5);
  }
</style>
