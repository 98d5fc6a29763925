import { fanStages, limitsOf } from '../vehicle/limits';
import { ambientKpa, boilingC } from '../physics/coolant/boiling';
import type { Log } from '../logs/channels';
import type { SpecSheet } from '../vehicle/spec-sheet';
import type { Band } from '../physics/plant/band';

/** What a run in progress says this moment. Temperatures in °C, times in s of the run. */
export interface Moment {
  readonly t: number;
  readonly coolantC: number;
  /** By a straight line through the last minute; null before there is enough of one. */
  readonly rateCPerMin: number | null;
  readonly phase: 'warming' | 'regulating';
  readonly level: 'calm' | 'hot' | 'stop';
  /** How far below boiling, half and half under the sheet's cap; null without a cap in the sheet. */
  readonly boilingMarginC: number | null;
  /** Whether the fan ought to run by the sheet at what is read; null where the sheet has no electric fan. */
  readonly fanDue: boolean | null;
  /** The reading is at a default of the circuit, or has moved faster than coolant can. */
  readonly implausible: string | null;
}

const RATE_OVER_S = 60;
const RATE_FEWEST_S = 20;
/** Faster than any coolant, °C a second; sensors read whole degrees, so a step of one or two says nothing. */
const FASTEST_C_PER_S = 2.5;
const STEP_C = 4;

/** Reads the last moment of a log. Null before the first coolant sample. */
export function momentOf(log: Pick<Log, 't' | 'channels'>, sheet: SpecSheet | null): Moment | null {
  const { t } = log;
  const ect = log.channels.ect_c;
  let last = t.length - 1;
  while (ect && last >= 0 && Number.isNaN(ect[last])) last--;
  if (!ect || last < 0) return null;
  const coolantC = ect[last];
  const limits = limitsOf(sheet);
  const [hotC, stopC] = [limits.hotC.value, limits.stopC.value];
  const implausible = implausibleAt(t, ect, last, sheet);
  const stages = fanStages(sheet);
  return {
    t: t[last],
    coolantC,
    rateCPerMin: rateOf(t, ect, last),
    phase: coolantC >= limits.startOpenC.value - 3 ? 'regulating' : 'warming',
    level: implausible ? 'calm' : coolantC >= stopC ? 'stop' : coolantC >= hotC ? 'hot' : 'calm',
    boilingMarginC: sheet?.cap?.kPa == null ? null : boilingC(0.5, sheet.cap.kPa, ambientKpa()) - coolantC,
    fanDue: stages.length === 0 ? null : coolantC >= stages[0].onC,
    implausible
  };
}

function implausibleAt(
  t: Float64Array,
  ect: Float32Array,
  last: number,
  sheet: SpecSheet | null
): string | null {
  const { openReadsC, shortReadsC } = limitsOf(sheet);
  const [open, short] = [openReadsC.value, shortReadsC.value];
  if (ect[last] <= open + 1) return 'Reads the open-circuit default: sensor, plug or wire';
  if (ect[last] >= short - 1) return 'Reads the short-circuit default: sensor or wire';
  for (let i = last - 1; i >= 0 && t[last] - t[i] < 10; i--) {
    const by = Math.abs(ect[i + 1] - ect[i]);
    const dt = t[i + 1] - t[i];
    // After a gap any rise is possible: only a step between close samples speaks.
    if (dt <= 5 && by > STEP_C && by / dt > FASTEST_C_PER_S) return 'Jumped faster than coolant can move';
  }
  return null;
}

/** Slope of the least-squares line through the last minute, °C a minute. */
function rateOf(t: Float64Array, ect: Float32Array, last: number): number | null {
  let n = 0;
  let [st, sy, stt, sty] = [0, 0, 0, 0];
  let first = last;
  for (let i = last; i >= 0 && t[last] - t[i] <= RATE_OVER_S; i--) {
    if (Number.isNaN(ect[i])) continue;
    const x = t[i] - t[last];
    n++;
    st += x;
    sy += ect[i];
    stt += x * x;
    sty += x * ect[i];
    first = i;
  }
  if (n < 3 || t[last] - t[first] < RATE_FEWEST_S) return null;
  return (60 * (n * sty - st * sy)) / (n * stt - st * st);
}

const AHEAD_MEAN_S = 60;
const AHEAD_STEP_S = 5;

/**
 * The log with a stretch laid on it that goes on as the last minute went, its coolant blank: what the band is drawn
 * over, so that it shows where the engine should be heading. `aheadS` ≥ 0.
 */
export function withAhead(log: Log, aheadS: number): Log {
  const n = log.t.length;
  const more = Math.floor(aheadS / AHEAD_STEP_S);
  if (n === 0 || more === 0) return log;
  const end = log.t[n - 1];
  const t = new Float64Array(n + more);
  t.set(log.t);
  for (let i = 0; i < more; i++) t[n + i] = end + (i + 1) * AHEAD_STEP_S;
  const channels = Object.fromEntries(
    Object.entries(log.channels).map(([key, values]) => {
      const column = new Float32Array(n + more).fill(NaN);
      column.set(values);
      if (key !== 'ect_c') column.fill(recentMean(log.t, values), n);
      return [key, column];
    })
  );
  return { ...log, t, channels };
}

function recentMean(t: Float64Array, values: Float32Array): number {
  let sum = 0;
  let n = 0;
  for (let i = t.length - 1; i >= 0 && t[t.length - 1] - t[i] <= AHEAD_MEAN_S; i--)
    if (!Number.isNaN(values[i])) {
      sum += values[i];
      n++;
    }
  return n > 0 ? sum / n : NaN;
}

/** Seconds from now until the thermostat should start to open, by the band; null where it should have, or will not. */
export function opensIn(
  band: Band | null,
  t: number
): { readonly fromS: number; readonly toS: number } | null {
  if (!band?.openingAtS || band.openingAtS.high <= t) return null;
  return { fromS: Math.max(0, band.openingAtS.low - t), toS: band.openingAtS.high - t };
}

/** Where a reading stands to the band at its time: how far outside, °C; 0 within; null where there is no band. */
export function outsideBand(band: Band | null, t: number, celsius: number): number | null {
  if (!band || band.t.length === 0 || t > band.t[band.t.length - 1]) return null;
  let i = band.t.findIndex((bt) => bt >= t);
  if (i < 0) i = band.t.length - 1;
  return celsius > band.high[i] ? celsius - band.high[i] : celsius < band.low[i] ? celsius - band.low[i] : 0;
}
