<!-- What stands behind the words of a band or cell: whether they can be read, the picture, the colour and the tint. -->
<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { isVideo, otherFiles, thereOf } from '$lib/media/otherFiles';
  import { proofOf } from '$lib/api/client';
  import { arrangementList } from '$lib/api/queries';
  import FilePick from '$lib/ui/FilePick.svelte';
  import Group from '$lib/ui/Group.svelte';
  import { uploads } from '$lib/media/uploads.svelte';
  import { classes } from '$lib/model/choices';
  import ColourChoice from '$lib/fields/ColourChoice.svelte';
  import ContrastTable from '$lib/fields/ContrastTable.svelte';
  import type { Desk } from './desk.svelte';
  import FileChoice from '$lib/fields/FileChoice.svelte';
  import FitTable from '$lib/fields/FitTable.svelte';
  import TintFields from '$lib/fields/TintFields.svelte';
  import type { Each, GroundAttrs } from '$lib/model/attrs';

  let { desk, id, ground, name }: { desk: Desk; id: string; ground: GroundAttrs; name: 'band' | 'cell' } = $props();
  const files = createQuery(() => otherFiles(''));
  const sets = createQuery(arrangementList);
  const videos = $derived(thereOf(files.data?.items, isVideo));
  const look = $derived(desk.preview.look?.grounds[id]);
  const behind = $derived(desk.preview.look?.figures[id]);
  const offer = $derived(desk.site.bands);
  const set = (change: Partial<GroundAttrs>) => desk.set(id, change);
  let open = $state({ ground: true, tint: true });
  const percent = (strength: number) => Math.round((100 * strength) / offer.tintSteps);
  const read = $derived(classes.filter((c) => look?.on[c].contrast));
  const mend = $derived(look?.mend);
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

<section class="border-b border-hair px-4 py-2.5" aria-label="Reading the words">
  <h3 class="mb-1 font-semibold">Reading the words</h3>
  {#if look && read.length > 0}
    <ContrastTable rows={read.map((c) => [c, look.on[c].contrast!] as const)} now={desk.widthClass} />
    {#if mend}
      {@const turned = mend.words !== ground.words || mend.tint !== ground.tint}
      <button
        class="dk-button main mt-1.5"
        onclick={() =>
          set({ words: mend.words, tint: mend.tint, tintStrength: classes.map((c) => mend.strength[c]) as Each })}
        >{turned ? `Take ${mend.words} words, tint ${colourName(mend.tint)}` : 'Set the least tint'}</button
      >
    {:else if read.some((c) => !look.on[c].contrast!.isEnough)}
      <p class="mt-1">No tint makes these words readable: choose another picture or colour behind them.</p>
    {/if}
  {:else}
    <p class="text-quiet">Words typed in the {name} are measured on what stands behind them.</p>
  {/if}
  <div class="mt-2 flex gap-1.5" role="group" aria-label="Words are">
    <button class="dk-button" aria-pressed={ground.words === 'dark'} onclick={() => set({ words: 'dark' })}
      >dark words</button
    >
    <button class="dk-button" aria-pressed={ground.words === 'light'} onclick={() => set({ words: 'light' })}
      >light words</button
    >
  </div>
</section>
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
  {#if ground.picture && !ground.repeats && videos.length > 0}
    <FileChoice
      label="Moving picture over it"
      value={ground.video}
      files={videos}
      onset={(video) => set({ video, set: null })}
    />
    {#if ground.video}<p class="mt-1 text-quiet">
        It plays without sound, with a way to pause it; who wants no movement sees the picture. The words are measured
        on the picture: choose one like the video.
      </p>{/if}
  {/if}
  {#if name === 'band' && ground.picture && !ground.repeats && (sets.data?.arrangements.length || ground.set)}
    <label class="dk-label mt-2" for="ground-set">Pictures that follow it</label>
    <select
      id="ground-set"
      class="dk-field"
      value={ground.set ?? ''}
      onchange={(event) => set({ set: event.currentTarget.value || null, video: null })}
    >
      <option value="">none</option>
      {#each sets.data?.arrangements ?? [] as one (one.id)}<option value={one.id}>{one.name}</option>{/each}
    </select>
    {#if ground.set}<p class="mt-1 text-quiet">
        They fade into one another with the arrangement’s own stays, with a way to pause them; who wants no movement
        sees the picture. The words are measured on each.
      </p>{/if}
  {/if}
  <h4 class="dk-label mt-3">Colour behind</h4>
  <ColourChoice
    label="Colour behind"
    colours={offer.colours}
    value={ground.colour}
    none="none"
    onset={(colour) => set({ colour })}
  />
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
