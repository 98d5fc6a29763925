<script lang="ts">
  import {
    batteryCost,
    BATTERY_AH,
    expected,
    FAN_A,
    type KeyOffFanReadings
  } from '$core/checks/fan/key-off-fan';
  import type { PictureProps } from '../types';

  let { readings, sheet }: PictureProps<KeyOffFanReadings> = $props();
  const limit = $derived(sheet?.fan?.afterRunMaxMin ?? null);
  const span = $derived(Math.max(12, (limit ?? 6) * 1.6, (readings.ranMin ?? 0) * 1.15));
  const W = 640;
  const x = (min: number) => 10 + (Math.min(min, span) / span) * (W - 20);
  const model = $derived(sheet && readings.coolantC !== null ? expected(sheet, readings.coolantC, null) : []);
  const cost = $derived(batteryCost(readings.ranMin ?? 0));
</script>

<svg viewBox="0 0 {W} 76" class="w-full" role="img" aria-label="After-run against its rule">
  <line x1="10" x2={W - 10} y1="40" y2="40" stroke="var(--line-strong)" stroke-width="2" />
  {#if limit !== null}
    <rect x="10" width={x(limit) - 10} y="26" height="28" fill="var(--good-wash)" stroke="var(--good)" />
    <text x={x(limit)} y="70" text-anchor="middle" font-size="13" fill="var(--good)">rule, {limit} min</text>
  {/if}
  {#if readings.ranMin !== null}
    <rect x="10" width={Math.max(3, x(readings.ranMin) - 10)} y="34" height="12" rx="6" fill="var(--ink)" />
    <text
      x={Math.min(W - 60, x(readings.ranMin))}
      y="18"
      text-anchor="middle"
      font-size="15"
      font-weight="700"
      fill="var(--ink)">{readings.ranMin} min</text
    >
  {/if}
</svg>
{#if model.length > 0}
  <dl class="flex flex-wrap gap-x-8 gap-y-1 text-sm">
    {#each model as { name, value } (name)}
      <div class="flex gap-2">
        <dt class="text-ink-2">{name}</dt>
        <dd class="font-semibold">{value}</dd>
      </div>
    {/each}
  </dl>
{/if}
<p class="text-ink-2 text-sm">
  {cost.ampereHours.toFixed(1)} A·h so far, {Math.round(cost.sharePct)} % of a battery of {BATTERY_AH} A·h, for
  a fan of {FAN_A}
  A: usual values, not this vehicle’s.
</p>
