<!-- The line a collection is searched by, with what it finds at its end. -->
<script lang="ts">
  import Search from '@lucide/svelte/icons/search';
  let {
    query = $bindable(),
    label,
    placeholder,
    found,
  }: { query: string; label: string; placeholder: string; found: string } = $props();
</script>

<label
  class="dk-framed flex h-8 min-w-56 flex-1 items-center gap-2 rounded-[4px] border border-edge bg-base-100 px-2.5"
>
  <Search size={16} />
  <input class="min-w-0 flex-1" type="search" bind:value={query} {placeholder} aria-label={label} />
  <span class="dk-tabular text-quiet" aria-live="polite">{found}</span>
</label>
