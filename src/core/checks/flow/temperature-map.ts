import { z } from 'zod';
import {
  PROBE_PLACES,
  MAP_POINT_IDS,
  MAP_POINTS,
  readMap,
  thermostatAt,
  type MapPoint,
  type ThermostatState
} from '../../physics/flow/map';
import type { SpecSheet } from '../../vehicle/spec-sheet';
import { sayC, sayDeltaC } from '../../units/say';
import { defineCheck, outcome } from '../check';
import { SCAN_BESIDE_METAL, SCAN_OFF, share, strength } from '../strength';
import { instrumentOf, instrumentSchema } from '../../measure/instruments';
import { CLEARED_HOT } from '../../vehicle/sensor-faults';
import { airC, refuseHotter, scanC } from '../../measure/temperature';

const readings = () =>
  z
    .object({
      /** A scan value may be what no coolant is: a shorted circuit reads 140 °C. */
      points: z.partialRecord(z.enum(MAP_POINT_IDS), scanC),
      instrument: instrumentSchema,
      /** As the log or the hand has it; by the engine outlet and the sheet where it is not said. */
      thermostat: z.enum(['shut', 'opening', 'open']).nullable(),
      ambientC: airC.nullable()
    })
    .refine((r) => Object.keys(r.points).length >= 2, {
      message: 'Measure two places at least',
      path: ['points.outlet']
    });
export type TemperatureMapReadings = z.infer<ReturnType<typeof readings>>;

/** The thermostat's state as it was said, or as the hottest place and the sheet tell. */
export function stateOf(
  r: Pick<TemperatureMapReadings, 'points' | 'thermostat'>,
  sheet: SpecSheet | null
): ThermostatState {
  const hottest = Math.max(...Object.values(r.points).filter((c): c is number => typeof c === 'number'));
  return r.thermostat ?? thermostatAt(r.points.outlet ?? hottest, sheet);
}

const mapOf = (r: TemperatureMapReadings, sheet: SpecSheet | null) =>
  readMap(r.points, stateOf(r, sheet), sheet, r.instrument.uncertaintyC, r.ambientC);

const STATE = { shut: 'shut', opening: 'opening', open: 'open' } as const;

/** Temperatures around the loop: what should equal what, and the stretch where flow or airflow is missing. */
export const temperatureMap = defineCheck({
  title: 'Temperature map',
  phases: ['R'],
  minutes: 8,
  decides: 'What should equal what on the loop, and where flow is held up.',
  tools: ['Thermometer'],
  cautions: ['hot-parts', 'belts'],
  gate: 'none',
  results: {
    ...SCAN_OFF,
    branchFlows: { against: ['sensor-branch-restricted'], besideSensor: true },
    branchCold: {
      seen: 'the branch of the sensor is cold',
      for: ['sensor-branch-restricted'],
      besideSensor: true
    },
    scanAgrees: { against: CLEARED_HOT },
    // Held against the engine outlet alone, a low scan value may be its branch as well.
    orItsBranch: { for: ['sensor-branch-restricted'] },
    shuts: { against: ['thermostat-stuck-open'] },
    leaks: {
      seen: 'the hose behind the shut thermostat is hot',
      for: ['thermostat-stuck-open', 'thermostat-low-rating']
    },
    comesThrough: { against: ['thermostat-stuck-closed'] },
    held: {
      seen: 'hardly anything comes through the thermostat',
      for: ['thermostat-stuck-closed', 'thermostat-sluggish', 'coolant-low']
    },
    hoseClosed: { for: ['radiator-clogged'] },
    flows: { against: ['pump-flow-low'] },
    slow: {
      for: [
        'pump-flow-low',
        'radiator-clogged',
        'coolant-low',
        'thermostat-stuck-closed',
        'thermostat-sluggish'
      ]
    },
    littleAir: { for: ['airflow-restricted', 'fan-motor-dead', 'fan-motor-weak', 'clutch-slipping'] },
    heaterFlows: { against: ['pump-flow-low', 'coolant-low'] },
    heaterCold: { seen: 'the heater hoses are cold', for: ['coolant-low', 'pump-flow-low'] },
    heaterSlow: { for: ['coolant-low', 'pump-flow-low', 'heater-core-restricted'] }
  },
  strength: strength(0.95, 0.006, 0.05, 'thermometer', 'Drops along the loop by one thermometer', {
    ...SCAN_BESIDE_METAL,
    'sensor-branch-restricted': share(0.95, 0.004, 0.03, 'A cold branch beside a hot outlet is nothing else'),
    'thermostat-stuck-closed': share(0.92, 0.005, 0.06, 'Hardly anything comes through'),
    'thermostat-sluggish': share(0.3, 0.005, 0.7, 'Shut while the engine is just warm, and open later'),
    'thermostat-low-rating': share(0.48, 0.02, 0.5, 'Warm behind a shut thermostat, and not for long'),
    'thermostat-stuck-open': share(0.85, 0.02, 0.1, 'Warm behind a shut thermostat'),
    'pump-flow-low': share(0.63, 0.006, 0.35, 'Two thirds of the flow still make a good map'),
    'coolant-low': share(0.3, 0.006, 0.6, 'A cold heater has other causes'),
    'airflow-restricted': share(0.02, 0.01, 1, 'Not on the loop'),
    'radiator-clogged': share(0.02, 0.01, 1, 'A cold outlet has better reasons')
  }),
  readings,
  begins: ({ heat: { ambientC } }) => ({
    points: {},
    instrument: instrumentOf('contact'),
    thermostat: null,
    ambientC
  }),
  refuse: (r, sheet) =>
    (Object.entries(r.points) as [MapPoint, number][])
      .map(([p, c]) => (p === 'scan' ? undefined : refuseHotter(`points.${p}`, c, sheet)))
      .filter((p) => p !== undefined),
  sensorReadings({ points, instrument }) {
    const { scan, sensor, outlet } = points;
    const trueC = sensor ?? outlet;
    return scan === undefined || trueC === undefined
      ? []
      : [
          {
            readsC: scan,
            trueC,
            sdC: instrument.uncertaintyC / 1.96,
            at: sensor === undefined ? 'engine' : 'sensor',
            of: 'both'
          }
        ];
  },
  judge(r, { sheet }) {
    const map = mapOf(r, sheet);
    const state = stateOf(r, sheet);
    const numbers = [
      { name: 'Thermostat', value: STATE[state] },
      ...map.edges.map((e) => ({
        name: `${MAP_POINTS[e.from]} less ${MAP_POINTS[e.to].toLowerCase()}`,
        value: sayDeltaC(e.dropC),
        limit:
          e.high > 150
            ? `at least ${sayDeltaC(e.low, 0)}`
            : `${sayDeltaC(e.low, 0)} to ${sayDeltaC(e.high, 0)}`
      }))
    ];
    const found = [...map.findings.flatMap((f) => f.found), ...map.cleared];
    if (map.findings.length > 0)
      return outcome('fail', map.findings.map((f) => f.says).join('. '), {
        numbers,
        found
      });
    const places = Object.keys(r.points).length;
    return map.edges.length >= 3
      ? outcome('pass', `${places} places agree as they should with the thermostat ${STATE[state]}`, {
          numbers,
          found
        })
      : outcome('unclear', `${places} places agree so far; measure more of the loop`, {
          numbers,
          found
        });
  },
  simulate(h) {
    const engine = h.hot();
    return {
      points: Object.fromEntries(MAP_POINT_IDS.map((p) => [p, h.reads(engine, 'probe', PROBE_PLACES[p])!])),
      instrument: instrumentOf('contact'),
      thermostat: null,
      ambientC: Math.round(h.ambientC)
    };
  },
  words: (r) =>
    (Object.entries(r.points) as [MapPoint, number][])
      .map(([p, c]) => `${MAP_POINTS[p].toLowerCase()} ${sayC(c)}`)
      .join(', ')
});
