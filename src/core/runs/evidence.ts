import { fanStages, limitsOf, originWords } from '../vehicle/limits';
import { INSTRUMENTS, type Instrument } from '../measure/instruments';
import type { SpecSheet } from '../vehicle/spec-sheet';
import { sayC, sayDeltaC } from '../units/say';
import { midSentence } from '../base/text';
import type { Features } from './features';
import type { Grid, RunDrive } from './grid';
import type { Departure } from './fit';

/** One finding in words and numbers, against which limit, and whether it is as it should be. */
export interface Evidence {
  readonly text: string;
  readonly state: 'as-expected' | 'off' | 'note';
}

const c = sayC;
const by = sayDeltaC;
const clock = (s: number) => `${Math.floor(s / 60)}:${String(Math.round(s % 60)).padStart(2, '0')}`;

/** What the run showed, each finding with the limit it was held against. Order: as the run went. */
export function evidenceOf(f: Features, grid: Grid, run: RunDrive, spec: SpecSheet): Evidence[] {
  const list: Evidence[] = [];
  const add = (state: Evidence['state'], text: string) => list.push({ state, text });
  electrical(grid, add);
  if (f.startC !== null) {
    const other = f.startMinusAmbientC ?? f.startMinusIntakeC;
    const name = f.startMinusAmbientC !== null ? 'ambient' : 'intake air';
    if (other === null) add('note', `Started at ${c(f.startC)}; nothing logged to compare it with`);
    else if (Math.abs(other) <= 3)
      add('as-expected', `Started at ${c(f.startC)}, within ${by(3)} of ${name}: soaked`);
    else if (other > 0) add('note', `Started ${by(other)} above ${name}: not soaked, or reads hot`);
    else add('off', `Started ${by(-other)} below ${name}, which a standing engine cannot be`);
  }
  opening(f, spec, add);
  hose(f, spec, add);
  regulating(f, spec, add);
  fan(f, spec, add);
  afterRun(f, spec, add);
  const { hotC, stopC } = spec.limits ?? {};
  if (stopC != null && f.secondsAboveStop > 0)
    add(
      'off',
      `Above the stop limit of ${c(stopC)} for ${clock(f.secondsAboveStop)} min, up to ${c(f.maxC!)}`
    );
  else if (hotC != null && f.secondsAboveHot > 0)
    add('off', `Above the hot limit of ${c(hotC)} for ${clock(f.secondsAboveHot)} min, up to ${c(f.maxC!)}`);
  else if (hotC != null && f.maxC !== null)
    add('as-expected', `Never above ${c(f.maxC)}; the hot limit is ${c(hotC)}`);
  add('note', `Ambient ${c(run.ambientC)}${run.ambientFrom === 'ambient' ? '' : ` (${run.ambientFrom})`}`);
  return list;
}

const NOTEWORTHY_C = 5;

/** The largest departure from the healthy curve of this very drive, where it is more than such a curve is sure of. */
export function departureEvidence(departure: Departure | null): Evidence[] {
  if (!departure || Math.abs(departure.byC) < NOTEWORTHY_C) return [];
  const { byC, atS, driving } = departure;
  return [
    {
      state: Math.abs(byC) >= 2 * NOTEWORTHY_C ? 'off' : 'note',
      text: `Up to ${by(Math.abs(byC))} ${byC > 0 ? 'above' : 'below'} a healthy engine on this drive, ${driving} at ${clock(atS)}`
    }
  ];
}

/** What a person read with, and that its error was counted in. */
export const instrumentEvidence = ({ kind, name, uncertaintyC }: Instrument): Evidence => ({
  state: 'note',
  text: `Read by hand with ${name || midSentence(INSTRUMENTS[kind].title)}, ± ${by(uncertaintyC)}: that much is counted as nothing`
});

type Add = (state: Evidence['state'], text: string) => void;

function electrical(grid: Grid, add: Add): void {
  const { openShare, shortShare, excursions, frozen } = grid.jumps;
  if (openShare > 0.8)
    add('off', `Reads the open-circuit default for ${Math.round(openShare * 100)} % of the run`);
  else if (shortShare > 0.8)
    add('off', `Reads the short-circuit default for ${Math.round(shortShare * 100)} % of the run`);
  else if (frozen) add('note', `The reading does not move by more than ${by(1)} in the whole run`);
  if (excursions.length > 0) {
    const first = excursions[0];
    add(
      'off',
      `${excursions.length} jump${excursions.length === 1 ? '' : 's'} no coolant can make (faster than ${by(2.5)} a second), first at ${clock(first.fromS)} to ${c(first.reachedC)}`
    );
  }
}

/** SAE J1979’s thermostat monitor: within 20 °F of the regulating temperature, in a time the maker sets; ours. */
const MONITOR_BELOW_C = 11;
const MONITOR_WAITS_S = 20 * 60;

function opening(f: Features, spec: SpecSheet, add: Add): void {
  const { startOpenC: start } = limitsOf(spec);
  const startOpenC = start.value;
  const word = `start-to-open at ${c(startOpenC)}${start.origin === 'typical' ? ` (${originWords(start)})` : ''}`;
  // What is held against a figure that nobody gave is told, and is no finding.
  const off = start.origin === 'typical' ? 'note' : 'off';
  // The standard's monitor behind P0128 waits for this mark.
  const mark = `within ${by(MONITOR_BELOW_C)} of start-to-open`;
  if (f.nearRegulatingAtS !== null) add('note', `Came ${mark} after ${clock(f.nearRegulatingAtS)}`);
  else if (f.durationS > MONITOR_WAITS_S)
    add(off, `Never came ${mark}: a monitor behind P0128 would store its code`);
  if (f.warmRateCPerMin !== null) add('note', `Warm-up rate ${by(f.warmRateCPerMin)}/min`);
  if (f.knee) {
    const byC = f.knee.celsius - startOpenC;
    const where = `Thermostat opened at ${c(f.knee.celsius)} ± ${by(2 * f.knee.uncertaintyC)} after ${clock(f.knee.atS)}`;
    if (byC < -5) add(off, `${where}: ${by(-byC)} below ${word}`);
    else if (byC > 7) add(off, `${where}: ${by(byC)} above ${word}`);
    else add('as-expected', `${where}; ${word.replace(' at ', ' is ')}`);
    if ((f.overshootC ?? 0) > 6) add('off', `Overshot by ${by(f.overshootC!)} at the first opening`);
  } else if (f.maxC !== null && f.startC !== null && f.maxC > startOpenC + 8 && f.startC < startOpenC - 20)
    add(off, `Rose past ${word} without an opening point`);
  else if (f.plateauC !== null && f.startC !== null && f.startC < startOpenC - 20)
    add('off', 'No opening point: it levels off early, as when coolant passes the radiator all the time');
}

function hose(f: Features, spec: SpecSheet, add: Add): void {
  const name = spec.thermostat?.side === 'inlet' ? 'Lower hose' : 'Upper hose';
  switch (f.hose.kind) {
    case 'rush':
      return add(
        'as-expected',
        `${name} rushed hot at ${clock(f.hose.atS)}, with the coolant at ${c(f.hose.ectC)}`
      );
    case 'creep':
      return add('off', `${name} warmed along with the engine from the start`);
    case 'stayed-cool':
      return add((f.maxC ?? 0) > limitsOf(spec).fullOpenC.value ? 'off' : 'note', `${name} stayed cool`);
    case 'not-logged':
      return;
  }
}

function regulating(f: Features, spec: SpecSheet, add: Add): void {
  if (f.plateauC === null) return add('note', 'Still warming up at the end of the run');
  const limits = limitsOf(spec);
  const [low, high] = [limits.regulatingLowC.value, limits.regulatingHighC.value];
  const [outside, origin] =
    f.plateauC < low - 2 ? [true, limits.regulatingLowC] : [f.plateauC > high + 4, limits.regulatingHighC];
  const whose = origin.origin === 'typical' ? `, ${originWords(origin)}` : '';
  const text = `Regulated at ${c(f.plateauC)} ± ${by(f.plateauSpreadC ?? 0)}; should be ${low} to ${c(high)}${whose}`;
  add(!outside ? 'as-expected' : whose ? 'note' : 'off', text);
  if (f.hunting) {
    const { amplitudeC, periodS, withFan } = f.hunting;
    const swing = `Swings by ± ${by(amplitudeC)} every ${clock(periodS)}`;
    if (withFan) add('note', `${swing}, in step with the fan`);
    else add(amplitudeC > 4 ? 'off' : 'note', `${swing}: the thermostat hunts`);
  }
  if (f.perLoadC !== null && Math.abs(f.perLoadC) >= 1)
    add(
      f.perLoadC > 3 ? 'off' : 'note',
      `${by(Math.abs(f.perLoadC))} ${f.perLoadC > 0 ? 'higher' : 'lower'} for each 10 % of load`
    );
  if (f.roadMinusIdleC === null) return;
  const lower = -f.roadMinusIdleC;
  if (lower > 5 && f.plateauC < low) add('off', `${by(lower)} lower on the move than at idle`);
  else if (lower < -6) add('off', `${by(-lower)} hotter on the move than at idle`);
  else add('note', `On the move ${by(Math.abs(lower))} ${lower > 0 ? 'lower' : 'higher'} than at idle`);
}

function fan(f: Features, spec: SpecSheet, add: Add): void {
  if (spec.clutch && f.fan.ratio !== null)
    add(
      f.fan.ratio > 0.93 ? 'off' : 'note',
      `Fan turned at ${Math.round(f.fan.ratio * 100)} % of engine speed for most of the run`
    );
  const [stage] = fanStages(spec);
  if (!stage) return;
  const ons = f.fan.switches.filter((s) => s.to === 'on' && !s.withAc && s.atS > 10);
  if (f.fan.from === 'none') return;
  // Whether it turns only its own speed tells; its drive and its command tell no more than they are.
  const came = { fan_rpm: 'came on at', fan_pct: 'was driven from', fan_cmd_pct: 'was called for at' }[
    f.fan.from
  ];
  if (ons.length > 0) {
    const mean = ons.reduce((sum, s) => sum + s.celsius, 0) / ons.length;
    add(
      Math.abs(mean - stage.onC) > 3.5 ? 'off' : 'as-expected',
      `Fan ${came} ${c(mean)} (${ons.length} time${ons.length === 1 ? '' : 's'}); should be ${c(stage.onC)}`
    );
  } else if (f.fan.onShare > 0)
    add(
      f.fan.onShare > 0.9 && (f.maxC ?? 0) < stage.onC ? 'off' : 'note',
      `Fan driven for ${Math.round(f.fan.onShare * 100)} % of the run`
    );
  else if ((f.maxC ?? 0) > stage.onC + 2)
    add('off', `Fan never driven, though the coolant passed ${c(stage.onC)}`);
  else if ((f.maxC ?? 0) < stage.onC)
    add('note', `Fan not called for: the coolant stayed below ${c(stage.onC)}`);
}

function afterRun(f: Features, spec: SpecSheet, add: Add): void {
  if (f.fanCoolsCPerMin !== null && f.fanCoolsCPerMin > 0)
    add('note', `With the fan on at a standstill it fell by ${by(f.fanCoolsCPerMin)} a minute`);
  if (!f.afterRun) return;
  const { stopC, riseC, peakAfterS, fanS, fanStillOn, loggedS } = f.afterRun;
  add('note', `After key-off at ${c(stopC)} it rose by ${by(riseC)} in ${clock(peakAfterS)}: heat soak`);
  const allowedMin = spec.fan?.afterRunMaxMin;
  if (fanS === null || !spec.fan?.stages?.length) return;
  const ran = fanStillOn ? `for all ${clock(loggedS)} that were logged` : `for ${clock(fanS)}`;
  if (fanS === 0) add('note', 'Fan stopped with the key');
  else if (allowedMin == null) add('note', `Fan ran on ${ran} after key-off; the sheet gives no rule`);
  else
    add(
      fanS > allowedMin * 60 + 15 ? 'off' : 'as-expected',
      `Fan ran on ${ran} after key-off; the sheet allows ${allowedMin} min`
    );
}
