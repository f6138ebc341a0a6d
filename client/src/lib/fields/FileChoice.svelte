<!-- One of some files of the library, or none. -->
<script lang="ts">
  import type { Schemas } from '$lib/api/client';

  let {
    label,
    value,
    files,
    onset,
  }: { label: string; value: string | null; files: Schemas['DownloadItem'][]; onset: (id: string | null) => void } =
    $props();
  const id = $props.id();
</script>

<label class="dk-label mt-2" for={id}>{label}</label>
<select {id} class="dk-field" value={value ?? ''} onchange={(event) => onset(event.currentTarget.value || null)}>
  <option value="">none</option>
  {#each files as file (file.id)}<option value={file.id}>{file.title}</option>{/each}
</select>
