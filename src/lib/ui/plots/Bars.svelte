<script lang="ts">
  import { BarController, BarElement, CategoryScale } from 'chart.js';
  import { Chart } from './setup';
  import { FONT, palette } from './palette';

  interface Props {
    labels: readonly string[];
    values: readonly number[];
    /** What a bar counts, in a word or two. */
    counts: string;
    /** Read aloud, and by whoever cannot see bars. */
    label: string;
    height?: number;
  }
  let { labels, values, counts, label, height = 180 }: Props = $props();

  Chart.register(BarController, BarElement, CategoryScale);
  let canvas = $state<HTMLCanvasElement>();
  let theme = $state(0);
  $effect(() => {
    const again = () => theme++;
    addEventListener('themechange', again);
    return () => removeEventListener('themechange', again);
  });

  $effect(() => {
    void theme;
    if (!canvas) return;
    const colours = palette();
    const font = { family: FONT, size: 13 };
    const chart = new Chart(canvas, {
      type: 'bar',
      data: {
        labels: [...labels],
        datasets: [{ label: counts, data: [...values], backgroundColor: colours.act, maxBarThickness: 44 }]
      },
      options: {
        animation: false,
        responsive: true,
        maintainAspectRatio: false,
        plugins: { zoom: { zoom: {}, pan: {} }, tooltip: { enabled: false } },
        scales: {
          x: {
            type: 'category',
            grid: { display: false },
            ticks: { color: colours.soft, font, maxRotation: 0 }
          },
          y: {
            type: 'linear',
            beginAtZero: true,
            grid: { color: colours.line },
            ticks: { color: colours.soft, font, precision: 0, maxTicksLimit: 5 }
          }
        }
      }
    });
    return () => chart.destroy();
  });
</script>

<div style:height="{height}px" role="img" aria-label={label}><canvas bind:this={canvas}></canvas></div>
