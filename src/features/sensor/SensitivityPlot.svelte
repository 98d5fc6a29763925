<script lang="ts">
  import { resolutionAt, type SensorCircuit } from '$core/physics/thermistor/circuit';
  import type { Curve } from '$core/vehicle/sensor-curve';
  import { inUnit } from '$lib/ui/page-state/units';

  interface Props {
    curve: Curve;
    circuit: SensorCircuit | null;
  }
  let { curve, circuit }: Props = $props();
  const W = 640;
  const H = 170;
  const M = { left: 56, right: 12, top: 12, bottom: 28 };
  const temperatures = Array.from({ length: 71 }, (_, i) => -20 + 2 * i);
  const slopes = $derived(circuit ? temperatures.map((c) => -resolutionAt(circuit, curve, c).mvPerC) : []);
  const top = $derived(Math.ceil(Math.max(10, ...slopes) / 10) * 10);
  const x = (c: number) => M.left + ((c + 20) / 140) * (W - M.left - M.right);
  const y = (mv: number) => H - M.bottom - (mv / top) * (H - M.top - M.bottom);
</script>

{#if circuit}
  <figure class="card p-4">
    <svg
      viewBox="0 0 {W} {H}"
      class="w-full"
      role="img"
      aria-label="Sensitivity of the circuit over temperature"
    >
      {#each [0, top / 2, top] as mv (mv)}
        <line x1={M.left} x2={W - M.right} y1={y(mv)} y2={y(mv)} stroke="var(--line)" />
        <text
          x={M.left - 8}
          y={y(mv) + 4}
          text-anchor="end"
          class="reading"
          font-size="13"
          fill="var(--ink-2)">{mv}</text
        >
      {/each}
      {#each [-20, 0, 20, 40, 60, 80, 100, 120] as c (c)}
        <text x={x(c)} y={H - 8} text-anchor="middle" class="reading" font-size="13" fill="var(--ink-2)"
          >{Math.round(inUnit(c, 'temperature'))}°</text
        >
      {/each}
      <polyline
        points={temperatures.map((c, i) => `${x(c).toFixed(1)},${y(slopes[i]).toFixed(1)}`).join(' ')}
        fill="none"
        stroke="var(--act)"
        stroke-width="3"
      />
    </svg>
    <figcaption class="text-ink-2 text-sm">
      mV a degree: high where it reads finely, low where it is coarse.
    </figcaption>
  </figure>
{/if}
