<script lang="ts">
  interface Row {
    readonly key: string;
    readonly title: string;
    readonly href?: string;
    /** Beside the figure, smaller. */
    readonly note?: string;
    /** A danger ended it. */
    readonly hurt?: boolean;
    readonly figure: string | number;
  }
  interface Props {
    title: string;
    /** What the figures are. */
    says?: string;
    rows: readonly Row[];
  }
  let { title, says, rows }: Props = $props();
</script>

<section class="card p-4" aria-label={title}>
  <h2>{title}</h2>
  {#if says}<p class="text-ink-2 text-sm">{says}</p>{/if}
  <ul class="mt-1">
    {#each rows as r (r.key)}
      <li class="border-line flex items-baseline gap-2 border-t py-1.5">
        <span class="mr-auto"
          >{#if r.href}<a class="quiet-link" href={r.href}>{r.title}</a>{:else}{r.title}{/if}</span
        >
        {#if r.hurt}<span class="text-off text-sm font-semibold">stopped</span>{/if}
        {#if r.note}<span class="reading text-ink-2 text-sm">{r.note}</span>{/if}
        <span class="reading font-bold">{r.figure}</span>
      </li>
    {/each}
  </ul>
</section>
