<!-- What the site has to do with other houses: their archive, and what of ours they read. -->
<script lang="ts">
  import ArchiveField from './ArchiveField.svelte';
  import IiifFields from './IiifFields.svelte';
</script>

<ArchiveField />
<IiifFields />
