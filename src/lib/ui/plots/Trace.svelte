<script lang="ts">
  import type { Chart as ChartType } from 'chart.js';
  import { untrack } from 'svelte';
  import { token } from './heat';
  import { inUnit, ticksShown } from '../page-state/units';
  import { baseOptions, Chart, LEFT_PX, RIGHT_PX, timeScale } from './setup';
  import { FONT, palette } from './palette';
  import { annotationsOf, apart, degreesOf, setsOf, type Drawn, type Threshold } from './trace-drawn';

  interface Props extends Drawn {
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

  const shown = $derived<Drawn>({ t, ect, other, band, why, thresholds, marks });

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
    const heights = apart(
      placed.map((l) => l.lineY),
      LABEL_PX,
      top
    );
    const next = placed.map((l, i) => ({ ...l, y: heights[i] }));
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

  /** Where the cursor stands in what is drawn. */
  let drawn: number | null = null;

  function draw() {
    drawn = cursor;
    const colours = palette();
    const data = {
      datasets: setsOf(shown, colours, (context) => heatGradient(context.chart as ChartType<'line'>))
    };
    const scales = {
      x: timeScale(range.from, range.to, colours),
      y: {
        ...degreesOf(shown, range, full),
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
            annotation: { annotations: annotationsOf(shown, cursor, colours) },
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
    chart.options.plugins!.annotation = { annotations: annotationsOf(shown, cursor, colours) };
    chart.update('none');
  }

  function tell({ chart: c }: { chart: ChartType }) {
    onrange({ from: Math.max(full.from, c.scales.x.min), to: Math.min(full.to, c.scales.x.max) });
  }

  $effect(() => {
    void [shown, range.from, range.to];
    untrack(draw);
  });

  $effect(() => {
    const at = cursor;
    untrack(() => {
      if (!chart || at === drawn) return;
      drawn = at;
      chart.options.plugins!.annotation = { annotations: annotationsOf(shown, cursor, palette()) };
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
