<script lang="ts">
    /** The mark: three stones in a run. */
</script>

<svg width="30" height="20" viewBox="0 0 30 20" aria-hidden="true">
    <path d="M2 14c0-3 3-5 6-4s5 3 4 5-10 3-10-1z" fill="var(--stone)" />
    <path d="M12 9c1-3 5-4 7-2s2 5-1 6-7-1-6-4z" fill="var(--river-2)" />
    <path d="M20 5c0-3 4-4 6-2s2 5-1 6-5-1-5-4z" fill="var(--river)" />
</svg>
