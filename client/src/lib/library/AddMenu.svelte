<!-- The ways a library grows: from this computer, or from elsewhere. -->
<script lang="ts">
  import { goto } from '$app/navigation';
  import { DropdownMenu } from 'bits-ui';
  import Plus from '@lucide/svelte/icons/plus';

  let { onfiles }: { onfiles: (files: File[]) => void } = $props();
  let pictures = $state<HTMLInputElement>();
  let folder = $state<HTMLInputElement>();
  const ways = [
    { words: 'Pictures and files', go: () => pictures?.click() },
    { words: 'A folder', go: () => folder?.click() },
    { words: 'From elsewhere', go: () => void goto('/library/in') },
    { words: 'The shelf of patterns', go: () => void goto('/library/shelf') },
  ];
  function given(event: Event) {
    const field = event.currentTarget as HTMLInputElement;
    onfiles([...(field.files ?? [])]);
    field.value = '';
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
<input bind:this={pictures} type="file" multiple hidden aria-label="Add pictures" onchange={given} />
<input bind:this={folder} type="file" webkitdirectory hidden aria-label="Add a folder" onchange={given} />
