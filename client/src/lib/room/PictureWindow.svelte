<!-- A part of a picture under its edits, drawn from the original by the map the server gives; no new file is made. -->
<script lang="ts">
  import { proofOf, type Schemas } from '$lib/api/client';

  let {
    picture,
    original,
    map,
    window: part,
    width,
    filter,
  }: {
    /** Names the original's proofs. */
    picture: string;
    original: { width: number; height: number };
    /** From px of the original to px of the picture that `window` is cut from. */
    map: Schemas['PictureMap'];
    window: { x: number; y: number; width: number; height: number };
    /** How wide it is drawn, CSS px. */
    width: number;
    /** Id of the filter of light and colour; null for none. */
    filter: string | null;
  } = $props();

  const proofPx = $derived(width > 330 || part.width < original.width / 2 ? 1280 : 640);
  const drawn = $derived(Math.min(proofPx, original.width));
  const scale = $derived(width / part.width);
  const perProofPx = $derived(original.width / drawn);
  const matrix = $derived(
    [
      map.a * perProofPx * scale,
      map.b * perProofPx * scale,
      map.c * perProofPx * scale,
      map.d * perProofPx * scale,
      (map.e - part.x) * scale,
      (map.f - part.y) * scale,
    ].join(','),
  );
</script>

<div
  class="relative overflow-hidden"
  style:width="{width}px"
  style:height="{(width * part.height) / part.width}px"
  style:filter={filter ? `url(#${filter})` : 'none'}
>
  <img
    src={proofOf(picture, proofPx as 1280 | 640)}
    alt=""
    draggable="false"
    class="absolute top-0 left-0 max-w-none"
    style:width="{drawn}px"
    style:height="{(drawn * original.height) / original.width}px"
    style:transform-origin="0 0"
    style:transform="matrix({matrix})"
  />
</div>
