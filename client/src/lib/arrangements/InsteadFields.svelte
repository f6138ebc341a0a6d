<!-- What is shown in a picture's stead once a visitor asks: a film, a video of another site, a page in a frame, or words. -->
<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import FileChoice from '$lib/desk/FileChoice.svelte';
  import LinkField from '$lib/desk/LinkField.svelte';
  import VideoAddress from '$lib/desk/VideoAddress.svelte';
  import { entriesOf, type Item } from './opened.svelte';

  let {
    item,
    videos,
    onset,
  }: { item: Item; videos: Schemas['DownloadItem'][]; onset: (change: Partial<Item>) => void } = $props();
  type Kind = Schemas['InsteadKind'];
  const names: Record<Kind, string> = {
    film: 'a film of the library',
    hosted: 'a video of another site',
    page: 'a page in a frame',
    words: 'words',
  };
  const id = $props.id();
  /** What is chosen while nothing is said of it yet; what is kept says it otherwise. */
  let wanted = $state<Kind | null>(null);
  const instead = $derived(item.instead ?? null);
  const kind = $derived(wanted ?? instead?.kind ?? null);
  /** What is asked of a server belongs to the picture for which it was asked. */
  const setOf =
    (give: typeof onset) =>
    (kind: Kind, target: string, more: { player?: string; title?: string } = {}) => {
      wanted = null;
      give({ instead: target ? { kind, target, player: '', title: '', ...more } : null });
    };
  const set = $derived(setOf(onset));
  const page = (give: typeof set) => (written: string | null) => give('page', written ?? '');
  const hosted =
    (give: typeof set) =>
    ({ address, player, title }: Schemas['VideoLook']) =>
      give('hosted', address, { player, title });
</script>

<label class="dk-label" for={id}>In its place a press shows</label>
<select
  {id}
  class="dk-field"
  value={kind ?? ''}
  onchange={(event) => {
    wanted = (event.currentTarget.value || null) as Kind | null;
    if (instead && wanted !== instead.kind) onset({ instead: null });
  }}
>
  <option value="">the picture itself</option>
  {#each entriesOf(names) as [one, name] (one)}<option value={one}>{name}</option>{/each}
</select>
{#if kind === 'film'}
  {#if videos.length > 0}
    <FileChoice
      label="Film"
      value={instead?.kind === 'film' ? instead.target : null}
      files={videos}
      onset={(file) => set('film', file ?? '')}
    />
  {:else}<p class="text-quiet">There is no film in the library yet: bring one in with the pictures.</p>{/if}
{:else if kind === 'hosted'}
  {#if instead?.kind === 'hosted'}<p>“{instead.title}”</p>{/if}
  <VideoAddress label="Set" onread={hosted(set)} />
{:else if kind === 'page'}
  <div>
    <LinkField
      value={instead?.kind === 'page' ? instead.target : ''}
      hint="A page of this site, or an address with https. A site that does not let itself be framed stays empty there; its link still leads to it."
      onset={page(set)}
    />
  </div>
{:else if kind === 'words'}
  <label class="dk-label"
    >Words<textarea
      class="dk-field"
      rows="5"
      value={instead?.kind === 'words' ? instead.target : ''}
      onchange={(event) => set('words', event.currentTarget.value.trim())}></textarea></label
  >
{/if}
