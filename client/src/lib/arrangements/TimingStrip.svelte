<!-- One round to scale: stays as bars, changes as wedges between them. -->
<script lang="ts">
  import type { Schemas } from '$lib/api/client';

  let { timing, plays, stayMs }: { timing: Schemas['Timing']; plays: boolean; stayMs: number } = $props();
  const stays = $derived(timing.staysMs);
  const starts = $derived(stays.map((_, i) => stays.slice(0, i).reduce((sum, ms) => sum + ms + timing.changeMs, 0)));
  const round = $derived(Math.max(1, timing.roundMs));
  const share = (ms: number) => (100 * ms) / round;
  const seconds = (ms: number) => `${Math.round(ms / 100) / 10} s`;
</script>

<figure class="mt-3" aria-label="One round">
  <svg viewBox="0 0 100 12" preserveAspectRatio="none" class="h-6 w-full" aria-hidden="true">
    {#each stays as stay, i (i)}
      {@const end = starts[i]! + stay}
      <rect x={share(starts[i]!)} y="0" width={share(stay)} height="12" class="fill-base-content" />
      <path d="M{share(end)} 0 L{share(end + timing.changeMs)} 6 L{share(end)} 12 Z" class="fill-crop" />
    {/each}
  </svg>
  <figcaption class="dk-tabular text-quiet">
    {stays.length}
    {stays.length === 1 ? 'stop' : 'stops'}, {new Set(stays).size > 1 ? 'most stay' : 'each stays'}
    {seconds(stayMs)} and takes {seconds(timing.changeMs)} to change{plays
      ? `: one round is ${seconds(timing.roundMs)}`
      : '; it moves when a visitor asks'}.
  </figcaption>
</figure>
{#each timing.findings as finding (finding)}<p class="mt-1 text-soft" role="status">{finding}</p>{/each}
