import type { Band } from '../physics/plant/band';

/** A run in miniature, drawn once when it is judged: what a list shows of it, in a box of 200 by 56. */
export interface Spark {
  /** The coolant curve, as the points of a polyline. */
  readonly line: string;
  /** The band it should have followed, as the points of a polygon; null where it has none. */
  readonly area: string | null;
  /** Where 0 °C and 118 °C lie in the box, from the top: the ends of the heat colours. */
  readonly coldY: number;
  readonly hotY: number;
}

export const SPARK_BOX = { width: 200, height: 56 } as const;

const MARGIN = 3;
/** What a sensor can mean; beyond it is a broken wire, which would flatten the curve. */
const [LEAST_C, MOST_C] = [-30, 135];
/** A picture a thumb wide shows no more points of a band. */
const BAND_POINTS = 30;

interface Drawn {
  /** The coolant curve in a hundred points or so: seconds and °C. */
  readonly curve: { readonly t: readonly number[]; readonly ect: readonly (number | null)[] };
  readonly band: Pick<Band, 't' | 'low' | 'high'> | null;
}

/** Draws a run over its band. Degrees run at least from 20 to 90 °C, so that a short run does not look like a long one. */
export function sparkOf({ curve: { t, ect }, band }: Drawn): Spark {
  const end = Math.max(t[t.length - 1] ?? 1, 1);
  const known = ect.filter((v): v is number => v !== null && v > LEAST_C && v < MOST_C);
  const low = Math.min(...known, ...(band?.low ?? []), 20);
  const high = Math.max(...known, ...(band?.high ?? []), 90);
  const tenth = (v: number) => Math.round(v * 10) / 10;
  const y = (c: number) => {
    const share = (Math.min(MOST_C, Math.max(LEAST_C, c)) - low) / (high - low);
    return tenth(SPARK_BOX.height - MARGIN - share * (SPARK_BOX.height - 2 * MARGIN));
  };
  const point = (s: number, c: number) => `${Math.round((s / end) * SPARK_BOX.width)},${y(c)}`;
  const every = band ? Math.max(1, Math.ceil(band.t.length / BAND_POINTS)) : 1;
  const shown = band ? band.t.map((_, i) => i).filter((i) => i % every === 0 || i === band.t.length - 1) : [];
  return {
    line: t.flatMap((s, i) => (ect[i] === null ? [] : [point(s, ect[i])])).join(' '),
    area: band
      ? [
          ...shown.map((i) => point(band.t[i], band.high[i])),
          ...shown.toReversed().map((i) => point(band.t[i], band.low[i]))
        ].join(' ')
      : null,
    coldY: y(0),
    hotY: y(118)
  };
}
