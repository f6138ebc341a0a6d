<!-- A button that asks for files of this computer. -->
<script lang="ts">
  import type { Snippet } from 'svelte';

  let {
    label,
    accept,
    many = true,
    onfiles,
    children,
  }: {
    /** Names the field for those who do not see the button. */
    label: string;
    accept?: string;
    many?: boolean;
    onfiles: (files: File[]) => void;
    children: Snippet;
  } = $props();
  let picker = $state<HTMLInputElement>();
</script>

<button class="dk-button" onclick={() => picker?.click()}>{@render children()}</button>
<input
  bind:this={picker}
  type="file"
  multiple={many}
  hidden
  {accept}
  aria-label={label}
  onchange={(event) => {
    onfiles([...(event.currentTarget.files ?? [])]);
    // The same file chosen again is asked for again.
    event.currentTarget.value = '';
  }}
/>
