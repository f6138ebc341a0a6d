<!-- The mark: a page within its trim marks. -->
<script lang="ts">
  let { size = 26 }: { size?: number } = $props();
</script>

<svg viewBox="0 0 26 26" width={size} height={size} aria-hidden="true">
  <rect x="6" y="6" width="14" height="14" rx="1.5" fill="currentColor" />
  <path d="M10 9.5v7h2.4a3.5 3.5 0 0 0 0-7z" fill="var(--color-base-100)" />
  <path
    fill="var(--dk-crop)"
    d="M4 0h2v4H4zM0 4h4v2H0zM20 0h2v4h-2zM22 4h4v2h-4zM4 22h2v4H4zM0 20h4v2H0zM20 22h2v4h-2zM22 20h4v2h-4z"
  />
</svg>
