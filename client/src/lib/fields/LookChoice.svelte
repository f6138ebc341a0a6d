<!-- A picture's look: plain, one of the site's, or one of its own, which may be given a name and shared. -->
<script lang="ts">
  import { answer, api, sentenceOf, type SiteLook } from '$lib/api/client';
  import { keepLook, LookForAll, seenOf } from './lookForAll';
  import { count } from '$lib/model/words';
  import LookFields from './LookFields.svelte';
  import { newId, type FigureAttrs, type LookAttrs } from '$lib/model/attrs';

  let {
    site,
    look,
    onset,
    onlooks,
    ondid,
  }: {
    site: SiteLook;
    look: FigureAttrs['look'];
    onset: (look: FigureAttrs['look']) => void;
    /** The site's looks have changed. */
    onlooks: (looks: SiteLook['looks']) => Promise<void> | void;
    /** A look that is shared was changed: where there is a history it goes in there, else its way back stands here. */
    ondid?: (deed: LookForAll) => void;
  } = $props();
  const id = $props.id();
  const named = $derived(site.looks.find((one) => one.id === look));
  const own = $derived(look !== null && typeof look !== 'string' ? look : null);
  let changing = $state(false);
  let name = $state('');
  let problem = $state('');
  let forAll = $state.raw<LookForAll | null>(null);

  const plain = $derived<LookAttrs>({
    line: 'solid',
    linePx: 1,
    lineColour: site.bands.colours.find((one) => one.name === 'ink')?.colour ?? '#000000',
    roundPx: [0, 0, 0, 0],
    paddingPx: 0,
    background: null,
    shadow: null,
  });

  async function keep(lookId: string, look: LookAttrs, called: string) {
    problem = '';
    try {
      await onlooks(await keepLook(site.looks, lookId, called, look));
      return true;
    } catch (error) {
      problem = sentenceOf(error);
      return false;
    }
  }

  async function change(shared: SiteLook['looks'][number], look: LookAttrs) {
    const before = shared.look;
    if (!(await keep(shared.id, look, shared.name)) || forAll?.takes(shared.id, look)) return;
    forAll = new LookForAll(shared.id, before, look, onlooks, (sentence) => (problem = sentence));
    ondid?.(forAll);
  }

  async function share(look: LookAttrs) {
    const lookId = newId();
    if (!(await keep(lookId, look, name))) return;
    name = '';
    onset(lookId);
  }

  async function takeOut(lookId: string) {
    problem = '';
    try {
      const params = { path: { id: lookId } };
      const looks = await answer(api.DELETE('/api/site/looks/{id}', { params, headers: seenOf(site.looks, lookId) }));
      await onlooks(looks);
    } catch (error) {
      problem = sentenceOf(error);
    }
  }
</script>

<label class="sr-only" for="{id}-look">Look</label>
<select
  id="{id}-look"
  class="dk-field"
  value={own ? 'own' : (named?.id ?? '')}
  onchange={(event) => {
    const chosen = event.currentTarget.value;
    changing = false;
    onset(chosen === '' ? null : chosen === 'own' ? (named?.look ?? plain) : chosen);
  }}
>
  <option value="">plain</option>
  {#each site.looks as one (one.id)}<option value={one.id}>{one.name}</option>{/each}
  <option value="own">a look of its own</option>
</select>
{#if problem}<p class="dk-problem mt-1" role="alert">{problem}</p>{/if}

{#if own}
  <div class="mt-2.5">
    <LookFields look={own} colours={site.bands.colours} limits={site.lookLimits} onset={(look) => onset(look)} />
  </div>
  <form
    class="mt-2.5 flex items-end gap-2 border-t border-hair pt-2.5"
    onsubmit={(event) => {
      event.preventDefault();
      void share(own);
    }}
  >
    <label class="min-w-0 flex-1"
      >Share it under a name
      <input class="dk-field" maxlength="60" placeholder="Print on the wall" bind:value={name} /></label
    >
    <button class="dk-button" disabled={name.trim() === ''}>Share</button>
  </form>
{:else if named}
  <div class="mt-2 flex items-center gap-3">
    <span class="text-quiet">on {count(named.places, 'picture')} as kept</span>
    <button class="dk-link" aria-expanded={changing} onclick={() => (changing = !changing)}
      >{changing ? 'done' : 'change it for all'}</button
    >
    {#if forAll?.id === named.id && !ondid}
      <button
        class="dk-link"
        onclick={() => {
          forAll?.undo();
          forAll = null;
        }}>undo</button
      >
    {/if}
  </div>
  {#if changing}
    <div class="mt-2.5">
      <LookFields
        look={named.look}
        colours={site.bands.colours}
        limits={site.lookLimits}
        onset={(look) => void change(named, look)}
      />
    </div>
  {/if}
{/if}
{#each site.looks.filter((one) => one.places === 0 && one.id !== look) as one (one.id)}
  <p class="mt-1.5 text-quiet">
    {one.name} is on no picture. <button class="dk-link" onclick={() => void takeOut(one.id)}>take it out</button>
  </p>
{/each}
