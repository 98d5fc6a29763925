import type { ChartDataset } from 'chart.js';
import type { AnnotationOptions } from 'chartjs-plugin-annotation';
import type { WhyCurves } from '$core/runs/why';
import { FONT, type Palette } from './palette';

/** A level drawn across the trace, labelled in the margin. */
export interface Threshold {
  readonly celsius: number;
  readonly label: string;
  readonly kind: 'thermostat' | 'fan' | 'limit';
}
interface Mark {
  readonly t: number;
  readonly label: string;
}

/** What a trace shows. */
export interface Drawn {
  readonly t: readonly number[];
  readonly ect: readonly (number | null)[];
  /** Another run laid under it, dashed. */
  readonly other?: { readonly t: readonly number[]; readonly ect: readonly (number | null)[] } | null;
  readonly band: {
    readonly t: readonly number[];
    readonly low: readonly number[];
    readonly mid: readonly number[];
    readonly high: readonly number[];
  } | null;
  /** What the verdict rests on: a healthy engine and the leading fault as each fits best, and where they part. */
  readonly why?: WhyCurves | null;
  readonly thresholds: readonly Threshold[];
  readonly marks: readonly Mark[];
}

interface Span {
  readonly from: number;
  readonly to: number;
}

/** Lines and boxes over a trace: its levels, its marks, where the run parts from a healthy engine, and the cursor. */
export function annotationsOf(
  { thresholds, marks, why }: Drawn,
  cursor: number | null,
  colours: Palette
): Record<string, AnnotationOptions> {
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

/** The degrees a trace spans: of what is in sight, and of the levels while most of the run is. */
export function degreesOf({ t, ect, other, band, why, thresholds }: Drawn, range: Span, full: Span) {
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
function whySets(why: WhyCurves | null | undefined, colours: Palette) {
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

/** The lines of a trace, the one under the others first; `line` colours the run's own. */
export function setsOf(
  { t, ect, other, band, why }: Drawn,
  colours: Palette,
  line: ChartDataset<'line'>['borderColor']
): ChartDataset<'line', { x: number; y: number }[]>[] {
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
  return [
    ...bandSets,
    ...whySets(why, colours),
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
      borderColor: line
    }
  ];
}

/** Heights in order, pushed apart to so many pixels from one to the next, none above the top. */
export function apart(heights: readonly number[], leastPx: number, top: number): number[] {
  const centre = [...heights];
  for (let pass = 0; pass < 40; pass++) {
    for (let i = 1; i < centre.length; i++) {
      const lack = leastPx - (centre[i] - centre[i - 1]);
      if (lack > 0) {
        centre[i - 1] -= lack / 2;
        centre[i] += lack / 2;
      }
    }
    if (centre.length > 0) centre[0] = Math.max(centre[0], top);
  }
  return centre;
}
