<script lang="ts">
  import CurveFrame from '$lib/ui/plots/CurveFrame.svelte';
  import { inUnit, perDegree, unitOf } from '$lib/ui/page-state/units';
  import { resistanceAt } from '$core/physics/thermistor/curve';
  import type { Curve } from '$core/vehicle/sensor-curve';
  import { tableRows } from '$core/physics/thermistor/table';
  import { formatQuantity } from '$core/units/quantity';

  interface Props {
    curve: Curve;
    pullUpOhm?: number | null;
    referenceV?: number | null;
    tolerancePct?: number | null;
  }
  let { curve, pullUpOhm, referenceV, tolerancePct }: Props = $props();

  const FROM = -20;
  const TO = 120;
  const TABLE = [-20, 0, 20, 40, 60, 80, 90, 100, 110];
  const tolerance = $derived((tolerancePct ?? 0) / 100);
  const circuit = $derived(pullUpOhm && referenceV ? { pullUpOhm, referenceV } : null);
  const rows = $derived(
    tableRows({ curve, tolerancePct: tolerancePct ?? 0, circuit, acrossOhm: null }, TABLE)
  );
</script>

<div class="grid items-start gap-5 xl:grid-cols-[minmax(0,460px)_1fr]">
  <CurveFrame
    label="Sensor resistance against temperature, falling from {formatQuantity(
      resistanceAt(curve, FROM),
      'resistance'
    )} at −20 °C to {formatQuantity(resistanceAt(curve, TO), 'resistance')} at 120 °C"
    width={460}
    height={250}
    fromC={FROM}
    toC={TO}
    lowOhm={resistanceAt(curve, TO) / 1.5}
    highOhm={resistanceAt(curve, FROM) * 1.5}
  >
    {#snippet children({ line, temperatures })}
      {#if tolerance > 0}<polygon
          points="{line((c) => resistanceAt(curve, c) * (1 + tolerance))} {line(
            (c) => resistanceAt(curve, c) * (1 - tolerance),
            temperatures.toReversed()
          )}"
          fill="var(--band)"
          opacity="0.35"
        />{/if}
      <polyline
        points={line((c) => resistanceAt(curve, c))}
        fill="none"
        stroke="var(--ink)"
        stroke-width="2.5"
      />
    {/snippet}
  </CurveFrame>
  <div>
    <table class="reading w-full text-right">
      <thead class="text-ink-2 text-sm"
        ><tr
          ><th class="py-0.5 font-normal">{unitOf('temperature').symbol}</th><th class="py-0.5 font-normal"
            >Ω</th
          >{#if circuit}<th class="py-0.5 font-normal">V</th><th class="py-0.5 font-normal"
              >mV/{unitOf('temperature').symbol}</th
            >{/if}</tr
        ></thead
      >
      <tbody>
        {#each rows as r (r.celsius)}
          <tr class="border-line border-t">
            <td class="py-0.5">{Math.round(inUnit(r.celsius, 'temperature'))}</td>
            <td class="py-0.5">{r.ohm.toFixed(r.celsius < 60 ? 0 : 1)}</td>
            {#if circuit}<td class="py-0.5">{r.volts?.toFixed(3)}</td><td class="py-0.5"
                >{r.mvPerC === undefined || r.mvPerC === null ? '' : perDegree(r.mvPerC).toFixed(1)}</td
              >{/if}
          </tr>
        {/each}
      </tbody>
    </table>
    {#if !circuit}<p class="text-ink-2 mt-2 text-sm">
        Volts need the reference and the pull-up of the control unit; the sheet does not give them.
      </p>{/if}
  </div>
</div>
