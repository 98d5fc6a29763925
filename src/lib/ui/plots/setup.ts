import {
  Chart,
  Filler,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  type ChartOptions
} from 'chart.js';
import annotation from 'chartjs-plugin-annotation';
import zoom from 'chartjs-plugin-zoom';
import { clock } from '$core/base/text';
import { FONT, type Palette } from './palette';

Chart.register(LineController, LineElement, PointElement, LinearScale, Filler, annotation, zoom);
export { Chart };

/** Room left of every plot for its scale and right of it for labels: the same for all, so that they line up. */
export const LEFT_PX = 56;
export const RIGHT_PX = 116;

const STEPS_S = [5, 10, 30, 60, 120, 300, 600, 900, 1800, 3600, 7200, 14_400];

/** As many times as a plot has room to write. */
const mostTicks = (): number => (window.innerWidth < 600 ? 3 : 10);

/** A time axis in minutes and seconds with round steps. */
export function timeScale(from: number, to: number, colours: Palette, shown = true) {
  const step = STEPS_S.find((s) => (to - from) / s <= mostTicks()) ?? 28_800;
  return {
    type: 'linear' as const,
    min: from,
    max: to,
    border: { color: colours.line },
    grid: { color: colours.line, tickLength: 4 },
    ticks: {
      stepSize: step,
      color: colours.soft,
      display: shown,
      maxRotation: 0,
      autoSkip: false,
      font: { family: FONT, size: 13 },
      callback: (value: string | number) => (Number(value) % step === 0 ? clock(Number(value)) : '')
    }
  };
}

/** What every plot of a run shares. */
export function baseOptions(onHover: (seconds: number | null) => void): ChartOptions<'line'> {
  return {
    animation: false,
    responsive: true,
    maintainAspectRatio: false,
    normalized: true,
    parsing: false,
    events: ['mousemove', 'mouseout', 'click', 'touchstart', 'touchmove'],
    onHover: (event, _, chart) =>
      onHover(
        event.type === 'mouseout' || event.x === null
          ? null
          : (chart.scales.x.getValueForPixel(event.x) ?? null)
      ),
    interaction: { mode: 'nearest', intersect: false, axis: 'x' },
    elements: { point: { radius: 0, hitRadius: 0 } }
  };
}
