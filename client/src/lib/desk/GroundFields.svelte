<!-- What stands behind the words of a band or cell: whether they can be read, the picture, the colour and the tint. -->
<script lang="ts">
  import { proofOf } from '$lib/api/client';
  import FilePick from '$lib/ui/FilePick.svelte';
  import Group from '$lib/ui/Group.svelte';
  import { uploads } from '$lib/media/uploads.svelte';
  import BehindFields from '$lib/fields/BehindFields.svelte';
  import ReadingWords from '$lib/fields/ReadingWords.svelte';
  import type { Desk } from './desk.svelte';
  import FitTable from '$lib/fields/FitTable.svelte';
  import TintFields from '$lib/fields/TintFields.svelte';
  import type { GroundAttrs } from '$lib/model/attrs';

  let { desk, id, ground, name }: { desk: Desk; id: string; ground: GroundAttrs; name: 'band' | 'cell' } = $props();
  const look = $derived(desk.preview.look?.grounds[id]);
  const behind = $derived(desk.preview.look?.figures[id]);
  const offer = $derived(desk.site.bands);
  const set = (change: Partial<GroundAttrs>) => desk.set(id, change);
  let open = $state({ ground: true, tint: true });
  /** Nothing moves while one writes, but by wish, and as long as one looks at it. */
  let plays = $state(false);
  $effect(() => {
    if (!plays) return;
    const [views, moved] = [desk.views, id];
    views.move(moved, true);
    return () => views.move(moved, false);
  });
  const percent = (strength: number) => Math.round((100 * strength) / offer.tintSteps);
  const colourName = (colour: string | null) =>
    colour === null ? 'none' : (offer.colours.find((one) => one.colour === colour)?.name ?? colour);
  const groundWords = $derived(
    [behind?.title ?? (ground.picture ? 'picture' : ''), ground.colour ? `on ${colourName(ground.colour)}` : '']
      .filter((words) => words)
      .join(' ') || 'nothing',
  );

  async function fromFiles(files: File[]) {
    const [asset] = (await uploads.add(files)).filter((one) => one !== null);
    if (asset) set({ picture: asset });
  }
</script>

<ReadingWords {look} {ground} {offer} {name} now={desk.widthClass} onset={set} />
<Group name="Behind" value={groundWords} bind:open={open.ground}>
  <div class="flex gap-3">
    {#if behind}<img src={proofOf(behind.picture, 160)} alt="" class="h-17 w-17 object-contain object-left" />{/if}
    <div>
      <button class="dk-button" aria-pressed={desk.trial.swapping === id} onclick={() => desk.trial.begin(id)}
        >{ground.picture ? 'Change the picture' : 'Picture from the library'}</button
      >
      {#if ground.picture}
        <a class="dk-button mt-1.5" href="/library/room/{ground.picture}?from={encodeURIComponent(desk.id)}"
          >Room<span class="dk-key">F</span></a
        >
      {/if}
    </div>
  </div>
  <div class="mt-1.5 flex flex-wrap gap-1.5">
    <FilePick label="Picture for the {name}" onfiles={(files) => void fromFiles(files)}>From this computer</FilePick>
    {#if ground.picture}
      <button class="dk-button" onclick={() => set({ picture: null, repeats: false, video: null, set: null })}
        >Without it</button
      >
    {/if}
  </div>
  {#if ground.picture}
    <label class="mt-2 flex min-h-6 items-center gap-1.5">
      <input
        type="checkbox"
        checked={ground.repeats}
        onchange={(event) => set({ repeats: event.currentTarget.checked })}
      />a pattern, repeated at its own size
    </label>
    {#if behind && !ground.repeats}<div class="mt-1"><FitTable now={desk.widthClass} look={behind} /></div>{/if}
  {/if}
  <BehindFields {ground} {offer} mayFollow={name === 'band'} onset={set} />
  {#if ground.video && ground.picture}
    <button class="dk-button mt-2" aria-pressed={plays} onclick={() => (plays = !plays)}
      >{plays ? 'Stop it here' : 'Play it here'}</button
    >
  {/if}
</Group>
<Group
  name="Tint"
  value={ground.tintStrength.some((one) => one > 0)
    ? `${colourName(ground.tint)}, ${ground.tintStrength.map(percent).join(', ')} %`
    : 'none'}
  bind:open={open.tint}
>
  <TintFields
    tint={ground.tint}
    strength={ground.tintStrength}
    {offer}
    onset={(change) => set(change as Partial<GroundAttrs>)}
  />
</Group>
