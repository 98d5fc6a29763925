import { z } from 'zod';
import {
  MAP_POINT_IDS,
  MAP_POINTS,
  readMap,
  thermostatAt,
  type MapPoint,
  type ThermostatState
} from '../../physics/flow/map';
import type { SpecSheet } from '../../vehicle/spec-sheet';
import { sayC, sayDeltaC } from '../../units/say';
import { defineCheck, outcome, speaksAgainst, speaksFor } from '../check';
import { SCAN_BESIDE_METAL, seen, share, strength } from '../strength';
import { instrumentSchema } from '../../measure/instruments';
import { CLEARED_HOT, READS_HOT, READS_COLD } from '../../vehicle/sensor-faults';
import { airC, coolantC, refuseHotter } from '../../measure/temperature';

const readings = z
  .object({
    points: z.partialRecord(z.enum(MAP_POINT_IDS), coolantC),
    instrument: instrumentSchema,
    /** As the log or the hand has it; by the engine outlet and the sheet where it is not said. */
    thermostat: z.enum(['shut', 'opening', 'open']).nullable(),
    ambientC: airC.nullable()
  })
  .refine((r) => Object.keys(r.points).length >= 2, {
    message: 'Measure two places at least',
    path: ['points.outlet']
  });
export type TemperatureMapReadings = z.infer<typeof readings>;

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
export const temperatureMap = defineCheck<TemperatureMapReadings>({
  title: 'Temperature map',
  phases: ['R'],
  minutes: 8,
  decides: 'What should equal what on the loop, and where flow is held up.',
  tools: ['Thermometer'],
  cautions: ['hot-parts', 'belts'],
  gate: 'none',
  speaksTo: [
    'radiator-clogged',
    'pump-flow-low',
    'sensor-branch-restricted',
    'ect-intermittent',
    ...new Set([...READS_HOT, ...CLEARED_HOT]),
    'thermostat-stuck-closed',
    'thermostat-stuck-open',
    'thermostat-low-rating',
    'coolant-low',
    'airflow-restricted',
    'fan-motor-dead',
    'fan-motor-weak',
    'clutch-slipping'
  ],
  strength: strength(0.95, 0.006, 0.05, 'thermometer', 'Drops along the loop by one thermometer', {
    ...SCAN_BESIDE_METAL,
    'sensor-branch-restricted': share(0.95, 0.004, 0.03, 'A cold branch beside a hot outlet is nothing else'),
    'thermostat-stuck-closed': share(0.92, 0.005, 0.06, 'Hardly anything comes through'),
    'thermostat-low-rating': share(0.48, 0.02, 0.5, 'Warm behind a shut thermostat, and not for long'),
    'thermostat-stuck-open': share(0.85, 0.02, 0.1, 'Warm behind a shut thermostat'),
    'pump-flow-low': share(0.63, 0.006, 0.35, 'Two thirds of the flow still make a good map'),
    'coolant-low': share(0.3, 0.006, 0.6, 'A cold heater has other causes'),
    'airflow-restricted': share(0.02, 0.01, 1, 'Not on the loop'),
    'radiator-clogged': share(0.02, 0.01, 1, 'A cold outlet has better reasons')
  }),
  results: [
    seen('the scan value is at its cold default', ['ect-open-circuit', 'ect-wiring'], ['ect-reads-cold']),
    seen('the scan value is at its hot default', ['ect-short-circuit', 'ect-wiring'], ['ect-reads-hot']),
    seen('the scan value is below the metal around it', READS_COLD, ['sensor-branch-restricted']),
    seen('the scan value is above the metal around it', READS_HOT, ['sensor-branch-restricted']),
    seen(
      'the branch of the sensor is cold',
      ['sensor-branch-restricted'],
      ['ect-reads-cold', 'ect-reads-hot']
    ),
    seen('the hose behind the shut thermostat is hot', ['thermostat-stuck-open', 'thermostat-low-rating']),
    seen('hardly anything comes through the thermostat', ['thermostat-stuck-closed', 'coolant-low']),
    seen('the heater hoses are cold', ['coolant-low', 'pump-flow-low'])
  ],
  clears: [
    'sensor-branch-restricted',
    ...CLEARED_HOT,
    'pump-flow-low',
    'coolant-low',
    'thermostat-stuck-closed'
  ],
  readings,
  refuse: (r, sheet) =>
    (Object.entries(r.points) as [MapPoint, number][])
      .map(([p, c]) => refuseHotter(`points.${p}`, c, sheet))
      .filter((p) => p !== undefined),
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
    const against = speaksAgainst(...map.cleared);
    if (map.findings.length > 0)
      return outcome('fail', map.findings.map((f) => f.says).join('. '), {
        numbers,
        points: [...speaksFor(...new Set(map.findings.flatMap((f) => f.faults))), ...against]
      });
    const places = Object.keys(r.points).length;
    return map.edges.length >= 3
      ? outcome('pass', `${places} places agree as they should with the thermostat ${STATE[state]}`, {
          numbers,
          points: against
        })
      : outcome('unclear', `${places} places agree so far; measure more of the loop`, {
          numbers,
          points: against
        });
  },
  words: (r) =>
    (Object.entries(r.points) as [MapPoint, number][])
      .map(([p, c]) => `${MAP_POINTS[p].toLowerCase()} ${sayC(c)}`)
      .join(', ')
});
