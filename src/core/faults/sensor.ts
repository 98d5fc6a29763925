import type { FaultId } from '../vehicle/faults';
import { resistanceAt } from '../physics/thermistor/curve';
import type { PlantParams } from '../physics/plant/params';
import { defineFault, type Fault, usual } from './fault';

/** The coolant sensor, its circuit, its branch and the gauge. */
const nothingBeside = () => ({
  because: 'no ambient or intake air reading at a soaked start to compare with',
  toShow: 'Start soaked, with ambient and intake air in the log'
});

const branchLooksHealthy = () => ({
  because: 'the reading stayed within what a healthy branch shows',
  toShow: 'Temperature map on the regulating engine'
});

/** Series resistance that makes the reading fall `celsius` short at 90 °C, Ω. */
const contactFor = (p: PlantParams, celsius: number): number =>
  Math.max(1, resistanceAt(p.curve, 90 - celsius) - resistanceAt(p.curve, 90));

/** Parallel leak that makes the reading rise `celsius` at 20 °C, Ω: the cold end is where it shows most. */
function leakFor(p: PlantParams, celsius: number): number {
  const truth = resistanceAt(p.curve, 20);
  const read = resistanceAt(p.curve, 20 + Math.max(0.5, celsius));
  return (truth * read) / (truth - read);
}

export const sensor = {
  'ect-reads-hot': defineFault({
    title: 'ECT reads hot',
    means: 'Sensor or its circuit reads above the truth',
    confirm: 'Cold agreement, ladder, substitution',
    prior: 4,
    repair: 'ect-sensor',
    told: { 'gauge-high': 0.5, 'fan-always': 0.15, 'power-reduced': 0.2, 'ac-off': 0.22 },
    codes: ['P0116', 'P0217'],
    curve: {
      kind: 'warms',
      scale: 'leak across the sensor that adds up to 26 °C at 20 °C, or up to 24 °C of shift',
      variants: {
        leak: (p, s) => ({ sensorError: { kind: 'parallel', ohm: leakFor(p, 26 * s) } }),
        shift: (_, s) => ({ sensorError: { kind: 'shift', celsius: 24 * s } })
      },
      severities: [0.25, 0.5, 0.8],
      blind: nothingBeside
    }
  }),
  'ect-reads-cold': defineFault({
    title: 'ECT reads cold',
    means: 'Sensor or its circuit reads below the truth; the fan then comes late',
    confirm: 'Thermometer at the housing, ladder',
    prior: 4,
    repair: 'ect-sensor',
    told: { 'gauge-low': 0.9, 'fan-never': 0.06, 'economy-poor': 0.2 },
    codes: ['P0116', 'P0125', 'P0126', 'P0128'],
    curve: {
      kind: 'warms',
      scale: 'contact in series that costs up to 30 °C at 90 °C, or up to 24 °C of shift',
      variants: {
        contact: (p, s) => ({ sensorError: { kind: 'series', ohm: contactFor(p, 30 * s) } }),
        shift: (_, s) => ({ sensorError: { kind: 'shift', celsius: -24 * s } })
      },
      severities: [0.2, 0.4, 0.65, 1],
      blind: nothingBeside
    }
  }),
  'ect-open-circuit': defineFault({
    title: 'ECT open circuit',
    means: 'Sensor or wire open: the cold default',
    confirm: 'Bridge test',
    prior: 4,
    repair: 'ect-sensor',
    told: { 'gauge-low': 0.9, 'fan-always': 0.4 },
    worse: ['start'],
    codes: ['P0115', 'P0118'],
    curve: {
      kind: 'reading',
      scale: 'no meaning',
      variants: usual((p) => ({ sensorError: { kind: 'fixed', readsC: p.openReadsC } }))
    }
  }),
  'ect-short-circuit': defineFault({
    title: 'ECT short circuit',
    means: 'Sensor or wire shorted: the hot default',
    confirm: 'Unplug test',
    prior: 3,
    repair: 'ect-sensor',
    told: { 'gauge-high': 0.7, 'fan-always': 0.4, 'power-reduced': 0.7, 'ac-off': 0.35 },
    worse: ['start'],
    codes: ['P0115', 'P0117'],
    curve: {
      kind: 'reading',
      scale: 'no meaning',
      variants: usual((p) => ({ sensorError: { kind: 'fixed', readsC: p.shortReadsC } }))
    }
  }),
  'ect-intermittent': defineFault({
    title: 'ECT intermittent',
    means: 'A contact that comes and goes',
    confirm: 'Wiggle test, log at a fine interval',
    prior: 4,
    repair: 'connector',
    told: { 'gauge-jumps': 0.8, 'fan-always': 0.4, 'fan-odd': 0.1, 'power-reduced': 0.5, 'ac-off': 0.22 },
    worse: ['stopping', 'key-off'],
    codes: ['P0119', 'P2186'],
    curve: {
      kind: 'reading',
      scale: 'drop-outs a minute, up to 3',
      variants: {
        open: (p, s) => ({
          sensorError: { kind: 'dropouts', perMinute: 0.2 + 2.8 * s, meanS: 2 + 6 * s, readsC: p.openReadsC }
        }),
        short: (p, s) => ({
          sensorError: { kind: 'dropouts', perMinute: 0.2 + 2.8 * s, meanS: 2 + 6 * s, readsC: p.shortReadsC }
        })
      }
    }
  }),
  'ect-wrong-part': defineFault({
    title: 'ECT of another curve',
    means: 'A good sensor of the wrong family',
    confirm: 'Ladder against the curve library',
    prior: 2,
    repair: 'ect-sensor',
    told: { 'gauge-high': 0.2, 'gauge-low': 0.7, 'fan-always': 0.15, 'power-reduced': 0.12, 'ac-off': 0.14 },
    codes: ['P0116', 'P0128'],
    like: ['ect-reads-hot', 'ect-reads-cold'],
    curve: { kind: 'shared' }
  }),
  'ect-wiring': defineFault({
    title: 'ECT wiring faulty',
    means: 'Reference or ground of the sensor circuit',
    confirm: 'Reference voltage, ground drop, bridge and unplug',
    prior: 3,
    repair: 'connector',
    told: {
      'gauge-high': 0.35,
      'gauge-low': 0.7,
      'gauge-jumps': 0.12,
      'fan-always': 0.3,
      'fan-odd': 0.1,
      'power-reduced': 0.3
    },
    codes: [
      'P0115',
      'P0116',
      'P0117',
      'P0118',
      'P0119',
      'P0128',
      'P2182',
      'P2183',
      'P2184',
      'P2185',
      'P2186'
    ],
    like: ['ect-reads-hot', 'ect-reads-cold', 'ect-open-circuit', 'ect-short-circuit', 'ect-intermittent'],
    curve: { kind: 'shared' }
  }),
  'gauge-fault': defineFault({
    title: 'Dash gauge wrong',
    means: 'Gauge, sender or its ground',
    confirm: 'Gauge against scan value and thermometer',
    prior: 4,
    repair: 'gauge',
    told: { 'gauge-high': 0.5, 'gauge-low': 0.5, 'gauge-jumps': 0.12 },
    curve: {
      kind: 'unseen',
      because: 'a scan log does not see the needle',
      toShow: 'Read the gauge beside the scan value'
    }
  }),
  'sensor-branch-restricted': defineFault({
    title: 'Sensor branch without flow',
    means: 'The branch with the sensor stands still',
    confirm: 'Temperature map',
    prior: 2,
    repair: 'branch-flush',
    told: { 'gauge-low': 0.9 },
    codes: ['P0116', 'P0125', 'P0126', 'P0128', 'P2183'],
    curve: {
      kind: 'warms',
      scale: 'share of the flow past the sensor lost',
      variants: usual((_, s) => ({ branchShare: 1 - 0.4 * s })),
      severities: [0.4, 0.7, 1],
      blind: branchLooksHealthy
    }
  })
} satisfies Partial<Record<FaultId, Fault>>;
