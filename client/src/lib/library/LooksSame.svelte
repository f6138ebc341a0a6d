<!-- Pictures that look the same as one: compared, made one, or said to be another. -->
<script lang="ts">
  import { answer, api, proofOf, sentenceOf, type FileItem } from '$lib/api/client';
  import { queryClient } from '$lib/api/queries';
  import Group from '$lib/ui/Group.svelte';
  import TwinSheet from './TwinSheet.svelte';
  import { count, weight } from '$lib/model/words';

  let {
    file,
    others,
    before,
    onchoose,
  }: { file: FileItem; others: FileItem[]; before: () => Promise<unknown>; onchoose: (id: string) => void } = $props();
  let open = $state(true);
  let comparing = $state(false);
  let other = $state.raw<FileItem | null>(null);
  let said = $state('');
  let problem = $state('');
  let parted = $state.raw<FileItem | null>(null);

  const id = $derived(file.id);
  $effect(() => {
    void id;
    said = problem = '';
    parted = null;
  });

  /** All places of both show the one that stays; the other is removed. */
  async function merge(goes: FileItem, stays: FileItem) {
    problem = '';
    await before();
    const open = file.id;
    try {
      const done = await answer(
        api.POST('/api/files/{id}/merge', {
          params: { path: { id: goes.id } },
          headers: { 'If-Match': `"${goes.version}"` },
          body: { into: stays.id, intoVersion: stays.version },
        }),
      );
      if (stays.id !== open) onchoose(stays.id);
      said = `One picture now, in ${count(done.places, 'more place')}.`;
    } catch (error) {
      problem = sentenceOf(error);
    }
    await queryClient.invalidateQueries({ queryKey: ['files'] });
  }

  async function say(of: FileItem, areSame: boolean) {
    problem = '';
    try {
      await answer(
        api.PUT('/api/files/{id}/twins/{other}', {
          params: { path: { id: file.id, other: of.id } },
          body: { areSame },
        }),
      );
      said = areSame ? '' : `“${of.words.title}” is another picture: the two are not named as the same again.`;
      parted = areSame ? null : of;
    } catch (error) {
      problem = sentenceOf(error);
    }
    await queryClient.invalidateQueries({ queryKey: ['files'] });
  }
</script>

{#if others.length > 0}
  <Group name="Looks the same" value={count(others.length, 'picture')} bind:open>
    {#each others as one (one.id)}
      <div class="mt-2 flex gap-3">
        <img src={proofOf(one.picture, 160)} alt="" class="h-16 w-20 object-contain object-left" />
        <div class="min-w-0">
          <p class="truncate">{one.words.title}</p>
          <p class="dk-tabular text-quiet">{one.width} × {one.height} · {weight(one.bytes)}</p>
          <button
            class="dk-button mt-1"
            aria-label="Compare with {one.words.title}"
            onclick={() => ([other, comparing] = [one, true])}>Compare</button
          >
        </div>
      </div>
    {/each}
  </Group>
{/if}
{#if said || problem}
  <div class="border-b border-hair px-4 py-2.5">
    {#if problem}<p class="dk-problem" role="alert">{problem}</p>{/if}
    {#if said}<p role="status">{said}</p>{/if}
    {#if parted}{@const of = parted}
      <button class="dk-link" onclick={() => void say(of, true)}>It is the same after all</button>
    {/if}
  </div>
{/if}
{#if other}
  <TwinSheet
    bind:open={comparing}
    {file}
    {other}
    onkeep={(stays) => void (stays.id === file.id ? merge(other!, file) : merge(file, stays))}
    onpart={() => void say(other!, false)}
  />
{/if}
