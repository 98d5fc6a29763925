<script lang="ts">
  import { heatVar } from './heat';

  interface Props {
    t: readonly number[];
    ect: readonly (number | null)[];
    band: {
      readonly t: readonly number[];
      readonly low: readonly number[];
      readonly high: readonly number[];
    } | null;
    label: string;
  }
  let { t, ect, band, label }: Props = $props();

  const W = 200;
  const H = 56;
  const id = $props.id();
  const end = $derived(Math.max(t[t.length - 1] ?? 1, 1));
  const known = $derived(ect.filter((v): v is number => v !== null && v > -30 && v < 135));
  const low = $derived(Math.min(...known, ...(band?.low ?? []), 20));
  const high = $derived(Math.max(...known, ...(band?.high ?? []), 90));
  const x = (s: number) => ((s / end) * W).toFixed(1);
  const y = (c: number) =>
    (H - 3 - ((Math.min(135, Math.max(-30, c)) - low) / (high - low)) * (H - 6)).toFixed(1);
  const line = $derived(t.flatMap((s, i) => (ect[i] === null ? [] : [`${x(s)},${y(ect[i]!)}`])).join(' '));
  const area = $derived(
    band
      ? [
          ...band.t.map((s, i) => `${x(s)},${y(band.high[i])}`),
          ...band.t.map((s, i) => `${x(s)},${y(band.low[i])}`).toReversed()
        ].join(' ')
      : ''
  );
</script>

<svg viewBox="0 0 {W} {H}" class="h-14 w-full" role="img" aria-label={label} preserveAspectRatio="none">
  <defs>
    <linearGradient id="{id}-heat" gradientUnits="userSpaceOnUse" x1="0" y1={y(0)} x2="0" y2={y(118)}>
      {#each [0, 30, 59, 88, 118] as stop (stop)}<stop
          offset={stop / 118}
          stop-color={heatVar(stop)}
        />{/each}
    </linearGradient>
  </defs>
  {#if area}<polygon points={area} fill="var(--band)" opacity="0.28" />{/if}
  <polyline
    points={line}
    fill="none"
    stroke="url(#{id}-heat)"
    stroke-width="2.5"
    vector-effect="non-scaling-stroke"
    stroke-linejoin="round"
  />
</svg>
