<!-- How far a picture is straightened, and where the scales of light and colour stand. -->
<script lang="ts">
  import type { Adjustments, Room } from './room.svelte';
  import RuledScale from './RuledScale.svelte';

  let { room }: { room: Room } = $props();

  const adjusted = (change: Partial<Adjustments>) => ({
    ...room.edits,
    adjustments: { ...room.edits.adjustments, ...change },
  });
  const rows: { name: string; key: keyof Adjustments; from: number }[] = [
    { name: 'Light', key: 'light', from: -100 },
    { name: 'Contrast', key: 'contrast', from: -100 },
    { name: 'Shadows', key: 'shadows', from: -100 },
    { name: 'Colour', key: 'colour', from: -100 },
    { name: 'Warmth', key: 'warmth', from: -100 },
    { name: 'Sharpen', key: 'sharpen', from: 0 },
  ];
</script>

<div class="mt-2 grid grid-cols-4 gap-x-5 gap-y-1 @min-[800px]:grid-cols-7">
  <RuledScale
    name="Straighten"
    value={room.edits.straightenDeg}
    from={-room.mostStraightenDeg}
    to={room.mostStraightenDeg}
    step={0.1}
    unit="°"
    onmove={(straightenDeg) => room.show({ ...room.edits, straightenDeg })}
    onchange={(straightenDeg) => room.change({ ...room.edits, straightenDeg })}
  />
  {#each rows as row (row.key)}
    <RuledScale
      name={row.name}
      value={room.edits.adjustments[row.key]}
      from={row.from}
      to={100}
      onmove={(value) => room.show(adjusted({ [row.key]: value }))}
      onchange={(value) => room.change(adjusted({ [row.key]: value }))}
    />
  {/each}
</div>
