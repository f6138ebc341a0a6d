<!-- One line that finds everything and does everything: pages, pictures, files, arrangements, settings, and what the place can do. -->
<script lang="ts">
  import { createQuery, keepPreviousData } from '@tanstack/svelte-query';
  import { Command, Dialog } from 'bits-ui';
  import { onMount } from 'svelte';
  import { goto } from '$app/navigation';
  import { answer, api, proofOf } from '$lib/api/client';
  import { arrangementList, bannerList, pageNames } from '$lib/api/queries';
  import { otherFiles } from '$lib/media/otherFiles';
  import { acts, askToPublish, type Act } from '$lib/ui/acts.svelte';
  import { askForKeys } from '$lib/ui/letters.svelte';
  import { light } from './theme.svelte';

  let open = $state(false);
  let typed = $state('');
  const line = $derived(typed.trim());
  const most = 6;
  const pages = createQuery(() => ({ ...pageNames(), enabled: open }));
  const sets = createQuery(() => ({ ...arrangementList(), enabled: open }));
  const banners = createQuery(() => ({ ...bannerList(), enabled: open }));
  const files = createQuery(() => ({ ...otherFiles(line), enabled: open && line !== '' }));
  const pictures = createQuery(() => ({
    queryKey: ['files', 'find', line],
    queryFn: () => answer(api.GET('/api/files', { params: { query: { query: line, take: most } } })),
    placeholderData: keepPreviousData,
    enabled: open && line !== '',
  }));

  type Found = Act & { picture?: string; more?: string };
  const to = (name: string, path: string, more?: string): Found => ({ name, more, run: () => void goto(path) });
  const everywhere: Found[] = [
    to('Pages', '/'),
    to('Library', '/library'),
    to('Library as a list', '/library?list=1'),
    to('Other files', '/library/files'),
    to('Arrangements', '/arrangements'),
    to('Banners', '/banners', 'what stands at the top of pages, and when'),
    to('From elsewhere', '/library/in', 'a mail, a web page, an archive'),
    to('The shelf of patterns', '/library/shelf'),
    to('Site', '/site', 'name, widths, type, colours, shapes'),
    { name: 'Publish', run: askToPublish },
    { name: 'Help and keys', keys: '?', run: askForKeys },
    { name: 'Turn the light: paper or lamp', run: () => light.turn() },
  ];
  const answers = (all: readonly Found[]) => {
    const words = line.toLowerCase().split(/\s+/);
    return all.filter(({ name, more }) => words.every((word) => `${name} ${more ?? ''}`.toLowerCase().includes(word)));
  };
  const groups = $derived(
    [
      { name: 'Here', items: answers(acts.here) },
      {
        name: 'Pages',
        items: answers(
          (pages.data ?? []).map((one) => to(one.title, `/pages/${one.id}`, one.path ? `/${one.path}` : 'front page')),
        ).slice(0, line ? most : 3),
      },
      {
        name: 'Pictures',
        items: line
          ? (pictures.data?.items ?? []).map((one): Found => ({
              ...to(one.words.title, `/library?at=${one.id}`),
              picture: one.picture,
            }))
          : [],
      },
      {
        name: 'Files',
        items: line
          ? (files.data?.items ?? []).slice(0, most).map((one) => to(one.title, `/library/files/${one.id}`))
          : [],
      },
      {
        name: 'Arrangements',
        items: line
          ? answers((sets.data?.arrangements ?? []).map((one) => to(one.name, `/arrangements/${one.id}`))).slice(
              0,
              most,
            )
          : [],
      },
      {
        name: 'Banners',
        items: line
          ? answers((banners.data?.items ?? []).map((one) => to(one.values.name, `/banners?banner=${one.id}`))).slice(
              0,
              most,
            )
          : [],
      },
      { name: 'Everywhere', items: answers(everywhere) },
    ].filter(({ items }) => items.length > 0),
  );

  onMount(() => {
    const ask = () => ([typed, open] = ['', true]);
    addEventListener('find-asked', ask);
    return () => removeEventListener('find-asked', ask);
  });
  function choose(found: Found) {
    open = false;
    // The dialog gives the focus back first: what is done may want it.
    setTimeout(found.run);
  }
</script>

<Dialog.Root bind:open>
  <Dialog.Portal>
    <Dialog.Overlay class="fixed inset-0 z-40 bg-black/40" />
    <Dialog.Content
      class={[
        'fixed top-[12vh] left-1/2 z-50 flex max-h-[70vh] w-[600px] max-w-[92vw] -translate-x-1/2 flex-col',
        'rounded-[4px] border border-hair bg-base-100 text-base-content shadow-(--dk-float)',
      ]}
    >
      <Dialog.Title class="sr-only">Find or do anything</Dialog.Title>
      <Command.Root shouldFilter={false} loop label="Find or do anything" class="flex min-h-0 flex-col">
        <Command.Input
          bind:value={typed}
          class="h-11 flex-none border-b border-hair px-4 text-read"
          placeholder="A page, a picture, a file, or what you want to do"
          aria-label="Find or do anything"
        />
        <Command.List tabindex={0} aria-label="What was found" class="min-h-0 overflow-y-auto py-1.5">
          <Command.Viewport>
            {#each groups as group (group.name)}
              <Command.Group>
                <Command.GroupHeading class="px-4 pt-2 pb-1 text-quiet">{group.name}</Command.GroupHeading>
                <Command.GroupItems>
                  {#each group.items as found, i (i)}
                    <Command.Item
                      value="{group.name} {i} {found.name}"
                      class="dk-item gap-3 px-4! aria-selected:bg-neutral aria-selected:text-neutral-content"
                      onSelect={() => choose(found)}
                    >
                      {#if 'picture' in found && found.picture}
                        <img src={proofOf(found.picture, 160)} alt="" class="h-6 w-9 object-contain object-left" />
                      {/if}
                      <span class="min-w-0 truncate">{found.name}</span>
                      {#if 'more' in found && found.more}<span class="min-w-0 truncate opacity-75">{found.more}</span
                        >{/if}
                      {#if found.keys}<kbd class="dk-key ml-auto">{found.keys}</kbd>{/if}
                    </Command.Item>
                  {/each}
                </Command.GroupItems>
              </Command.Group>
            {:else}
              <p class="px-4 py-3" role="status">Nothing answers to “{line}”: fewer or shorter words find more.</p>
            {/each}
          </Command.Viewport>
        </Command.List>
      </Command.Root>
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>
