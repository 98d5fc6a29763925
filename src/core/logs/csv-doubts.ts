import { max, median, min } from 'simple-statistics';
import type { Problem } from '../base/result';
import { sayDeltaC } from '../units/say';
import type { Target } from './csv-cells';

/** Something about a file that gives an engine no engine can be. */
interface Doubt extends Problem {
  /** It may be so all the same: whoever knows may have it imported as it is. */
  readonly may: boolean;
}

/** A coolant that warms faster over a whole log is one whose times are read in the wrong unit, °C a minute. */
const FASTEST_C_PER_MIN = 45;
/** Steps between fewer values than this are a sensor that jumps, and no warm-up. */
const FEWEST_VALUES = 10;
const LEAST_RISE_C = 15;
const LOOKED_AT = 5000;
/** No log goes on over a pause like this: two logs in one file, or a clock that was set. */
const LONGEST_PAUSE_S = 48 * 3600;
/** A clock that was never set begins in some year before this. */
const CLOCK_SET_SINCE = 2005;
/** Beyond it a time is no time at all. */
const NO_TIME_S = 400 * 86_400;
/** Read in °C these are a hot engine, in °F one that is hardly warm: the values alone do not tell. */
const EITHER = { from: 100, to: 135 };

/** What must be asked about a log before it is judged: its times, and a coolant column without a unit. */
export function doubtsOf({
  t,
  ect,
  column,
  doubtful,
  timeHeader,
  startedAt
}: {
  readonly t: Float64Array;
  readonly ect: Float32Array;
  readonly column: Target;
  /** Its unit was supposed. */
  readonly doubtful: boolean;
  readonly timeHeader: string;
  /** When it began, by the file or by hand, ISO 8601; undefined where nobody says. */
  readonly startedAt: string | undefined;
}): Doubt[] {
  const doubts: Doubt[] = [];
  const pause = t.findIndex((s, i) => i > 0 && !(s - t[i - 1] <= LONGEST_PAUSE_S));
  if (pause > 0)
    doubts.push({
      field: timeHeader,
      message: `jumps by ${Math.round((t[pause] - t[pause - 1]) / 3600).toLocaleString('en')} h after sample ${pause}; expected one log. Cut the file there, or choose another time column`,
      may: t[pause] - t[pause - 1] < NO_TIME_S
    });
  const rate = warmedAt(t, ect);
  if (pause < 0 && rate > FASTEST_C_PER_MIN)
    doubts.push({
      field: timeHeader,
      message: `makes the coolant warm by ${sayDeltaC(rate, 0)} a minute, and no engine does; is the time written in minutes?`,
      may: true
    });
  const hottest = ect.reduce((most, v) => (v > most ? v : most), -Infinity);
  if (doubtful && column.unit === '°C' && hottest >= EITHER.from && hottest <= EITHER.to)
    doubts.push({
      field: column.header,
      message: `has no unit, and ${hottest.toFixed(0)} may be °C or °F; choose its unit`,
      may: true
    });
  if (startedAt !== undefined && startedAt.slice(0, 4) < String(CLOCK_SET_SINCE))
    doubts.push({
      field: 'Recorded on',
      message: `is ${startedAt.slice(0, 10)}; was the clock of the reader ever set? Give the day it was recorded on`,
      may: true
    });
  return doubts;
}

/** °C a minute from the first tenth of a log to its hottest tenth; 0 where it did not warm step by step. */
function warmedAt(t: Float64Array, ect: Float32Array): number {
  // A log of a million samples tells it by some thousand of them.
  const every = Math.ceil(ect.length / LOOKED_AT);
  const known = Array.from({ length: Math.ceil(ect.length / every) }, (_, k) => k * every).filter(
    (i) => !Number.isNaN(ect[i])
  );
  if (known.length === 0) return 0;
  const tenth = Math.max(1, Math.floor(known.length / 10));
  const middle = (part: readonly number[], of: ArrayLike<number>) => median(part.map((i) => of[i]));
  const [first, last] = [known.slice(0, tenth), known.slice(-tenth)];
  const rise = middle(last, ect) - middle(first, ect);
  const values = new Set(known.map((i) => Math.round(ect[i])));
  const spanC = max(known.map((i) => ect[i])) - min(known.map((i) => ect[i]));
  if (rise < LEAST_RISE_C || values.size < FEWEST_VALUES || spanC > 3 * rise) return 0;
  // Up to the sample that first came near its end: what stood hot afterwards took no part.
  const near = known.find((i) => ect[i] >= middle(last, ect) - 0.1 * rise) ?? known[known.length - 1];
  const minutes = (t[near] - t[known[0]]) / 60;
  return minutes > 0 ? (0.9 * rise) / minutes : 0;
}
