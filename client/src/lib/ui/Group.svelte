<!-- One group of a sheet: a line with its value in words when closed, opening in place. -->
<script lang="ts">
  import { tick, type Snippet } from 'svelte';
  import ChevronDown from '@lucide/svelte/icons/chevron-down';
  let {
    name,
    value = '',
    open = $bindable(false),
    children,
  }: { name: string; value?: string; open?: boolean; children: Snippet } = $props();
  const id = $props.id();
  let section = $state<HTMLElement>();

  /** What was opened at the foot of a sheet comes into view. */
  async function turn() {
    open = !open;
    await tick();
    if (open) section?.scrollIntoView({ block: 'nearest' });
  }
</script>

<section bind:this={section} class="border-b border-hair">
  <h3>
    <button
      class="flex w-full cursor-pointer items-center gap-2 px-4 py-2 text-left"
      aria-expanded={open}
      aria-controls={id}
      onclick={turn}
    >
      <span class="font-semibold">{name}</span>
      <span class="min-w-0 flex-1 truncate font-normal text-quiet">{value}</span>
      <ChevronDown size={15} class={open ? 'rotate-180' : ''} />
    </button>
  </h3>
  <div {id} hidden={!open} class="px-4 pb-3">
    {#if open}{@render children()}{/if}
  </div>
</section>
