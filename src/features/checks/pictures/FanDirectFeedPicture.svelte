<script lang="ts">
  import { currentLimits, type FanDirectFeedReadings } from '$core/checks/fan/fan-direct-feed';
  import { shown } from '$lib/ui/page-state/units';
  import type { PictureProps } from '../types';

  let { readings, sheet }: PictureProps<FanDirectFeedReadings> = $props();
  const limits = $derived(currentLimits(sheet));
  const top = $derived(Math.max(limits.highA * 1.7, (readings.amps ?? 0) * 1.15));
  const x = (a: number) => 20 + (Math.min(a, top) / top) * 600;
  const off = $derived(
    readings.amps !== null && (readings.amps < limits.lowA || readings.amps > limits.highA)
  );
</script>

<svg viewBox="0 0 640 120" class="w-full" role="img" aria-label="Current of the fan against what is usual">
  <rect x="20" y="52" width="600" height="26" rx="6" fill="var(--well)" stroke="var(--line-strong)" />
  <rect
    x={x(limits.lowA)}
    y="52"
    width={x(limits.highA) - x(limits.lowA)}
    height="26"
    fill="var(--good-wash)"
    stroke="var(--good)"
  />
  <text
    x={(x(limits.lowA) + x(limits.highA)) / 2}
    y="100"
    text-anchor="middle"
    font-size="14"
    fill="var(--good)"
    >{limits.own ? 'sheet' : 'usual'}: {shown(limits.lowA, 'current', 0)} to {shown(
      limits.highA,
      'current',
      0
    )}</text
  >
  <text x="20" y="100" font-size="13" fill="var(--ink-2)">open</text>
  <text x="620" y="100" text-anchor="end" font-size="13" fill="var(--ink-2)">stuck, shorted</text>
  {#if readings.amps !== null}
    <path d="M{x(readings.amps)} 50 l-11 -20 h22 z" fill={off ? 'var(--off)' : 'var(--act)'} />
    <text
      x={Math.min(590, Math.max(50, x(readings.amps)))}
      y="22"
      text-anchor="middle"
      font-size="18"
      font-weight="700"
      class="reading"
      fill={off ? 'var(--off)' : 'var(--ink)'}>{shown(readings.amps, 'current', 1)}</text
    >
  {/if}
</svg>
