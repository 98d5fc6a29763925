<script lang="ts">
  import { inUnit, unitOf } from '$lib/ui/units';
  import { resistanceAt, type Curve } from '$core/thermistor/curve';
  import { tableRows } from '$core/thermistor/table';
  import { formatQuantity } from '$core/units/quantity';

  interface Props {
    curve: Curve;
    pullUpOhm?: number | null;
    referenceV?: number | null;
    tolerancePct?: number | null;
  }
  let { curve, pullUpOhm, referenceV, tolerancePct }: Props = $props();

  const W = 460;
  const H = 250;
  const M = { left: 54, right: 20, top: 12, bottom: 30 };
  const FROM = -20;
  const TO = 120;
  const temperatures = Array.from({ length: 71 }, (_, i) => FROM + (i * (TO - FROM)) / 70);
  const TABLE = [-20, 0, 20, 40, 60, 80, 90, 100, 110];
  const decades = $derived(
    [10, 100, 1000, 10_000, 100_000, 1_000_000].filter((r) => r >= lowest && r <= highest)
  );
  const highest = $derived(10 ** Math.ceil(Math.log10(resistanceAt(curve, FROM))));
  const lowest = $derived(10 ** Math.floor(Math.log10(resistanceAt(curve, TO))));
  const x = (c: number) => M.left + ((c - FROM) / (TO - FROM)) * (W - M.left - M.right);
  const y = (ohm: number) =>
    M.top + (1 - Math.log10(ohm / lowest) / Math.log10(highest / lowest)) * (H - M.top - M.bottom);
  const path = $derived(
    temperatures.map((c) => `${x(c).toFixed(1)},${y(resistanceAt(curve, c)).toFixed(1)}`).join(' ')
  );
  const tolerance = $derived((tolerancePct ?? 0) / 100);
  const area = $derived(
    tolerance > 0
      ? [
          ...temperatures.map(
            (c) => `${x(c).toFixed(1)},${y(resistanceAt(curve, c) * (1 + tolerance)).toFixed(1)}`
          ),
          ...temperatures
            .toReversed()
            .map((c) => `${x(c).toFixed(1)},${y(resistanceAt(curve, c) * (1 - tolerance)).toFixed(1)}`)
        ].join(' ')
      : ''
  );
  const circuit = $derived(pullUpOhm && referenceV ? { pullUpOhm, referenceV } : null);
  const rows = $derived(
    tableRows({ curve, tolerancePct: tolerancePct ?? 0, circuit, acrossOhm: null }, TABLE)
  );
</script>

<div class="grid items-start gap-5 xl:grid-cols-[minmax(0,460px)_1fr]">
  <svg
    viewBox="0 0 {W} {H}"
    class="w-full"
    role="img"
    aria-label="Sensor resistance against temperature, falling from {formatQuantity(
      resistanceAt(curve, FROM),
      'resistance'
    )} at −20 °C to {formatQuantity(resistanceAt(curve, TO), 'resistance')} at 120 °C"
  >
    {#each decades as r (r)}
      <line x1={M.left} x2={W - M.right} y1={y(r)} y2={y(r)} stroke="var(--line)" />
      <text x={M.left - 8} y={y(r) + 4} text-anchor="end" class="reading" font-size="13" fill="var(--ink-2)"
        >{r >= 1e6 ? `${r / 1e6} MΩ` : r >= 1000 ? `${r / 1000} kΩ` : `${r} Ω`}</text
      >
    {/each}
    {#each [-20, 0, 20, 40, 60, 80, 100, 120] as c (c)}
      <line x1={x(c)} x2={x(c)} y1={M.top} y2={H - M.bottom} stroke="var(--line)" opacity="0.6" />
      <text x={x(c)} y={H - 9} text-anchor="middle" class="reading" font-size="13" fill="var(--ink-2)"
        >{Math.round(inUnit(c, 'temperature'))}°</text
      >
    {/each}
    {#if area}<polygon points={area} fill="var(--band)" opacity="0.35" />{/if}
    <polyline points={path} fill="none" stroke="var(--ink)" stroke-width="2.5" />
  </svg>
  <div>
    <table class="reading w-full text-right">
      <thead class="text-ink-2 text-sm"
        ><tr
          ><th class="py-0.5 font-normal">{unitOf('temperature').symbol}</th><th class="py-0.5 font-normal"
            >Ω</th
          >{#if circuit}<th class="py-0.5 font-normal">V</th><th class="py-0.5 font-normal">mV/°C</th
            >{/if}</tr
        ></thead
      >
      <tbody>
        {#each rows as r (r.celsius)}
          <tr class="border-line border-t">
            <td class="py-0.5">{Math.round(inUnit(r.celsius, 'temperature'))}</td>
            <td class="py-0.5">{r.ohm.toFixed(r.celsius < 60 ? 0 : 1)}</td>
            {#if circuit}<td class="py-0.5">{r.volts?.toFixed(3)}</td><td class="py-0.5"
                >{r.mvPerC?.toFixed(1)}</td
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
