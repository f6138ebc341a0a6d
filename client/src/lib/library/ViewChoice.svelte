<!-- How the library is looked at: pictures on a contact sheet or in a list, or what is no picture. -->
<script lang="ts">
  let { view, onchange }: { view: 'sheet' | 'list' | 'others'; onchange?: (view: 'sheet' | 'list') => void } = $props();
</script>

{#snippet choice(name: 'sheet' | 'list', words: string)}
  {#if onchange}
    <button class="dk-button min-h-6" aria-pressed={view === name} onclick={() => onchange(name)}>{words}</button>
  {:else}
    <a class="dk-button min-h-6" href="/library{name === 'list' ? '?list' : ''}">{words}</a>
  {/if}
{/snippet}

<div class="flex items-center gap-1.5" role="group" aria-label="View">
  {@render choice('sheet', 'Contact sheet')}
  {@render choice('list', 'List')}
  {#if onchange}
    <a class="dk-button min-h-6" href="/library/files">Other files</a>
  {:else}
    <a class="dk-button min-h-6" aria-current="page" href="/library/files">Other files</a>
  {/if}
</div>
