<script lang="ts">
  import type { QuantityKind } from '$core/units/units';
  import { heatVar } from '$lib/ui/plots/heat';
  import { inUnit, shown, ticksShown, unitOf } from '$lib/ui/page-state/units';

  interface Mark {
    readonly at: number;
    /** What it may be off, to each side. */
    readonly spread?: number;
    /** A second kind of mark: hollow. */
    readonly hollow?: boolean;
    readonly text?: string;
  }
  interface Band {
    readonly from: number;
    readonly to: number;
    readonly is: 'good' | 'wide';
  }
  interface Row {
    readonly name: string;
    readonly marks: readonly Mark[];
    /** What the row is held against. */
    readonly bands?: readonly Band[];
  }
  interface Props {
    label: string;
    quantity: QuantityKind;
    rows: readonly Row[];
    /** Behind every row. */
    bands?: readonly Band[];
    /** The least that is shown. */
    from: number;
    to: number;
  }
  let { label, quantity, rows, bands = [], from, to }: Props = $props();

  const values = $derived(
    rows.flatMap((r) => [
      ...r.marks.flatMap((m) => [m.at - (m.spread ?? 0), m.at + (m.spread ?? 0)]),
      ...(r.bands ?? []).flatMap((b) => [b.from, b.to])
    ])
  );
  const low = $derived(Math.min(from, ...values));
  const high = $derived(Math.max(to, ...values));
  const W = 640;
  const LEFT = 118;
  const ROW = 46;
  const x = (v: number) => LEFT + 14 + ((v - low) / (high - low)) * (W - LEFT - 44);
  const bottom = $derived(ROW * rows.length + 6);
  const ticks = $derived(ticksShown(low, high, 6, quantity));
  const kept = (b: Band) => [x(Math.max(low, b.from)), x(Math.min(high, b.to))] as const;
</script>

{#snippet band(b: Band, y: number, height: number)}
  {@const [a, z] = kept(b)}
  <rect
    x={a}
    width={Math.max(2, z - a)}
    {y}
    {height}
    rx="3"
    fill={b.is === 'good' ? 'var(--good-wash)' : 'var(--well)'}
    stroke={b.is === 'good' && height < bottom ? 'var(--good)' : 'none'}
  />
{/snippet}

<!-- Values on one scale, row by row, over what they are held against. -->
<svg viewBox="0 -8 {W} {bottom + 32}" class="w-full" role="img" aria-label={label}>
  {#each bands as b (b.is)}{@render band(b, 0, bottom)}{/each}
  {#each ticks as t (t)}
    <line x1={x(t)} x2={x(t)} y1="0" y2={bottom} stroke="var(--line)" />
    <text x={x(t)} y={bottom + 18} text-anchor="middle" class="reading" font-size="13" fill="var(--ink-2)"
      >{Number(inUnit(t, quantity).toPrecision(3))}{quantity === 'temperature' ? '°' : ''}</text
    >
  {/each}
  {#if quantity !== 'temperature'}<text x="0" y={bottom + 18} font-size="13" fill="var(--ink-2)"
      >{unitOf(quantity).symbol}</text
    >{/if}
  {#each rows as row, i (i)}
    {@const y = i * ROW + ROW / 2}
    {#each row.bands ?? [] as b (b.from)}{@render band(b, y - 14, 28)}{/each}
    <text x="0" y={y + 5} font-size="14" fill="var(--ink)">{row.name}</text>
    {#each row.marks as m, k (k)}
      {#if m.spread}<line
          x1={x(m.at - m.spread)}
          x2={x(m.at + m.spread)}
          y1={y}
          y2={y}
          stroke="var(--ink-2)"
          stroke-width="3"
        />{/if}
      <circle
        cx={x(m.at)}
        cy={y}
        r="9"
        fill={m.hollow ? 'var(--card)' : quantity === 'temperature' ? heatVar(m.at) : 'var(--act)'}
        stroke="var(--ink)"
        stroke-width="2"
      />
      {@const last = x(m.at) > W - 130}
      <text
        x={x(m.at) + (last ? -15 : 15)}
        y={m.hollow ? y + 23 : m.spread ? y - 12 : y + 5}
        text-anchor={last ? 'end' : 'start'}
        class="reading"
        font-size="13"
        font-weight="700"
        fill="var(--ink)"
        stroke="var(--card)"
        stroke-width="4"
        paint-order="stroke">{m.text ?? shown(m.at, quantity)}</text
      >
    {/each}
  {/each}
</svg>
