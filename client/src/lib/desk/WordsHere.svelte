<!-- The sheet of the words that hold the caret: a button's, or that of any other words. -->
<script lang="ts">
  import ButtonFields from './ButtonFields.svelte';
  import type { Desk } from './desk.svelte';
  import TextMarks from './TextMarks.svelte';

  let { desk }: { desk: Desk } = $props();
</script>

{#if desk.button}<ButtonFields {desk} button={desk.button} />{:else}<TextMarks {desk} />{/if}
