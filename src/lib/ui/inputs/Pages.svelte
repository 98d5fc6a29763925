<script lang="ts">
  interface Props {
    page: number;
    pages: number;
    href: (page: number) => string;
    back?: string;
    forward?: string;
  }
  let { page, pages, href, back = 'Back', forward = 'Next' }: Props = $props();
</script>

{#if pages > 1}
  <nav class="no-print mt-5 flex items-center gap-3" aria-label="Pages">
    {#if page > 1}<a class="btn" href={href(page - 1)}>{back}</a>{/if}
    <span class="text-ink-2">Page {page} of {pages}</span>
    {#if page < pages}<a class="btn" href={href(page + 1)}>{forward}</a>{/if}
  </nav>
{/if}
