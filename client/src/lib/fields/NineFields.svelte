<!-- Where words stand: one of nine fields. -->
<script lang="ts">
  type Across = 'left' | 'centre' | 'right';
  type Down = 'top' | 'middle' | 'bottom';
  let { across, down, onset }: { across: Across; down: Down; onset: (change: { across: Across; down: Down }) => void } =
    $props();
  const columns = ['left', 'centre', 'right'] as const;
  const rows = ['top', 'middle', 'bottom'] as const;
  const acrossClass = { left: 'justify-start', centre: 'justify-center', right: 'justify-end' };
  const downClass = { top: 'items-start', middle: 'items-center', bottom: 'items-end' };
</script>

<div class="grid w-36 grid-cols-3 gap-1" role="group" aria-label="Where the words stand">
  {#each rows as y (y)}
    {#each columns as x (x)}
      <button
        class="dk-button h-8 justify-center px-0!"
        aria-label="{y}, {x}"
        aria-pressed={across === x && down === y}
        onclick={() => onset({ across: x, down: y })}
      >
        <span class="flex h-5 w-8 {acrossClass[x]} {downClass[y]}" aria-hidden="true"
          ><span class="h-[3px] w-3.5 bg-current"></span></span
        >
      </button>
    {/each}
  {/each}
</div>
