import { fanStages, limitsOf } from '../vehicle/limits';
import { contentKey, Recent } from '../base/content-key';
import { ROAD_RESULTS } from '../checks/by-hand';
import { outcome, spoken, type Judged, type Outcome } from '../checks/check';
import type { SpecSheet } from '../vehicle/spec-sheet';
import type { RunSummary } from '../runs/run-summary';
import type { Features, Segment } from '../runs/features';
import { sayC, sayDeltaC } from '../units/say';
import type { JudgedCheck } from './judged';

/** A run in the place of its checks on the plan: the warm-up run, and the road run where it was driven. */
export const runAsChecks = (run: RunSummary, sheet: SpecSheet | null): JudgedCheck[] =>
  kept.of(`${contentKey(run)} ${contentKey(sheet)}`, () => readAsChecks(run, sheet));
const kept = new Recent<JudgedCheck[]>(500);

function readAsChecks(run: RunSummary, sheet: SpecSheet | null): JudgedCheck[] {
  const { id, at, fileName, title, verdict } = run;
  const as = (check: JudgedCheck['check'], judged: Outcome): JudgedCheck => ({
    id,
    check,
    at,
    who: '',
    byHand: false,
    readings: null,
    confirmed: [],
    words: fileName,
    outcome: judged
  });
  const result = verdict === 'none' ? 'pass' : verdict === 'not-enough' ? 'unclear' : 'fail';
  const road = sheet && judgeRoad(run.features, sheet);
  return [
    as('warm-up-run', spoken({}, outcome(result, title), sheet)),
    ...(road ? [as('road-run', road)] : [])
  ];
}

/** Differences up to these are as any engine shows, °C: air and heat are never quite the same in two segments. */
const LOWER_C = 5;
const HOTTER_C = 6;
/** What a degree of load may cost a radiator with something in hand, °C per 10 %. */
const PER_LOAD_C = 3;

/**
 * Judges how the temperature depends on speed and load once warm; null for a run that did not both stand and move
 * long enough to settle. A thermostat that does not shut lets the road cool the engine below its regulating range;
 * a radiator or pump at its end shows under load; missing airflow shows at a standstill.
 */
export function judgeRoad(
  features: Pick<Features, 'segments' | 'perLoadC'>,
  sheet: SpecSheet
): Outcome | null {
  const judged = readRoad(features, sheet);
  return judged && spoken(ROAD_RESULTS, judged, sheet);
}

function readRoad(
  { segments, perLoadC }: Pick<Features, 'segments' | 'perLoadC'>,
  sheet: SpecSheet
): Judged<keyof typeof ROAD_RESULTS> | null {
  const idle = levelOf(segments.filter((s) => s.kind === 'idle'));
  const moving = levelOf(
    segments.some((s) => s.kind === 'road')
      ? segments.filter((s) => s.kind === 'road')
      : segments.filter((s) => s.kind === 'town')
  );
  if (idle === null || moving === null) return null;
  const limits = limitsOf(sheet);
  const [lowC, highC] = [limits.regulatingLowC.value, limits.regulatingHighC.value];
  // An electric fan lets a standing engine rise to where it switches; a fan on the engine holds it in range.
  const fanOnC = fanStages(sheet)[0]?.onC;
  const standingHotC = fanOnC === undefined ? highC + 3 : fanOnC + 2.5;
  const numbers = [
    { name: 'On the move', value: sayC(moving), limit: `${sayC(lowC)} to ${sayC(highC)}` },
    { name: 'At a standstill', value: sayC(idle), limit: `up to ${sayC(standingHotC)}` },
    ...(perLoadC === null
      ? []
      : [{ name: 'For 10 % more load', value: sayDeltaC(perLoadC), limit: `up to ${sayDeltaC(PER_LOAD_C)}` }])
  ];
  const more = moving - idle;
  if (more < -LOWER_C && moving < lowC - 1)
    return outcome('fail', `${sayDeltaC(-more)} lower on the move than standing, and below its range`, {
      numbers,
      found: ['cooledByRoad']
    });
  if (moving > highC + 2 && (more > HOTTER_C || (perLoadC ?? 0) > PER_LOAD_C))
    return outcome('fail', `Hotter the more it works: ${sayC(moving)} on the move`, {
      numbers,
      found: ['hotUnderLoad']
    });
  if (-more > HOTTER_C && idle > standingHotC)
    return outcome('fail', `Hot at a standstill, ${sayC(idle)}, and ${sayDeltaC(-more)} cooler on the move`, {
      numbers,
      found: ['hotStanding']
    });
  if (moving < lowC - 1 || moving > highC + 2)
    return outcome('unclear', `${sayC(moving)} on the move is outside its range, but standing is no better`, {
      numbers
    });
  return outcome('pass', 'Holds its range on the move and at a standstill', {
    numbers,
    found: ['sound']
  });
}

/** Mean temperature of segments, by how long they lasted; null without one. */
function levelOf(segments: readonly Segment[]): number | null {
  const whole = segments.reduce((sum, s) => sum + s.toS - s.fromS, 0);
  return whole === 0 ? null : segments.reduce((sum, s) => sum + s.celsius * (s.toS - s.fromS), 0) / whole;
}
