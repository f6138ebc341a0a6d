<!-- All that can be set of one banner: when, where, its words, and what stands behind them. -->
<script lang="ts">
  import { proofOf, type SiteLook } from '$lib/api/client';
  import FitTable from '$lib/fields/FitTable.svelte';
  import BehindFields from '$lib/fields/BehindFields.svelte';
  import LinkField from '$lib/fields/LinkField.svelte';
  import ReadingWords from '$lib/fields/ReadingWords.svelte';
  import TextField from '$lib/fields/TextField.svelte';
  import TintFields from '$lib/fields/TintFields.svelte';
  import WordsPlaceFields from '$lib/fields/WordsPlaceFields.svelte';
  import FromLibrary from '$lib/media/FromLibrary.svelte';
  import { uploads } from '$lib/media/uploads.svelte';
  import { classes } from '$lib/model/choices';
  import FilePick from '$lib/ui/FilePick.svelte';
  import Group from '$lib/ui/Group.svelte';
  import type { Band } from './band';
  import type { Banners } from './banners.svelte';
  import type { ComponentProps } from 'svelte';
  import BannerExceptions from './BannerExceptions.svelte';
  import BannerWordsFields from './BannerWordsFields.svelte';
  import RunDateFields from './RunDateFields.svelte';
  import TargetFields from './TargetFields.svelte';

  let { banners, site }: { banners: Banners; site: SiteLook } = $props();
  const row = $derived(banners.banner!);
  const band = $derived((row.values.band as Band).attrs);
  const look = $derived(banners.look);
  const setOf = (id: string) => (change: Parameters<Banners['setBand']>[1]) => banners.setBand(id, change);
  const set = $derived(setOf(row.id));
  const exceptOf =
    (id: string): ComponentProps<typeof BannerExceptions>['onchange'] =>
    (c, change) =>
      banners.setException(id, c, change);
  const except = $derived(exceptOf(row.id));
  const unseen = $derived(banners.times.now?.unseen[row.id]);
  const place = $derived(banners.items.findIndex((one) => one.id === row.id) + 1);
  const leads = (give: typeof set) => (link: string | null) => give({ link: link ?? '' });
  let open = $state({ when: true, where: false, words: true, behind: true, tint: false, at: false, link: false });
  const targetWords = $derived(
    row.values.targets
      .map(({ kind, name }) =>
        kind === 'pages'
          ? 'all pages'
          : kind === 'posts'
            ? 'all posts'
            : kind === 'folder'
              ? `posts in /${name}`
              : (banners.list?.pages.find((page) => page.id === name)?.title ?? 'a page that is gone'),
      )
      .join(', ') || 'nowhere yet',
  );
  async function fromFiles(files: File[]) {
    // Another banner may be chosen before they are in.
    const id = row.id;
    const [picture] = (await uploads.add(files)).filter((one) => one !== null);
    if (picture) banners.setBand(id, { picture });
  }
</script>

<div class="border-b border-hair px-4 py-3">
  <div class="flex items-end gap-2">
    <div class="min-w-0 flex-1">
      <TextField
        label="Name, which visitors never see"
        value={row.values.name}
        required="Give it a name."
        onset={(name) => banners.set(row.id, { name })}
      />
    </div>
    <label class="flex min-h-8 items-center gap-1.5">
      <input
        type="checkbox"
        role="switch"
        class="toggle toggle-sm"
        checked={row.values.isOn}
        onchange={(event) => banners.set(row.id, { isOn: event.currentTarget.checked })}
      />on
    </label>
  </div>
  <p class="mt-1 text-quiet">{place} of {banners.items.length}: those above it win.</p>
  {#if unseen}<p class="dk-problem mt-1" role="status">{unseen}</p>{/if}
  <div class="mt-2 flex flex-wrap gap-1.5">
    <button class="dk-button" onclick={() => void banners.duplicate(row.id)}>Duplicate</button>
    <button class="dk-button" onclick={() => void banners.takeAway(row.id)}>Remove</button>
    <a class="dk-button" href="/banners/{row.id}/history?page={banners.pageId}">History</a>
  </div>
</div>
<Group name="When" value={row.inWords} bind:open={open.when}><RunDateFields {banners} {row} /></Group>
<Group name="Where" value={targetWords} bind:open={open.where}><TargetFields {banners} {row} /></Group>
<ReadingWords look={look?.words} ground={band} offer={site.bands} name="banner" onset={set} />
<Group name="Words" value="" bind:open={open.words}><BannerWordsFields {banners} {row} /></Group>
<Group name="Behind" value={look?.picture?.title ?? (band.picture ? 'a picture' : 'a colour')} bind:open={open.behind}>
  <div class="flex flex-wrap items-center gap-1.5">
    {#if band.picture}<img src={proofOf(band.picture, 160)} alt="" class="h-14 max-w-24 object-contain" />{/if}
    <FromLibrary
      label={band.picture ? 'Change the picture' : 'Picture from the library'}
      many={false}
      through={{ size: 'edge', shape: look?.shape ?? '' }}
      onchoose={([picture]) => picture && set({ picture })}
    />
    <FilePick label="Picture for the banner" many={false} onfiles={(files) => void fromFiles(files)}
      >From this computer</FilePick
    >
    {#if band.picture}
      <button class="dk-button" onclick={() => set({ picture: null, video: null, set: null })}>Without it</button>
    {/if}
  </div>
  {#if look?.picture}<div class="mt-2"><FitTable look={look.picture} /></div>{/if}
  <BehindFields ground={band} offer={site.bands} mayFollow onset={set} />
</Group>
<Group
  name="Tint"
  value={band.tintStrength.some((one) => one > 0)
    ? `${band.tintStrength.map((one) => Math.round((100 * one) / site.bands.tintSteps)).join(', ')} %`
    : 'none'}
  bind:open={open.tint}
>
  <TintFields
    tint={band.tint}
    strength={band.tintStrength}
    offer={site.bands}
    onset={(change) => set(change as Partial<typeof band>)}
  />
</Group>
<WordsPlaceFields
  place={band}
  mostPx={site.bands.mostHeightPx}
  stands={look?.words ? classes.map((c) => Math.round(look.words!.on[c].heightCssPx)) : null}
  onset={set}
/>
<Group
  name="Exceptions at a width"
  value={classes.filter((c) => band.at?.[c]).join(', ') || 'none'}
  bind:open={open.at}
>
  <BannerExceptions band={row.values.band as Band} look={look?.picture} onchange={except} />
</Group>
<Group name="Leads to" value={(row.values.band as Band).attrs.link ? '' : 'nowhere as a whole'} bind:open={open.link}>
  <LinkField
    value={(row.values.band as Band).attrs.link ?? ''}
    of={row.id}
    hint="A press anywhere on it leads there; its buttons lead where they say."
    onset={leads(set)}
  />
</Group>
{#each look?.notices ?? [] as notice (notice)}
  <p class="border-b border-hair px-4 py-2 text-soft">{notice}</p>
{/each}
