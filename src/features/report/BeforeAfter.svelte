<script lang="ts">
  import type { Picture, Point } from '$core/handover/report/picture';
  import { shown, ticksShown } from '$lib/ui/page-state/units';

  interface Props {
    picture: Picture;
    label: string;
    /** How wide it is shown, px: letters keep their size. */
    width?: number;
  }
  let { picture, label, width: W = 860 }: Props = $props();

  const H = $derived(Math.max(220, W / 3));
  const LEFT = 58;
  const FOOT = 26;
  const x = (share: number) => LEFT + share * (W - LEFT - 8);
  const y = (share: number) => 8 + (1 - share) * (H - FOOT - 8);
  const points = (line: readonly Point[]) =>
    line.map(([px, py]) => `${x(px).toFixed(1)},${y(py).toFixed(1)}`).join(' ');
  const yC = (c: number) => y((c - picture.fromC) / (picture.toC - picture.fromC));
  const later = $derived(picture.after.length > 0);
</script>

<svg viewBox="0 0 {W} {H}" class="w-full" role="img" aria-label={label}>
  {#if picture.band.length > 0}<polygon points={points(picture.band)} fill="var(--band)" opacity="0.3" />{/if}
  {#each ticksShown(picture.fromC, picture.toC, 7, 'temperature') as c (c)}
    <line x1={LEFT} x2={W - 8} y1={yC(c)} y2={yC(c)} stroke="var(--line)" />
    <text x={LEFT - 8} y={yC(c) + 5} text-anchor="end" class="fill-ink-2 text-[15px]"
      >{shown(c, 'temperature', 0)}</text
    >
  {/each}
  {#each picture.ticksMin as m (m)}
    <text x={x(m / picture.minutes)} y={H - 6} text-anchor="middle" class="fill-ink-2 text-[15px]"
      >{m} min</text
    >
  {/each}
  {#each picture.levels as level (level.name)}
    <line x1={LEFT} x2={W - 8} y1={y(level.y)} y2={y(level.y)} stroke="var(--ink-2)" stroke-dasharray="2 4" />
    <text x={LEFT + 6} y={y(level.y) - 5} class="fill-ink-2 text-[15px]">{level.name}</text>
  {/each}
  {#each picture.before as line, i (i)}
    <polyline
      points={points(line)}
      fill="none"
      stroke={later ? 'var(--ink-2)' : 'var(--ink)'}
      stroke-width="2.2"
      stroke-dasharray={later ? '7 5' : undefined}
    />
  {/each}
  {#each picture.after as line, i (i)}
    <polyline points={points(line)} fill="none" stroke="var(--ink)" stroke-width="2.6" />
  {/each}
</svg>
