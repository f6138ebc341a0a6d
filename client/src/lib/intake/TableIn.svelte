<!-- A table of words, looked at before it changes anything. -->
<script lang="ts">
  import FilePick from '$lib/ui/FilePick.svelte';
  import { answer, api, sentenceOf, type Schemas } from '$lib/api/client';
  import { queryClient } from '$lib/api/queries';
  import Sheet from '$lib/ui/Sheet.svelte';
  import { count } from '$lib/model/words';

  let file = $state.raw<File | null>(null);
  let look = $state.raw<Schemas['TableResponse'] | null>(null);
  let open = $state(false);
  let problem = $state('');

  async function read(apply: boolean) {
    if (!file) return;
    problem = '';
    const form = new FormData();
    form.append('file', file, file.name);
    try {
      look = await answer(
        api.POST('/api/library/table', {
          params: { query: { apply } },
          body: form as never,
          bodySerializer: (body) => body as never,
        }),
      );
      open = true;
      if (apply) await queryClient.invalidateQueries({ queryKey: ['files'] });
    } catch (error) {
      problem = sentenceOf(error);
      open = false;
    }
  }
</script>

<FilePick
  label="A table of words"
  accept=".csv,text/csv"
  many={false}
  onfiles={([chosen]) => {
    file = chosen ?? null;
    void read(false);
  }}>Import words (CSV)</FilePick
>
{#if problem}<p class="dk-problem mt-2" role="alert">{problem}</p>{/if}

<Sheet bind:open title={file?.name ?? ''}>
  {#if look}
    <p class="text-read font-semibold" role="status">
      {look.isDone
        ? `${count(look.total, 'word')} of ${count(look.pictures, 'picture')} changed.`
        : look.total === 0
          ? 'This table changes nothing: the library says the same.'
          : `${count(look.total, 'change')} to ${count(look.pictures, 'picture')}:`}
    </p>
    {#if look.changes.length > 0 && !look.isDone}
      <table class="mt-2 w-full table-fixed">
        <caption class="sr-only">What changes</caption>
        <thead class="text-left text-quiet">
          <tr>
            <th class="font-normal">Picture</th><th class="w-20 font-normal">What</th>
            <th class="font-normal">Was</th><th class="font-normal">Will be</th>
          </tr>
        </thead>
        <tbody>
          {#each look.changes.slice(0, 40) as change, i (i)}
            <tr class="border-t border-hair align-top">
              <td class="truncate py-1 pr-3">{change.title}</td>
              <td class="pr-3 text-quiet">{change.field}</td>
              <td class="truncate pr-3 text-quiet">{change.was || 'nothing'}</td>
              <td class="truncate">{change.willBe || 'nothing'}</td>
            </tr>
          {/each}
        </tbody>
      </table>
      {#if look.total > 40}<p class="mt-1 text-quiet">and {look.total - 40} more.</p>{/if}
    {/if}
    {#each look.leftOut as one, i (i)}
      <p class="mt-1"><span class="text-soft">{one.name}.</span> <span class="text-quiet">{one.sentence}</span></p>
    {/each}
  {/if}
  {#snippet foot()}
    <button class="dk-button main" disabled={!look || look.total === 0 || look.isDone} onclick={() => void read(true)}
      >Change {look && !look.isDone ? look.total : 0}</button
    >
  {/snippet}
</Sheet>
