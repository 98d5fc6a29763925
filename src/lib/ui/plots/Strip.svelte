<script lang="ts">
  import type { Chart as ChartType } from 'chart.js';
  import { untrack } from 'svelte';
  import { baseOptions, Chart, LEFT_PX, RIGHT_PX, timeScale } from './setup';
  import { FONT, palette } from './palette';

  interface Props {
    t: readonly number[];
    values: readonly (number | null)[];
    title: string;
    unit: string;
    range: { from: number; to: number };
    cursor: number | null;
  }
  let { t, values, title, unit, range, cursor = $bindable() }: Props = $props();

  let canvas: HTMLCanvasElement;
  let chart: ChartType<'line'> | undefined;

  function draw() {
    const colours = palette();
    const data = {
      datasets: [
        {
          data: t.map((x, i) => ({ x, y: values[i] as number })),
          borderColor: colours.ink,
          borderWidth: 1.5,
          fill: false
        }
      ]
    };
    const scales = {
      x: timeScale(range.from, range.to, colours, false),
      y: {
        beginAtZero: true,
        border: { color: colours.line },
        grid: { display: false },
        afterFit: (scale: { width: number }) => (scale.width = LEFT_PX),
        ticks: { color: colours.soft, maxTicksLimit: 3, font: { family: FONT, size: 12 } }
      }
    };
    const line =
      cursor === null
        ? {}
        : {
            cursor: {
              type: 'line' as const,
              xMin: cursor,
              xMax: cursor,
              borderColor: colours.act,
              borderWidth: 1.5
            }
          };
    if (!chart) {
      chart = new Chart(canvas, {
        type: 'line',
        data,
        options: {
          ...baseOptions((s) => (cursor = s)),
          layout: { padding: { right: RIGHT_PX } },
          scales,
          plugins: { annotation: { annotations: line }, zoom: { pan: { enabled: false } } }
        }
      });
      return;
    }
    chart.data = data;
    chart.options.scales = scales;
    chart.options.plugins!.annotation = { annotations: line };
    chart.update('none');
  }

  $effect(() => {
    void [t, values, range.from, range.to, cursor];
    untrack(draw);
  });
  $effect(() => {
    const repaint = () => draw();
    window.addEventListener('themechange', repaint);
    return () => {
      window.removeEventListener('themechange', repaint);
      chart?.destroy();
      chart = undefined;
    };
  });
</script>

<div class="relative h-20 w-full">
  <canvas bind:this={canvas} aria-hidden="true"></canvas>
  <span class="text-ink-2 pointer-events-none absolute top-1 right-0 text-xs" style="width: {RIGHT_PX - 8}px"
    >{title}<br /><span class="reading">{unit}</span></span
  >
</div>
