<!-- How a banner stood before, at the top of the page it was looked at on. -->
<script lang="ts">
  import { page } from '$app/state';
  import { answer, api } from '$lib/api/client';
  import History from '$lib/shell/History.svelte';

  const path = $derived({ id: page.params.id ?? '' });
  const of = $derived(page.url.searchParams.get('page') ?? '');
</script>

<History
  what="banner"
  back="/banners?banner={path.id}&page={of}"
  backTo="Banners"
  first="tablet"
  list={() => answer(api.GET('/api/banners/{id}/states', { params: { path } }))}
  restore={(version) =>
    answer(api.POST('/api/banners/{id}/states/{version}/restore', { params: { path: { ...path, version } } }))}
  viewOf={({ version, isNow }) => `/proof/${of}?desk&banner=${path.id}${isNow ? '' : `&bannerState=${version}`}`}
/>
