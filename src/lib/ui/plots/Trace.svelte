<script lang="ts" module>
  /** A level drawn across the trace, labelled in the margin. */
  export interface Threshold {
    readonly celsius: number;
    readonly label: string;
    readonly kind: 'thermostat' | 'fan' | 'limit';
  }
  export interface Mark {
    readonly t: number;
    readonly label: string;
  }
</script>

<script lang="ts">
  import type { Chart as ChartType } from 'chart.js';
  import type { AnnotationOptions } from 'chartjs-plugin-annotation';
  import { untrack } from 'svelte';
  import type { WhyCurves } from '$core/runs/why';
  import { token } from './heat';
  import { inUnit, ticksShown } from '../page-state/units';
  import { baseOptions, Chart, FONT, LEFT_PX, palette, RIGHT_PX, timeScale, type Palette } from './setup';

  interface Props {
    t: readonly number[];
    ect: readonly (number | null)[];
    /** Another run laid under it, dashed. */
    other?: { readonly t: readonly number[]; readonly ect: readonly (number | null)[] } | null;
    band: {
      readonly t: readonly number[];
      readonly low: readonly number[];
      readonly mid: readonly number[];
      readonly high: readonly number[];
    } | null;
    /** What the verdict rests on: a healthy engine and the leading fault as each fits best, and where they part. */
    why?: WhyCurves | null;
    thresholds: readonly Threshold[];
    marks: readonly Mark[];
    range: { from: number; to: number };
    full: { from: number; to: number };
    cursor: number | null;
    onrange: (range: { from: number; to: number }) => void;
    label: string;
  }
  let {
    t,
    ect,
    other = null,
    band,
    why = null,
    thresholds,
    marks,
    range,
    full,
    cursor = $bindable(),
    onrange,
    label
  }: Props = $props();

  let canvas: HTMLCanvasElement;
  let chart: ChartType<'line'> | undefined;
  let labels = $state<{ y: number; lineY: number; threshold: Threshold }[]>([]);

  const LABEL_PX = 20;

  /** Labels at the height of their lines, pushed apart where they would overlap. */
  function layLabels(c: ChartType<'line'>) {
    const { top, bottom } = c.chartArea;
    const placed = thresholds
      .map((threshold) => ({ threshold, lineY: c.scales.y.getPixelForValue(threshold.celsius), y: 0 }))
      .filter((l) => l.lineY >= top - 2 && l.lineY <= bottom + 2)
      .sort((a, b) => a.lineY - b.lineY);
    const centre = placed.map((l) => l.lineY);
    for (let pass = 0; pass < 40; pass++) {
      for (let i = 1; i < centre.length; i++) {
        const lack = LABEL_PX - (centre[i] - centre[i - 1]);
        if (lack > 0) {
          centre[i - 1] -= lack / 2;
          centre[i] += lack / 2;
        }
      }
      if (centre.length > 0) centre[0] = Math.max(centre[0], top);
    }
    const next = placed.map((l, i) => ({ ...l, y: centre[i] }));
    if (
      JSON.stringify(next.map((l) => Math.round(l.y))) !== JSON.stringify(labels.map((l) => Math.round(l.y)))
    )
      labels = next;
  }

  let painted: { key: string; gradient: CanvasGradient } | undefined;

  /** Asked for at every point of the line, and the same for all of them. */
  function heatGradient(c: ChartType<'line'>): CanvasGradient | string {
    const { chartArea, scales } = c;
    if (!chartArea) return token('--heat-3');
    const stops = [0, 30, 59, 88, 118].map((celsius, i) => ({
      y: scales.y.getPixelForValue(celsius),
      colour: token(`--heat-${i + 1}`)
    }));
    const key = JSON.stringify([stops[0], stops[4]]);
    if (painted?.key === key) return painted.gradient;
    const gradient = c.ctx.createLinearGradient(0, stops[0].y, 0, stops[4].y);
    for (const { y, colour } of stops)
      gradient.addColorStop(Math.min(1, Math.max(0, (y - stops[0].y) / (stops[4].y - stops[0].y))), colour);
    painted = { key, gradient };
    return gradient;
  }

  function annotations(colours: Palette): Record<string, AnnotationOptions> {
    const list: Record<string, AnnotationOptions> = {};
    thresholds.forEach((th, i) => {
      list[`level${i}`] = {
        type: 'line',
        yMin: th.celsius,
        yMax: th.celsius,
        borderColor: th.kind === 'limit' ? colours.off : colours.soft,
        borderWidth: th.kind === 'limit' ? 2 : 1,
        borderDash: th.kind === 'thermostat' ? [6, 4] : th.kind === 'fan' ? [2, 3] : []
      };
    });
    marks.forEach((mark, i) => {
      list[`mark${i}`] = {
        type: 'line',
        xMin: mark.t,
        xMax: mark.t,
        borderColor: colours.ink,
        borderWidth: 1.5,
        borderDash: [1, 3],
        label: {
          display: true,
          content: mark.label,
          position: 'end',
          backgroundColor: colours.ink,
          color: colours.card,
          font: { family: FONT, size: 12, weight: 'normal' },
          padding: { x: 6, y: 3 },
          borderRadius: 3,
          yAdjust: (i % 3) * 24
        }
      };
    });
    why?.parts.forEach(({ fromS, toS }, i) => {
      list[`part${i}`] = {
        type: 'box',
        xMin: fromS,
        xMax: toS,
        borderWidth: 0,
        backgroundColor: `color-mix(in srgb, ${colours.off} 9%, transparent)`,
        drawTime: 'beforeDatasetsDraw'
      };
    });
    if (cursor !== null)
      list.cursor = { type: 'line', xMin: cursor, xMax: cursor, borderColor: colours.act, borderWidth: 1.5 };
    return list;
  }

  function yRange(): { min: number; max: number } {
    const shown = ect.filter((v, i): v is number => v !== null && t[i] >= range.from && t[i] <= range.to);
    const banded = band
      ? [...band.low, ...band.high].filter(
          (_, i) => band.t[i % band.t.length] >= range.from && band.t[i % band.t.length] <= range.to
        )
      : [];
    const fine = range.to - range.from < (full.to - full.from) * 0.6;
    const under = (other?.ect ?? []).filter((v): v is number => v !== null);
    const explained = why ? [...why.healthy, ...(why.fault?.ect ?? [])] : [];
    const values = [
      ...shown,
      ...under,
      ...banded,
      ...explained,
      ...(fine ? [] : thresholds.map((x) => x.celsius))
    ];
    const min = Math.min(...values);
    const max = Math.max(...values);
    return { min: Math.floor((min - 2) / 10) * 10, max: Math.ceil((max + 2) / 10) * 10 };
  }

  const points = (xs: readonly number[], ys: readonly (number | null)[]) =>
    xs.map((x, i) => ({ x, y: ys[i] as number }));

  /** Long dashes for the healthy engine, dots for the fault: told apart without colour. */
  function whySets(colours: Palette) {
    if (!why) return [];
    const line = (ect: readonly number[], borderColor: string, borderDash: number[]) => ({
      data: points(why.t, ect),
      borderWidth: 2.5,
      borderDash,
      fill: false as const,
      borderColor
    });
    return [
      line(why.healthy, colours.good, [12, 5]),
      ...(why.fault ? [line(why.fault.ect, colours.off, [3, 4])] : [])
    ];
  }

  function draw() {
    const colours = palette();
    const bandSets = band
      ? [
          { data: points(band.t, band.low), borderWidth: 0, fill: false as const },
          {
            data: points(band.t, band.high),
            borderWidth: 0,
            fill: { target: '-1' },
            backgroundColor: `color-mix(in srgb, ${colours.band} 30%, transparent)`
          },
          {
            data: points(band.t, band.mid),
            borderColor: colours.band,
            borderWidth: 1.5,
            borderDash: [5, 4],
            fill: false as const
          }
        ]
      : [];
    const data = {
      datasets: [
        ...bandSets,
        ...whySets(colours),
        ...(other
          ? [
              {
                data: points(other.t, other.ect),
                borderWidth: 2,
                borderDash: [7, 5],
                fill: false as const,
                borderColor: colours.ink
              }
            ]
          : []),
        {
          data: points(t, ect),
          borderWidth: 3.5,
          fill: false as const,
          borderJoinStyle: 'round' as const,
          borderColor: (context: { chart: unknown }) => heatGradient(context.chart as ChartType<'line'>)
        }
      ]
    };
    const scales = {
      x: timeScale(range.from, range.to, colours),
      y: {
        ...yRange(),
        border: { color: colours.line },
        grid: { color: colours.line },
        afterFit: (scale: { width: number }) => (scale.width = LEFT_PX),
        afterBuildTicks: (scale: { min: number; max: number; ticks: { value: number }[] }) =>
          (scale.ticks = ticksShown(scale.min, scale.max, 12, 'temperature').map((value) => ({ value }))),
        ticks: {
          color: colours.soft,
          font: { family: FONT, size: 13 },
          callback: (v: string | number) => `${Math.round(inUnit(Number(v), 'temperature'))}°`
        }
      }
    };
    if (!chart) {
      chart = new Chart(canvas, {
        type: 'line',
        data,
        options: {
          ...baseOptions((seconds) => (cursor = seconds)),
          layout: { padding: { right: RIGHT_PX, top: 8 } },
          scales,
          plugins: {
            annotation: { annotations: annotations(colours) },
            zoom: {
              limits: { x: { min: full.from, max: full.to, minRange: 10 } },
              pan: { enabled: true, mode: 'x', threshold: 6, onPanComplete: tell },
              zoom: {
                wheel: { enabled: true, modifierKey: 'ctrl' },
                pinch: { enabled: true },
                mode: 'x',
                onZoomComplete: tell
              }
            }
          }
        },
        plugins: [{ id: 'labels', afterDraw: (c) => layLabels(c as ChartType<'line'>) }]
      });
      return;
    }
    chart.data = data;
    chart.options.scales = scales;
    chart.options.plugins!.annotation = { annotations: annotations(colours) };
    chart.update('none');
  }

  function tell({ chart: c }: { chart: ChartType }) {
    onrange({ from: Math.max(full.from, c.scales.x.min), to: Math.min(full.to, c.scales.x.max) });
  }

  $effect(() => {
    void [t, ect, other, band, why, thresholds, marks, range.from, range.to];
    untrack(draw);
  });

  $effect(() => {
    const at = cursor;
    untrack(() => {
      if (!chart) return;
      chart.options.plugins!.annotation = { annotations: annotations(palette()) };
      void at;
      chart.update('none');
    });
  });

  $effect(() => {
    const repaint = () => draw();
    const dark = matchMedia('(prefers-color-scheme: dark)');
    window.addEventListener('themechange', repaint);
    dark.addEventListener('change', repaint);
    return () => {
      window.removeEventListener('themechange', repaint);
      dark.removeEventListener('change', repaint);
      chart?.destroy();
      chart = undefined;
    };
  });

  function onkeydown(event: KeyboardEvent) {
    const span = range.to - range.from;
    const moves: Record<string, () => void> = {
      ArrowRight: () => (cursor = Math.min(range.to, (cursor ?? range.from) + span / 100)),
      ArrowLeft: () => (cursor = Math.max(range.from, (cursor ?? range.to) - span / 100)),
      Escape: () => (cursor = null)
    };
    const move = moves[event.key];
    if (!move) return;
    event.preventDefault();
    move();
  }
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
<div class="relative h-full w-full" role="group" aria-label={label} tabindex="0" {onkeydown}>
  <canvas bind:this={canvas} aria-hidden="true"></canvas>
  {#each labels as { y, threshold } (threshold.label)}
    <span
      class="pointer-events-none absolute right-0 truncate text-sm tabular-nums {threshold.kind === 'limit'
        ? 'text-off font-semibold'
        : 'text-ink-2'}"
      style="top: {y - 9}px; width: {RIGHT_PX - 8}px">{threshold.label}</span
    >
  {/each}
</div>
