<script lang="ts">
  import type { Desk } from './desk.svelte';
  import PieceMoves from './PieceMoves.svelte';
  import WordsHere from './WordsHere.svelte';

  let { desk }: { desk: Desk } = $props();
</script>

<div class="border-b border-hair px-4 py-3">
  <PieceMoves {desk} name={desk.chosenPiece?.text || 'Text'} />
</div>
<WordsHere {desk} />
