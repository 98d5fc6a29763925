<script lang="ts">
  import { approachDue, approachOf, type AirRiseReadings } from '$core/checks/flow/air-rise';
  import { heatVar } from '$lib/ui/plots/heat';
  import { inUnit, shown } from '$lib/ui/page-state/units';
  import type { PictureProps } from '../types';

  let { readings, sheet }: PictureProps<AirRiseReadings> = $props();
  const all = $derived(
    readings.beforeC !== null &&
      readings.afterC !== null &&
      readings.coolantC !== null &&
      readings.coolantC > readings.beforeC
      ? { beforeC: readings.beforeC, afterC: readings.afterC, coolantC: readings.coolantC }
      : null
  );
  const due = $derived(approachDue(sheet, readings.fan));
  const share = $derived(all ? approachOf(all) : null);
  const y = (s: number) => 200 - 170 * Math.min(1.05, Math.max(-0.05, s));
  const degrees = (c: number | null) => (c === null ? '' : `${Math.round(inUnit(c, 'temperature'))}°`);
</script>

<div class="grid items-start gap-5 lg:grid-cols-[minmax(0,1fr)_260px]">
  <svg
    viewBox="0 0 560 240"
    class="w-full"
    role="img"
    aria-label="Air through the radiator: before, behind, and the coolant’s temperature above both"
  >
    <rect
      x="250"
      y="20"
      width="60"
      height="200"
      rx="6"
      fill={readings.coolantC === null ? 'var(--well)' : heatVar(readings.coolantC)}
      stroke="var(--ink)"
      stroke-width="2"
    />
    {#each [0, 1, 2, 3, 4, 5] as i (i)}<line
        x1="252"
        x2="308"
        y1={45 + 30 * i}
        y2={45 + 30 * i}
        stroke="var(--card)"
        stroke-width="2"
      />{/each}
    {#each [70, 120, 170] as h (h)}
      <path
        d="M30 {h} H225 m-12 -8 l12 8 l-12 8"
        fill="none"
        stroke={readings.beforeC === null ? 'var(--line-strong)' : heatVar(readings.beforeC)}
        stroke-width="6"
      />
      <path
        d="M330 {h} H400 m-12 -8 l12 8 l-12 8"
        fill="none"
        stroke={readings.afterC === null ? 'var(--line-strong)' : heatVar(readings.afterC)}
        stroke-width="6"
      />
    {/each}
    <text x="30" y="40" font-size="22" font-weight="700" class="reading" fill="var(--ink)"
      >{degrees(readings.beforeC)}</text
    >
    <text x="330" y="40" font-size="22" font-weight="700" class="reading" fill="var(--ink)"
      >{degrees(readings.afterC)}</text
    >
    <!-- How far the air has come towards the coolant. -->
    <line x1="455" x2="455" y1={y(0)} y2={y(1)} stroke="var(--line-strong)" stroke-width="10" />
    <rect
      x="446"
      y={y(due.high)}
      width="18"
      height={y(due.low) - y(due.high)}
      fill="var(--good-wash)"
      stroke="var(--good)"
    />
    <text x="455" y={y(1) - 10} text-anchor="middle" font-size="13" fill="var(--ink-2)">coolant</text>
    <text x="455" y={y(0) + 22} text-anchor="middle" font-size="13" fill="var(--ink-2)">air</text>
    {#if share !== null}
      {@const off = share > due.high || share < due.low}
      <line
        x1="438"
        x2="472"
        y1={y(share)}
        y2={y(share)}
        stroke={off ? 'var(--off)' : 'var(--ink)'}
        stroke-width="5"
      />
      <text
        x="478"
        y={y(share) + 6}
        font-size="17"
        font-weight="700"
        class="reading"
        fill={off ? 'var(--off)' : 'var(--ink)'}
        data-approach>{(100 * share).toFixed(0)} %</text
      >
    {/if}
  </svg>
  <p class="text-ink-2 text-sm">
    Measure with the probe in the shade of the fins, not touching them: a hand’s width in front, and behind
    where the fan is not. Same height.
    {all ? `The coolant is ${shown(all.coolantC, 'temperature', 0)}.` : ''}
  </p>
</div>
