<!-- Chooses the place the whole sheet is looked at through. -->
<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { sitePlan, type Through } from '$lib/api/queries';

  let { through = $bindable() }: { through: Through | null } = $props();
  const site = createQuery(sitePlan);
</script>

<span class="flex items-center gap-1.5">
  <label class="text-quiet" for="through-size">Look through</label>
  <select
    id="through-size"
    class="dk-field w-auto"
    value={through?.size ?? ''}
    onchange={({ currentTarget: { value } }) =>
      (through = value === '' ? null : { size: value, shape: through?.shape ?? '' })}
  >
    <option value="">true shapes</option>
    {#each site.data?.sizes ?? [] as size (size.role)}<option value={size.role}>{size.name}</option>{/each}
  </select>
  <select
    class="dk-field w-auto"
    aria-label="Shape of the place"
    disabled={through === null}
    value={through?.shape ?? ''}
    onchange={({ currentTarget: { value } }) => through && (through = { ...through, shape: value })}
  >
    <option value="">as is</option>
    {#each site.data?.shapes ?? [] as shape (shape)}<option value={shape}>{shape}</option>{/each}
  </select>
</span>
