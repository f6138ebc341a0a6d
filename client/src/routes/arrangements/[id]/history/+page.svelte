<!-- How the arrangement stood before. -->
<script lang="ts">
  import { page } from '$app/state';
  import { answer, api } from '$lib/api/client';
  import History from '$lib/shell/History.svelte';

  const path = $derived({ id: page.params.id ?? '' });
</script>

<History
  what="arrangement"
  back="/arrangements/{path.id}"
  backTo="Arrangement"
  first="tablet"
  list={() => answer(api.GET('/api/arrangements/{id}/states', { params: { path } }))}
  restore={(version) =>
    answer(api.POST('/api/arrangements/{id}/states/{version}/restore', { params: { path: { ...path, version } } }))}
  viewOf={({ version, isNow }) => `/stage/${path.id}${isNow ? '' : `?state=${version}`}`}
/>
