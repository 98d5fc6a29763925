import { limitsOf } from '../../vehicle/limits';
import type { SpecSheet } from '../../vehicle/spec-sheet';
import { readsOff } from '../../vehicle/sensor-faults';
import { sayC, sayDeltaC } from '../../units/say';

/** Places on the coolant loop where a probe can be held, in the order the coolant comes by them. */
export const MAP_POINTS = {
  outlet: 'Engine outlet',
  sensor: 'Housing at the sensor',
  scan: 'Scan value',
  upperHose: 'Upper hose',
  radiatorIn: 'Radiator inlet',
  radiatorOut: 'Radiator outlet',
  lowerHose: 'Lower hose',
  heaterIn: 'Heater hose, in',
  heaterOut: 'Heater hose, back'
} as const;
export type MapPoint = keyof typeof MAP_POINTS;
export const MAP_POINT_IDS = Object.keys(MAP_POINTS) as [MapPoint, ...MapPoint[]];
/** Where a probe is held for each point, as instruments on the bench name the places. */
export const PROBE_PLACES = {
  outlet: 'outlet',
  sensor: 'sensor-housing',
  scan: 'scan',
  upperHose: 'upper-hose',
  radiatorIn: 'radiator-in',
  radiatorOut: 'radiator-out',
  lowerHose: 'lower-hose',
  heaterIn: 'heater-in',
  heaterOut: 'heater-out'
} as const satisfies Record<MapPoint, string>;
export type MapTemperatures = Partial<Record<MapPoint, number>>;

export type ThermostatState = 'shut' | 'opening' | 'open';

/** A thermostat closes this far below where it opens, if its sheet does not say. */
const CLOSES_BELOW_C = 6;
/** Near its closing point it may be either. */
const PLAY_C = 2;
/** How far its heater takes an assisted thermostat down. */
const HEATER_DROP_C = 20;
/** One at the inlet sits in a mixture that is colder than the outlet, and is full open later by as much. */
const INLET_MIX_C = 6;

/**
 * What the thermostat is at by the coolant at its engine outlet: shut below its closing point, since one that was
 * open stays so down to there; full open only where what it sits in must be that hot.
 */
export function thermostatAt(outletC: number, sheet: SpecSheet | null): ThermostatState {
  const { closedByC, side, heaterOhm } = sheet?.thermostat ?? {};
  const { startOpenC, fullOpenC } = limitsOf(sheet);
  // A heated one may be open far below its stamp, when the control unit wants it so.
  const opensAtC = (closedByC ?? startOpenC.value - CLOSES_BELOW_C) - (heaterOhm == null ? 0 : HEATER_DROP_C);
  if (outletC < opensAtC - PLAY_C) return 'shut';
  return outletC >= fullOpenC.value - 1 + (side === 'inlet' ? INLET_MIX_C : 0) ? 'open' : 'opening';
}

/** One pair of places that were both measured, and whether they stand to each other as they should. */
interface MapEdge {
  readonly from: MapPoint;
  readonly to: MapPoint;
  /** from less to, °C. */
  readonly dropC: number;
  /** What it should be, °C. */
  readonly low: number;
  readonly high: number;
  readonly fits: boolean;
}

/** No branch of an engine that runs is as cold as this: such a reading is its sensor’s, °C. */
export const BELOW_ANY_BRANCH_C = -20;

/** What temperatures around the loop can show; the check that takes them says what each speaks for and against. */
type MapResult =
  | ReturnType<typeof readsOff>
  | 'branchFlows'
  | 'branchCold'
  | 'scanAgrees'
  | 'orItsBranch'
  | 'shuts'
  | 'leaks'
  | 'comesThrough'
  | 'held'
  | 'hoseClosed'
  | 'flows'
  | 'slow'
  | 'littleAir'
  | 'heaterFlows'
  | 'heaterCold'
  | 'heaterSlow';

interface MapFinding {
  readonly says: string;
  readonly found: readonly MapResult[];
  /** The stretch it is about. */
  readonly between: readonly [MapPoint, MapPoint];
}

export interface MapReading {
  readonly edges: readonly MapEdge[];
  readonly findings: readonly MapFinding[];
  /** What was measured and is as it should be. */
  readonly cleared: readonly MapResult[];
}

/** Two places in one stream agree within this beyond their thermometers, °C: hose walls and housings lose a little. */
const SAME_C = 4;
/** A drop that a heater or a radiator of usual size makes, °C. */
const RADIATOR_DROP = { open: [3, 28], opening: [4, 200] } as const;
const HEATER_DROP = [2, 30] as const;
/** Nearer to the engine than this before it opens, and coolant comes through, °C. */
const LEAKS_WITHIN_C = 12;
const WARM_ENOUGH_C = 30;

/** From here on something should drive air through the radiator of a standing vehicle, °C. */
const drivesFromC = (sheet: SpecSheet | null): number => limitsOf(sheet).fanOnC.value + 2;

/**
 * Reads temperatures on the loop: what should equal what at this thermostat state, and which stretch holds up the
 * flow. `uncertaintyC` is of the thermometer, ± at 95 %, for each place; drops carry √2 of it. `ambientC` where
 * known. Rules: docs/method.md, “Temperature map”.
 */
export function readMap(
  t: MapTemperatures,
  state: ThermostatState,
  sheet: SpecSheet | null,
  uncertaintyC: number,
  ambientC: number | null
): MapReading {
  const inlet = sheet?.thermostat?.side === 'inlet';
  const play = Math.SQRT2 * uncertaintyC;
  const edges: MapEdge[] = [];
  const edge = (from: MapPoint, to: MapPoint, low: number, high: number): MapEdge | null => {
    const [a, b] = [t[from], t[to]];
    if (a === undefined || b === undefined) return null;
    const made = { from, to, dropC: a - b, low: low - play, high: high + play, fits: true };
    edges.push({ ...made, fits: made.dropC >= made.low && made.dropC <= made.high });
    return edges[edges.length - 1];
  };
  const findings: MapFinding[] = [];
  const cleared: MapResult[] = [];
  const found = (e: MapEdge, says: string, ...results: MapResult[]) =>
    findings.push({ says, found: results, between: [e.from, e.to] });
  const C = (p: MapPoint) => sayC(t[p]!);

  const branch = edge('outlet', 'sensor', -SAME_C, SAME_C);
  if (branch && !branch.fits)
    found(
      branch,
      branch.dropC > 0
        ? `The branch with the sensor is ${sayDeltaC(branch.dropC, 0)} colder than the engine outlet: hardly any flow there`
        : `The sensor’s housing is hotter than the engine outlet by ${sayDeltaC(-branch.dropC, 0)}: measure both again`,
      ...(branch.dropC > 0 ? (['branchCold'] as const) : [])
    );
  else if (branch && t.outlet! > WARM_ENOUGH_C + 30) cleared.push('branchFlows');

  const reads = edge('sensor', 'scan', -SAME_C, SAME_C) ?? edge('outlet', 'scan', -SAME_C, SAME_C);
  if (reads && !reads.fits && !(reads.from === 'outlet' && findings.length > 0)) {
    const how = readsOff(t.scan!, -reads.dropC, sheet);
    found(
      reads,
      `The scan value is ${sayDeltaC(Math.abs(reads.dropC), 0)} ${reads.dropC > 0 ? 'below' : 'above'} the metal around its sensor`,
      how,
      // A branch without flow is cool. It is no broken circuit, and not colder than any day.
      ...(reads.from === 'outlet' && how === 'cold' && t.scan! > BELOW_ANY_BRANCH_C
        ? (['orItsBranch'] as const)
        : [])
    );
  } else if (reads && reads.from === 'sensor') cleared.push('scanAgrees');

  // With the thermostat at the outlet the upper hose is behind it; at the inlet the lower hose is before it.
  const behind: MapPoint = inlet ? 'lowerHose' : 'upperHose';
  const hot = t.outlet ?? t.sensor ?? t.scan;
  const hotAt: MapPoint = t.outlet !== undefined ? 'outlet' : t.sensor !== undefined ? 'sensor' : 'scan';
  const hose = t[behind];
  if (inlet) edge('outlet', 'upperHose', -2, SAME_C + 2);
  if (hot !== undefined && hose !== undefined) {
    const warmed = ambientC === null ? hot > 60 : hot - ambientC > WARM_ENOUGH_C;
    const low = state === 'shut' ? LEAKS_WITHIN_C : -2;
    const high = state === 'shut' ? 200 : inlet ? 60 : state === 'open' ? SAME_C + 2 : 45;
    const e = edge(hotAt, behind, low, high)!;
    if (state === 'shut' && warmed && !e.fits)
      found(
        e,
        `The hose behind the shut thermostat is at ${C(behind)} already: it lets coolant through`,
        'leaks'
      );
    else if (state === 'shut' && warmed) cleared.push('shuts');
    if (state === 'open' && !inlet && !e.fits && e.dropC > e.high)
      found(
        e,
        `The engine is at ${sayC(hot)} and the hose behind the thermostat at ${C(behind)}: hardly anything comes through`,
        'held'
      );
    // Nearly as hot behind it as before it, and not shut: it lets coolant through.
    else if (state !== 'shut' && e.dropC <= SAME_C + 2 + play) cleared.push('comesThrough');
  }
  const tank = edge('upperHose', 'radiatorIn', -SAME_C, SAME_C);
  if (tank && !tank.fits && tank.dropC > 0)
    found(
      tank,
      `${sayDeltaC(tank.dropC, 0)} are lost between upper hose and radiator inlet: a hose that is closed inside`,
      'hoseClosed'
    );
  if (state !== 'shut') {
    const from = t.radiatorIn !== undefined ? 'radiatorIn' : 'upperHose';
    const to = t.radiatorOut !== undefined ? 'radiatorOut' : 'lowerHose';
    const [low, high] = RADIATOR_DROP[state];
    const core = edge(from, to, low, high);
    if (core && !core.fits && core.dropC > core.high)
      found(
        core,
        `The radiator takes ${sayDeltaC(core.dropC, 0)} off: little coolant comes by to be cooled`,
        'slow'
      );
    else if (core && !core.fits && hot !== undefined && hot >= drivesFromC(sheet))
      found(
        core,
        `The radiator takes only ${sayDeltaC(core.dropC, 0)} off, hot enough for its fan: little air, by the fan or by what is in its way`,
        'littleAir'
      );
    else if (core && state === 'open') cleared.push('flows');
    edge('radiatorOut', 'lowerHose', -SAME_C, SAME_C);
  }
  const toHeater = edge('outlet', 'heaterIn', -SAME_C, SAME_C + 4);
  if (toHeater && !toHeater.fits && toHeater.dropC > 0)
    found(
      toHeater,
      `The hose to the heater is ${sayDeltaC(toHeater.dropC, 0)} colder than the engine: no flow there, air or a weak pump`,
      'heaterCold'
    );
  else if (toHeater?.fits && t.outlet! > WARM_ENOUGH_C + 30) cleared.push('heaterFlows');
  const core = edge('heaterIn', 'heaterOut', HEATER_DROP[0] - SAME_C, HEATER_DROP[1]);
  if (core && !core.fits && core.dropC > 0)
    found(core, `The heater takes ${sayDeltaC(core.dropC, 0)} off: little flow through it`, 'heaterSlow');
  return { edges, findings, cleared };
}
