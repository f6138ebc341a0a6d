<!-- What a banner has of its own on one class of screen: another picture, what is seen of it, other words' place, fewer words. -->
<script lang="ts">
  import ClassRows from '$lib/fields/ClassRows.svelte';
  import { proofOf, type Schemas } from '$lib/api/client';
  import KeepBox from '$lib/fields/KeepBox.svelte';
  import NineFields from '$lib/fields/NineFields.svelte';
  import FromLibrary from '$lib/media/FromLibrary.svelte';
  import { uploads } from '$lib/media/uploads.svelte';
  import type { BandException, WidthClass } from '$lib/model/attrs';
  import FilePick from '$lib/ui/FilePick.svelte';
  import { exceptionWords, saidIn, type Band } from './band';

  let {
    band,
    look,
    onchange: set,
  }: {
    band: Band;
    look: Schemas['FigureResponse'] | null | undefined;
    /** Null takes the exception away. */
    onchange: (c: WidthClass, change: BandException | null) => void;
  } = $props();
  let opened = $state<WidthClass | null>(null);
  const said = $derived(saidIn(band));

  function leave(c: WidthClass, id: string, isOut: boolean) {
    const without = (band.attrs.at?.[c]?.without ?? []).filter((one) => one !== id);
    set(c, { without: isOut ? [...without, id] : without });
  }
  async function fromFiles(c: WidthClass, files: File[]) {
    // Another banner may be chosen before they are in.
    const give = set;
    const [picture] = (await uploads.add(files)).filter((one) => one !== null);
    if (picture) give(c, { picture, cut: undefined });
  }
</script>

<ClassRows
  {opened}
  isOwn={(c) => band.attrs.at?.[c] !== undefined}
  wordsOf={(c) => exceptionWords(band, c)}
  onopen={(c) => (opened = c)}
/>

{#if opened}
  {@const c = opened}
  {@const own = band.attrs.at?.[c]}
  {@const on = look?.on[c]}
  <div class="mt-2 space-y-2.5 border-t border-hair pt-2.5" role="group" aria-label="Only on {c}">
    {#if own}<button class="dk-link" onclick={() => set(c, null)}>as everywhere</button>{/if}
    {#if band.attrs.picture && !band.attrs.repeats}
      <div class="flex flex-wrap items-center gap-1.5">
        {#if on}<img src={proofOf(on.picture, 160)} alt="" class="h-10 w-14 object-contain object-left" />{/if}
        <FromLibrary
          label="Another picture"
          many={false}
          onchoose={([picture]) => picture && set(c, { picture, cut: undefined })}
        />
        <FilePick label="Picture for the banner on {c}" many={false} onfiles={(files) => void fromFiles(c, files)}
          >From this computer</FilePick
        >
        {#if own?.picture}<button class="dk-link" onclick={() => set(c, { picture: undefined, cut: undefined })}
            >the usual one</button
          >{/if}
      </div>
      {#if on}
        <div>
          <p class="mb-1">What has to be seen on {c}</p>
          <KeepBox
            picture={on.picture}
            shape={on.sourceWidth / on.sourceHeight}
            keep={own?.cut?.of === on.asset ? own.cut : null}
            onchange={(box) => set(c, { cut: { of: on.asset, ...box } })}
          />
          {#if own?.cut}<button class="dk-link mt-1" onclick={() => set(c, { cut: undefined })}
              >as the library says</button
            >{/if}
        </div>
      {/if}
    {/if}
    <div>
      <p class="mb-1">Where the words stand</p>
      <NineFields
        across={own?.across ?? band.attrs.across}
        down={own?.down ?? band.attrs.down}
        onset={(place) => set(c, place)}
      />
    </div>
    {#if said.length > 0}
      <fieldset>
        <legend class="mb-1">Words</legend>
        {#each said as piece (piece.id)}
          <label class="flex min-h-6 items-center gap-1.5">
            <input
              type="checkbox"
              checked={!own?.without?.includes(piece.id)}
              onchange={(event) => leave(c, piece.id, !event.currentTarget.checked)}
            /><span class="min-w-0 truncate">{piece.name}: {piece.words}</span>
          </label>
        {/each}
      </fieldset>
    {/if}
  </div>
{/if}
