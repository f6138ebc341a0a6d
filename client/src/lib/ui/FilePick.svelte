<!-- A button that asks for files of this computer. -->
<script lang="ts">
  import type { Snippet } from 'svelte';
  import { pickFiles } from './pickFiles';

  let {
    label,
    accept,
    many = true,
    onfiles,
    children,
  }: {
    /** Says more of the button to those who do not see what stands around it. */
    label: string;
    accept?: string;
    many?: boolean;
    onfiles: (files: File[]) => void;
    children: Snippet;
  } = $props();

  async function pick() {
    const files = await pickFiles({ many, accept });
    if (files.length > 0) onfiles(files);
  }
</script>

<button class="dk-button" title={label} onclick={() => void pick()}>{@render children()}</button>
