<!-- What is shown in a picture's stead once a visitor asks: a film, a video of another site, a page in a frame, or words. -->
<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import { createQuery } from '@tanstack/svelte-query';
  import FileChoice from '$lib/fields/FileChoice.svelte';
  import LinkField from '$lib/fields/LinkField.svelte';
  import VideoAddress from '$lib/fields/VideoAddress.svelte';
  import { isCaptions, isVideo, otherFiles, thereOf } from '$lib/media/otherFiles';
  import { entriesOf } from './names';
  import type { Item } from './opened.svelte';

  let { item, onset }: { item: Item; onset: (change: Partial<Item>) => void } = $props();
  const files = createQuery(() => otherFiles(''));
  const videos = $derived(thereOf(files.data?.items, isVideo));
  const captions = $derived(thereOf(files.data?.items, isCaptions));
  type Instead = Schemas['InsteadValues'];
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
    (give: typeof onset, was: Instead | null) =>
    (kind: Kind, target: string, more: Partial<Instead> = {}) => {
      wanted = null;
      const plays = was?.kind === kind ? was : {};
      give({
        instead: target
          ? {
              player: '',
              title: '',
              inPlace: false,
              loops: false,
              startsItself: false,
              ...plays,
              ...more,
              kind,
              target,
            }
          : null,
      });
    };
  const set = $derived(setOf(onset, instead));
  const change = (more: Partial<Instead>) => instead && onset({ instead: { ...instead, ...more } });
  const page = (give: typeof set) => (written: string | null) => give('page', written ?? '');
  const hosted =
    (give: typeof set) =>
    ({ address, player, title }: Schemas['VideoResponse']) =>
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
  {#if instead?.kind === 'film'}
    {@render place(instead)}
    {#each [['loops', 'again and again'], ['startsItself', 'starts by itself, without sound']] as const as [name, words] (name)}
      {@render check(words, instead[name] ?? false, (on) => change({ [name]: on }))}
    {/each}
    {#if instead.startsItself}<p class="text-quiet">
        It plays in the picture’s place then, with its controls, and stays still for those who want no movement.
      </p>{/if}
    <FileChoice
      label="Captions"
      value={instead.captions ?? null}
      files={captions}
      onset={(id) => change({ captions: id })}
    />
  {/if}
{:else if kind === 'hosted'}
  {#if instead?.kind === 'hosted'}<p>“{instead.title}”</p>{/if}
  <VideoAddress label="Set" onread={hosted(set)} />
  {#if instead?.kind === 'hosted'}{@render place(instead)}{/if}
{:else if kind === 'page'}
  <div>
    <LinkField
      value={instead?.kind === 'page' ? instead.target : ''}
      hint={'A page of this site, or an address with https. A site that does not let itself be framed stays empty there; ' +
        'its link still leads to it.'}
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

{#snippet check(words: string, on: boolean, set: (on: boolean) => void, given = false)}
  <label class="mt-1.5 flex min-h-6 items-center gap-1.5"
    ><input
      type="checkbox"
      checked={on}
      disabled={given}
      onchange={(event) => set(event.currentTarget.checked)}
    />{words}</label
  >
{/snippet}
{#snippet place(one: Instead)}
  {@render check(
    'plays in the picture’s place, not in the larger view',
    one.inPlace || (one.startsItself ?? false),
    (on) => change({ inPlace: on }),
    one.startsItself,
  )}
{/snippet}
