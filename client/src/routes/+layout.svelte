<script lang="ts">
  import '../app.css';
  import { QueryClientProvider } from '@tanstack/svelte-query';
  import { onMount } from 'svelte';
  import { listen } from '$lib/api/events';
  import { queryClient } from '$lib/api/queries';
  import Bar from '$lib/ui/Bar.svelte';

  let { children } = $props();
  onMount(listen);
</script>

<!-- A file let go beside its target must not take the tool's place in the window. -->
<svelte:window
  ondragover={(event) => event.dataTransfer?.types.includes('Files') && event.preventDefault()}
  ondrop={(event) => event.preventDefault()}
/>

<QueryClientProvider client={queryClient}>
  <div class="flex h-screen flex-col">
    <Bar />
    <main class="flex min-h-0 flex-1 flex-col">{@render children()}</main>
  </div>
</QueryClientProvider>
