<!-- One round to scale: stays as bars, changes as wedges between them. -->
<script lang="ts">
  import type { Schemas } from '$lib/api/client';

  let { timing, plays }: { timing: Schemas['Timing']; plays: boolean } = $props();
  const each = $derived(timing.stayMs + timing.changeMs);
  const round = $derived(Math.max(1, timing.stops) * each);
  const share = (ms: number) => (100 * ms) / round;
  const seconds = (ms: number) => `${Math.round(ms / 100) / 10} s`;
</script>

<figure class="mt-3" aria-label="One round">
  <svg viewBox="0 0 100 12" preserveAspectRatio="none" class="h-6 w-full" aria-hidden="true">
    {#each { length: timing.stops }, i (i)}
      <rect x={share(i * each)} y="0" width={share(timing.stayMs)} height="12" class="fill-base-content" />
      <path
        d="M{share(i * each + timing.stayMs)} 0 L{share((i + 1) * each)} 6 L{share(i * each + timing.stayMs)} 12 Z"
        class="fill-crop"
      />
    {/each}
  </svg>
  <figcaption class="dk-tabular text-quiet">
    {timing.stops}
    {timing.stops === 1 ? 'stop' : 'stops'}, each stays {seconds(timing.stayMs)} and takes {seconds(timing.changeMs)} to change{plays
      ? `: one round is ${seconds(timing.roundMs)}`
      : '; it moves when a visitor asks'}.
  </figcaption>
</figure>
{#each timing.findings as finding (finding)}<p class="mt-1 text-soft" role="status">{finding}</p>{/each}
