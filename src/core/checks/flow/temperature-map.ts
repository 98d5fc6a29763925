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
import { instrumentSchema } from '../../measure/instruments';
import { CLEARED_HOT, READS_HOT } from '../../vehicle/sensor-faults';
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
