<!-- Patterns and textures that ship with Dekoro; see-through ones lie on a checkerboard. -->
<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import ArrowLeft from '@lucide/svelte/icons/arrow-left';
  import { SvelteSet } from 'svelte/reactivity';
  import { answer, api, sentenceOf } from '$lib/api/client';
  import { queryClient } from '$lib/api/queries';
  import { count } from '$lib/model/words';

  const shelf = createQuery(() => ({
    queryKey: ['shelf'],
    queryFn: () => answer(api.GET('/api/shelf')),
    staleTime: Infinity,
  }));
  const chosen = new SvelteSet<string>();
  let taking = $state(false);
  let said = $state('');
  let problem = $state('');

  async function take() {
    taking = true;
    said = problem = '';
    try {
      const { files } = await answer(api.POST('/api/shelf/take', { body: { ids: [...chosen] } }));
      const fresh = files.filter((file) => !file.wasThere).length;
      const there = files.length - fresh;
      said = `${count(fresh, 'pattern')} taken into the library, in the folder Patterns.`;
      if (there > 0) said += ` ${there} ${there === 1 ? 'was' : 'were'} there already.`;
      chosen.clear();
      await queryClient.invalidateQueries({ queryKey: ['files'] });
    } catch (error) {
      problem = sentenceOf(error);
    } finally {
      taking = false;
    }
  }
</script>

<svelte:head><title>Patterns · Dekoro</title></svelte:head>
<div class="flex min-h-0 flex-1 flex-col">
  <div class="flex items-center gap-4 border-b border-hair bg-base-200 px-5 py-2.5">
    <a class="dk-link inline-flex items-center gap-1" href="/library/in"><ArrowLeft size={14} />From elsewhere</a>
    <h1 class="text-read font-semibold">A shelf of patterns</h1>
    <p class="text-quiet">Tiles that meet themselves at every edge, for behind words and bands.</p>
  </div>
  <div class="min-h-0 flex-1 overflow-y-auto bg-base-200 p-5">
    <ul class="grid grid-cols-[repeat(auto-fill,minmax(180px,1fr))] gap-6" aria-label="Patterns">
      {#each shelf.data?.patterns ?? [] as pattern (pattern.id)}
        <li>
          <button
            class="block w-full cursor-pointer text-left"
            aria-pressed={chosen.has(pattern.id)}
            onclick={() => chosen.delete(pattern.id) || chosen.add(pattern.id)}
          >
            <span class="block" class:dk-crop={chosen.has(pattern.id)}>
              <span class="block" class:dk-checker={pattern.hasTransparency}>
                <span class="block h-32" style:background="url(/media/shelf/{pattern.id}) 0 0 / 120px"></span>
              </span>
            </span>
            <span class="mt-2 block truncate">{pattern.name}</span>
          </button>
        </li>
      {/each}
    </ul>
  </div>
  <section
    class="flex min-h-11 flex-none items-center gap-3 border-t border-hair bg-base-100 px-5 py-2"
    aria-label="Chosen patterns"
  >
    <p class="min-w-0 flex-1" role="status">
      {said || (chosen.size > 0 ? `${count(chosen.size, 'pattern')} chosen.` : 'Choose one or several.')}
      {#if said}<a class="dk-link" href="/library">Look at them there</a>{/if}
      {#if problem}<span class="dk-problem">{problem}</span>{/if}
    </p>
    <button class="dk-button main" disabled={chosen.size === 0 || taking} onclick={take}>
      {taking ? 'Taking them in' : 'Take into the library'}
    </button>
  </section>
</div>

<style>
  .dk-checker {
    background: repeating-conic-gradient(oklch(80% 0 0) 0 25%, oklch(97% 0 0) 0 50%) 0 0 / 20px 20px;
  }
</style>
