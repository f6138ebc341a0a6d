<!-- The versions, oldest first: places follow the one in use, and an older one is a click away. -->
<script lang="ts">
  import { proofOf } from '$lib/api/client';
  import { dayOf } from '$lib/model/words';
  import type { Room } from './room.svelte';

  let { room }: { room: Room } = $props();
</script>

<!-- While there is the original alone, the picture has the room. -->
{#if room.versions.length === 1}
  <section aria-label="Versions" class="flex h-11 flex-none items-center gap-3 border-t border-hair px-5">
    <h2>Versions</h2>
    <ul aria-label="All versions"><li>{room.versions[0]!.what}, in use</li></ul>
    <p class="text-quiet">The first change begins a new one; all places follow the one in use.</p>
  </section>
{:else}
  <section aria-label="Versions" class="flex h-[148px] flex-none gap-6 border-t border-hair px-5 py-3.5">
    <div class="w-28 flex-none">
      <h2>Versions</h2>
      <p class="text-quiet">All places follow the one in use.</p>
      <button class="dk-link mt-1 text-left" onclick={() => room.beginNew()}>next change begins a new one</button>
    </div>
    <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
    <ul class="-m-4 flex min-w-0 flex-1 gap-6 overflow-x-auto p-4" tabindex="0" aria-label="All versions">
      {#each room.versions as version (version.number)}
        <li class="w-28 flex-none">
          <button
            class="block w-full cursor-pointer text-left"
            aria-pressed={version.isInUse}
            onclick={() => void room.use(version.number)}
          >
            <span class="block w-fit" class:dk-crop={version.isInUse}>
              <img
                src={proofOf(version.picture, 160)}
                alt=""
                class="block h-14 max-w-28 bg-base-300 object-contain"
                style:aspect-ratio={version.width / version.height}
              />
            </span>
            <span class="mt-3.5 block truncate" title={version.what}>{version.what}</span>
            <span class="dk-tabular block text-quiet">{version.isInUse ? 'in use' : dayOf(version.madeAt)}</span>
          </button>
        </li>
      {/each}
    </ul>
  </section>
{/if}
