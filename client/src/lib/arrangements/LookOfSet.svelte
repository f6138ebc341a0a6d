<!-- What stands round each picture of a set: nothing, one of the site's looks, or one of its own. -->
<script lang="ts">
  import type { SiteLook } from '$lib/api/client';
  import { know, sitePlan } from '$lib/api/queries';
  import LookChoice from '$lib/fields/LookChoice.svelte';
  import type { LookAttrs } from '$lib/model/attrs';
  import type { Opened } from './opened.svelte';

  let { opened, site }: { opened: Opened; site: SiteLook } = $props();
  const look = $derived((opened.wish!.ownLook as LookAttrs | null) ?? (opened.wish!.namedLook || null));
</script>

<div class="border-b border-hair px-4 py-3">
  <h3 class="mb-1.5 font-semibold">Round each picture</h3>
  <LookChoice
    {site}
    {look}
    onset={(chosen) =>
      opened.set({
        ...opened.wish!,
        namedLook: typeof chosen === 'string' ? chosen : null,
        ownLook: typeof chosen === 'string' ? null : chosen,
      })}
    onlooks={(looks) => void know(sitePlan().queryKey, { ...site, looks })}
  />
</div>
