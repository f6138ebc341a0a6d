<!-- Where a click on a picture leads. -->
<script lang="ts">
  import { linkKinds, linkOf } from '$lib/model/choices';
  import LinkField from './LinkField.svelte';
  import type { FigureAttrs } from '$lib/model/attrs';

  type Link = Pick<FigureAttrs, 'linkKind' | 'linkTarget'>;
  let {
    kind,
    target,
    none = linkKinds.none,
    onset,
  }: { kind: Link['linkKind']; target: string; none?: string; onset: (link: Link) => void } = $props();
  const id = $props.id();
  const giving = (give: (link: Link) => void) => (written: string | null) =>
    give(written === null ? { linkKind: 'none', linkTarget: '' } : linkOf(written));
</script>

<label class="dk-label" for={id}>A click leads to</label>
<select
  {id}
  class="dk-field mb-2"
  value={kind === 'page' ? 'address' : kind}
  onchange={(event) => onset({ linkKind: event.currentTarget.value as Link['linkKind'], linkTarget: '' })}
>
  <option value="none">{none}</option>
  <option value="largeFile">{linkKinds.largeFile}</option>
  <option value="address">a page or an address</option>
</select>
{#if kind === 'page' || kind === 'address'}
  <LinkField
    value={kind === 'page' ? `page:${target}` : target}
    hint="Until there is an address, the picture leads nowhere."
    onset={giving(onset)}
  />
{/if}
