<!-- What is said of one picture of an arrangement: its words, where it leads, and as a slide how long it stands
and what stands over it. -->
<script lang="ts">
  import { proofOf, type SiteLook } from '$lib/api/client';
  import FromLibrary from '$lib/media/FromLibrary.svelte';
  import FitTable from '$lib/fields/FitTable.svelte';
  import LinkField from '$lib/fields/LinkField.svelte';
  import PictureLink from '$lib/fields/PictureLink.svelte';
  import InsteadFields from './InsteadFields.svelte';
  import TextField from '$lib/fields/TextField.svelte';
  import NumberField from '$lib/fields/NumberField.svelte';
  import RunDays from '$lib/fields/RunDays.svelte';
  import type { Item, Opened } from './opened.svelte';

  let { opened, item, limits }: { opened: Opened; item: Item; limits: SiteLook['arrangements'] } = $props();
  const library = $derived(opened.look?.words[item.asset]);
  const fit = $derived(opened.look?.fits[item.id]);
  const setOf = (id: string) => (change: Partial<Item>) => opened.setItem(id, change);
  const set = $derived(setOf(item.id));
  const giving = (give: typeof set) => (written: string | null) => give({ buttonLink: written ?? '' });
  const dated = $derived(opened.look?.dated[item.id]);
  const slides = $derived(opened.wish!.kind !== 'gallery');
  const over = [
    ['title', 'Title over it'],
    ['text', 'Words over it'],
    ['button', 'Button'],
  ] as const;
</script>

<div class="grid gap-2">
  {#if fit}
    <section aria-label="Fit at each width">
      <FitTable look={fit} />
      {#if fit.loss}<p class="mt-1 text-soft">{fit.loss}</p>{/if}
    </section>
  {/if}
  <div class="flex items-center gap-3">
    <label class="flex min-h-6 items-center gap-1.5">
      <input
        type="checkbox"
        role="switch"
        class="toggle toggle-sm"
        checked={item.isOn}
        onchange={(event) => set({ isOn: event.currentTarget.checked })}
      />shown
    </label>
    {#if !opened.wish!.follows}<button class="dk-button" onclick={() => opened.twice(item.id)}>Duplicate</button>{/if}
  </div>
  {#if slides && opened.wish!.slider!.steps === 'pictures'}
    <div class="flex items-center gap-2">
      <span class="flex-1">Thumbnail</span>
      {#if item.step}
        <img src={proofOf(item.step, 160)} alt="" class="h-8 w-10 rounded-[2px] object-cover" />
        <button class="dk-link" onclick={() => set({ step: null })}>the slide’s own</button>
      {:else}
        <FromLibrary label="Another" many={false} onchoose={([step]) => set({ step: step ?? null })} />
      {/if}
    </div>
  {/if}
  <RunDays days={item} onset={set} />
  {#if dated}<span class={dated.isShown ? '' : 'text-soft'}>{dated.words}</span>{/if}
  {#if item.asset !== ''}
    <TextField
      label="Alt text"
      disabled={item.decorative}
      value={item.alt ?? ''}
      placeholder={library?.alt || 'none in the library'}
      onset={(alt) => set({ alt: alt || null })}
    />
    <label class="flex min-h-6 items-center gap-1.5"
      ><input
        type="checkbox"
        checked={item.decorative}
        onchange={(event) => set({ decorative: event.currentTarget.checked })}
      />decorative</label
    >
    <TextField
      label="Caption"
      value={item.captionSource === 'own' ? (item.caption ?? '') : ''}
      placeholder="as for the whole set"
      onset={(caption) => set({ caption, captionSource: caption ? 'own' : null })}
    />
  {/if}
  {#if slides}
    {#each over as [name, label] (name)}
      <TextField {label} value={item[name] ?? ''} onset={(text) => set({ [name]: text })} />
    {/each}
    {#if item.button}
      <div>
        <LinkField
          value={item.buttonLink ?? ''}
          hint="Until it leads somewhere, visitors do not see the button."
          onset={giving(set)}
        />
      </div>
    {/if}
    <NumberField
      label="Own stay, s"
      value={item.stayMs === null || item.stayMs === undefined ? null : item.stayMs / 1000}
      least={limits.leastStayMs / 1000}
      most={limits.mostStayMs / 1000}
      step={0.1}
      placeholder={String(opened.wish!.slider!.stayMs / 1000)}
      onset={(s) => set({ stayMs: s === null ? null : Math.round(s * 1000) })}
    />
  {/if}
  {#if item.asset !== ''}
    {#if item.linkKind === 'none' || item.linkKind === 'largeFile'}
      <div><InsteadFields {item} onset={set} /></div>
    {/if}
    {#if item.instead?.kind !== 'page' && item.instead?.kind !== 'words'}
      <div>
        <PictureLink
          kind={item.linkKind ?? 'none'}
          target={item.linkTarget ?? ''}
          none="as for the whole set"
          onset={set}
        />
      </div>
    {/if}
  {/if}
</div>
