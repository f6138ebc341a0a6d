<!-- When a banner runs: first and last day, every year or once; or standing, where no other runs. -->
<script lang="ts">
  import RunDays from '$lib/fields/RunDays.svelte';
  import type { Banners, Dates } from './banners.svelte';

  let { banners, row }: { banners: Banners; row: (typeof banners.items)[number] } = $props();
  /** What was typed and is not taken yet, with the sentence that says why it cannot be. */
  let typed = $state.raw<Dates | null>(null);
  let sentence = $state('');
  const days = $derived(typed ?? row.values);

  async function take(change: Partial<Dates>) {
    const { from, until, yearly } = { ...days, ...change };
    const mine: Dates = (typed = { from, until, yearly });
    const refused = await banners.times.refusal(row.id, mine);
    // Something was typed meanwhile: that is asked about by itself.
    if (typed !== mine) return;
    sentence = refused;
    if (refused) return;
    typed = null;
    banners.set(row.id, mine);
  }
</script>

<label class="mb-2 flex min-h-6 items-center gap-1.5">
  <input
    type="checkbox"
    role="switch"
    class="toggle toggle-sm"
    checked={row.values.isStanding}
    onchange={(event) => banners.set(row.id, { isStanding: event.currentTarget.checked })}
  />standing: shows where no other does
</label>
{#if !row.values.isStanding}
  <RunDays {days} onset={(change) => void take(change)} />
  {#if sentence}
    <div role="alert">
      <p class="dk-problem mt-1">{sentence}</p>
      {#if days.from && days.until}
        <div class="mt-1.5 flex flex-wrap gap-1.5">
          <button class="dk-button" onclick={() => void take({ yearly: true })}>Every year, over new year</button>
          <button class="dk-button" onclick={() => void take({ from: days.until, until: days.from })}
            >Swap the two days</button
          >
        </div>
      {/if}
    </div>
  {:else}
    <p class="mt-1 text-quiet">Both days count.</p>
  {/if}
{/if}
