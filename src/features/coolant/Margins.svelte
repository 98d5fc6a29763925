<script lang="ts">
  import { heatVar } from '$lib/ui/plots/heat';
  import { inUnit, unitOf } from '$lib/ui/page-state/units';

  interface Props {
    iceC: number;
    openC: number;
    capC: number;
    stopC: number | null;
    coldestC: number | null;
    regulating: { readonly lowC?: number | null; readonly highC?: number | null } | null;
  }
  let { iceC, openC, capC, stopC, coldestC, regulating }: Props = $props();
  const W = 900;
  const FROM = -60;
  const TO = 160;
  const x = (c: number) => 20 + ((Math.min(TO, Math.max(FROM, c)) - FROM) / (TO - FROM)) * (W - 40);
  const degree = (c: number) => `${Math.round(inUnit(c, 'temperature'))}°`;
  const stops = [0, 1, 2, 3, 4, 5, 6, 7, 8];
</script>

<!-- From the coldest night to boiling over: where this filling is liquid, and where the engine works in it. -->
<svg
  viewBox="0 0 {W} 150"
  class="w-full"
  role="img"
  aria-label="From first ice at {degree(iceC)} to boiling at {degree(capC)} {unitOf('temperature').symbol}"
>
  <defs>
    <linearGradient id="liquid"
      >{#each stops as i (i)}<stop
          offset="{(100 * i) / 8}%"
          stop-color={heatVar(iceC + ((capC - iceC) * i) / 8)}
        />{/each}</linearGradient
    >
  </defs>
  <rect
    x={x(FROM)}
    y="56"
    width={x(TO) - x(FROM)}
    height="34"
    rx="6"
    fill="var(--well)"
    stroke="var(--line-strong)"
  />
  <rect x={x(iceC)} y="56" width={x(capC) - x(iceC)} height="34" fill="url(#liquid)" />
  <rect x={x(openC)} y="56" width={x(capC) - x(openC)} height="34" fill="var(--card)" opacity="0.45" />
  {#each [{ c: iceC, w: 'first ice' }, { c: openC, w: 'boils open' }, { c: capC, w: 'boils' }] as m, i (m.w)}
    <line x1={x(m.c)} x2={x(m.c)} y1="48" y2="98" stroke="var(--ink)" stroke-width="3" />
    <text
      x={x(m.c)}
      y={i === 1 ? 24 : 42}
      text-anchor={i === 1 ? 'end' : i === 2 ? 'start' : 'middle'}
      font-size="15"
      fill="var(--ink)">{m.w} <tspan class="reading" font-weight="700">{degree(m.c)}</tspan></text
    >
    {#if i === 1}<line x1={x(m.c)} x2={x(m.c)} y1="28" y2="48" stroke="var(--ink)" />{/if}
  {/each}
  {#if regulating?.lowC != null && regulating.highC != null}
    <path
      d="M{x(regulating.lowC)} 104 v8 H{x(regulating.highC)} v-8"
      fill="none"
      stroke="var(--ink)"
      stroke-width="2.5"
    />
    <text
      x={(x(regulating.lowC) + x(regulating.highC)) / 2}
      y="132"
      text-anchor="middle"
      font-size="14"
      fill="var(--ink)">works here</text
    >
  {/if}
  {#if stopC !== null}
    <path d="M{x(stopC)} 92 l-8 14 h16 z" fill="var(--off)" />
    <text x={x(stopC) + 12} y="112" font-size="14" fill="var(--off)">stop limit</text>
  {/if}
  {#if coldestC !== null}
    <path d="M{x(coldestC)} 92 l-8 14 h16 z" fill={coldestC < iceC ? 'var(--off)' : 'var(--ink-2)'} />
    <text
      x={x(coldestC)}
      y="126"
      text-anchor="middle"
      font-size="14"
      fill={coldestC < iceC ? 'var(--off)' : 'var(--ink-2)'}>coldest night</text
    >
  {/if}
</svg>
