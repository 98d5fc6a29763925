<script lang="ts">
  interface Props {
    marks: readonly { readonly at: string; readonly celsius: number }[];
    /** The span that is shown, so that all lines of a list share their months. */
    from: number;
    to: number;
    label: string;
  }
  let { marks, from, to, label }: Props = $props();
  const W = 240;
  const H = 40;
  /** At least this much is shown, so that a degree does not look like a fault, °C. */
  const LEAST_C = 10;
  const mid = $derived(
    (Math.min(...marks.map((m) => m.celsius)) + Math.max(...marks.map((m) => m.celsius))) / 2
  );
  const span = $derived(Math.max(LEAST_C, ...marks.map((m) => 2.2 * Math.abs(m.celsius - mid))));
  const x = (at: string) => 4 + ((Date.parse(at) - from) / Math.max(1, to - from)) * (W - 8);
  const y = (c: number) => H / 2 - ((c - mid) / span) * (H - 8);
</script>

<svg viewBox="0 0 {W} {H}" class="h-10 w-60" role="img" aria-label={label}>
  <line x1="0" x2={W} y1={H - 1} y2={H - 1} stroke="var(--line)" />
  {#each marks.filter((m) => Date.parse(m.at) >= from) as m (m.at)}<circle
      cx={x(m.at)}
      cy={y(m.celsius)}
      r="3"
      fill="var(--ink-2)"
    />{/each}
</svg>
