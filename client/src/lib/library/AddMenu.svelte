<!-- The ways a library grows: from this computer, or from elsewhere. -->
<script lang="ts">
  import { goto } from '$app/navigation';
  import { DropdownMenu } from 'bits-ui';
  import Plus from '@lucide/svelte/icons/plus';
  import { pickFiles } from '$lib/ui/pickFiles';

  let { onfiles }: { onfiles: (files: File[]) => void } = $props();
  const ways = [
    { words: 'Pictures and files', go: () => void pick(false) },
    { words: 'A folder', go: () => void pick(true) },
    { words: 'From elsewhere', go: () => void goto('/library/in') },
    { words: 'The shelf of patterns', go: () => void goto('/library/shelf') },
  ];
  async function pick(folder: boolean) {
    const files = await pickFiles({ folder });
    if (files.length > 0) onfiles(files);
  }
</script>

<DropdownMenu.Root>
  <DropdownMenu.Trigger class="dk-button"><Plus size={15} />Add</DropdownMenu.Trigger>
  <DropdownMenu.Portal>
    <DropdownMenu.Content
      class="z-30 min-w-52 rounded-[4px] border border-hair bg-base-100 py-1 text-base-content shadow-(--dk-float)"
      sideOffset={4}
      align="end"
    >
      {#each ways as way (way.words)}
        <DropdownMenu.Item class="dk-item" onSelect={way.go}>{way.words}</DropdownMenu.Item>
      {/each}
    </DropdownMenu.Content>
  </DropdownMenu.Portal>
</DropdownMenu.Root>
