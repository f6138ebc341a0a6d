<!-- How the page stood before. -->
<script lang="ts">
  import { page } from '$app/state';
  import { answer, api } from '$lib/api/client';
  import History from '$lib/shell/History.svelte';

  const path = $derived({ id: page.params.id ?? '' });
</script>

<History
  what="page"
  back="/pages/{path.id}"
  backTo="Desk"
  list={() => answer(api.GET('/api/pages/{id}/states', { params: { path } }))}
  restore={(version) =>
    answer(api.POST('/api/pages/{id}/states/{version}/restore', { params: { path: { ...path, version } } }))}
  differences={(version) =>
    answer(api.GET('/api/pages/{id}/states/{version}/differences', { params: { path: { ...path, version } } }))}
  viewOf={({ version, isNow }) => `/proof/${path.id}?desk&${isNow ? 'now' : 'state'}=${version}`}
/>
