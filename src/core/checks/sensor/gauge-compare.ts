import { seeded } from '../../base/random';
import { z } from 'zod';
import { BELOW_ANY_BRANCH_C } from '../../physics/flow/map';
import { defineField } from '../../units/field';
import type { SpecSheet } from '../../vehicle/spec-sheet';
import { sayC, sayDeltaC } from '../../units/say';
import { agreement } from '../../measure/agreement';
import { defineCheck, outcome, unusual, type Judged } from '../check';
import { SCAN_BESIDE_METAL, SCAN_OFF, share, strength } from '../strength';
import { circuitReadings, circuitWords, judgeCircuit, refuseVolts } from '../circuit-check';
import { instrumentOf, readWith, takenBy } from '../../measure/instruments';
import { CLEARED_HOT, READS_HOT, readsOff, READS_COLD } from '../../vehicle/sensor-faults';
import { coolantC, refuseHotter, scanC } from '../../measure/temperature';

const readings = () =>
  z
    .object({
      /** Needle over its scale: 0 at the cold end, 100 at the hot end. */
      needlePct: defineField(
        z.number('Say where the needle stands').min(0, '0 is the cold end').max(100, '100 is the hot end'),
        { label: 'Needle, from cold to hot', slider: { low: 'cold', high: 'hot' } }
      ),
      scanC: defineField(scanC, { label: 'Scan value', quantity: 'temperature' }).nullable(),
      thermometer: defineField(takenBy(coolantC), {
        label: 'Thermometer at the housing',
        takenWith: { place: 'housing', choices: ['contact', 'infrared', 'infrared-bright', 'glass'] },
        bench: { instrument: 'probe', place: 'outlet' }
      }).nullable(),
      /** Whether the needle is alone: gauges of one cluster share their supply and their ground. */
      others: defineField(z.enum(['right', 'lazy']), {
        label: 'The other needles, fuel or oil',
        choices: { right: 'As they should be', lazy: 'Low or slow as well' }
      })
        .nullable()
        .default(null),
      /** The gauge’s own circuit, where it was measured too. */
      sender: circuitReadings(['gauge']).nullable().default(null)
    })
    .refine((r) => r.scanC !== null || r.thermometer !== null, {
      message: 'Take the scan value or a thermometer to hold the needle against',
      path: ['scanC']
    });
export type GaugeCompareReadings = z.infer<ReturnType<typeof readings>>;

const lawSchema = z
  .object({ points: z.array(z.tuple([z.number(), z.number()])).min(2) })
  // Two temperatures at one place of the needle are no law.
  .refine(({ points }) => new Set(points.map(([pct]) => pct)).size === points.length);

/**
 * Needle (percent) against temperature where the sheet gives no law of its own. Most gauges are damped so that the
 * whole of normal running is one place: near the middle the needle tells no more than “normal”.
 */
const USUAL_LAW: readonly (readonly [number, number])[] = [
  [0, 45],
  [45, 75],
  [55, 108],
  [100, 130]
];
/** A needle is read to this much, % of scale. */
const READ_TO_PCT = 4;
/** What the movement itself may be off, °C. */
const MOVEMENT_C = 4;

/** Needle law of a sheet, or the usual one. */
export function gaugeLawOf(sheet: SpecSheet | null): {
  points: readonly (readonly [number, number])[];
  own: boolean;
} {
  const own = lawSchema.safeParse(sheet?.gauge);
  return own.success
    ? { points: own.data.points.toSorted((a, b) => a[0] - b[0]), own: true }
    : { points: USUAL_LAW, own: false };
}

/** What a needle position stands for on this vehicle’s gauge: a range of °C. Open at an end of the scale. */
export function needleMeans(needlePct: number, sheet: SpecSheet | null): { lowC: number; highC: number } {
  const { points } = gaugeLawOf(sheet);
  const at = (pct: number) => {
    const i = Math.max(
      1,
      points.findIndex(([p]) => p >= pct) === -1 ? points.length - 1 : points.findIndex(([p]) => p >= pct)
    );
    const [[p0, c0], [p1, c1]] = [points[i - 1], points[i]];
    return (
      c0 +
      ((Math.min(Math.max(pct, points[0][0]), points[points.length - 1][0]) - p0) / (p1 - p0)) * (c1 - c0)
    );
  };
  return {
    lowC: needlePct <= points[0][0] + READ_TO_PCT ? -60 : at(needlePct - READ_TO_PCT) - MOVEMENT_C,
    highC:
      needlePct >= points[points.length - 1][0] - READ_TO_PCT ? 250 : at(needlePct + READ_TO_PCT) + MOVEMENT_C
  };
}

const SENSOR_OFF_C = 6;

/** Needle, scan value and thermometer side by side: who of the three is wrong. */
export const gaugeCompare = defineCheck({
  title: 'Gauge against scan',
  phases: ['R'],
  minutes: 3,
  decides: 'Whether the needle or the engine is wrong.',
  tools: ['Scan tool', 'Thermometer'],
  cautions: ['indoor-running', 'hot-parts', 'fan-starts'],
  gate: 'none',
  results: {
    ...SCAN_OFF,
    cold: {
      seen: 'the scan value stands below the thermometer',
      for: ['sensor-branch-restricted', ...READS_COLD]
    },
    // A sensor in a branch without flow is cool, but not colder than any day.
    coldest: { for: READS_COLD },
    hot: { seen: 'the scan value stands above the thermometer', for: READS_HOT },
    needle: { seen: 'the needle alone is wrong', for: ['gauge-fault'] },
    needleAgrees: { against: ['gauge-fault'] },
    // Scan, needle and thermometer agree: what is read is so.
    allAgree: { against: ['gauge-fault', ...CLEARED_HOT, 'ect-reads-hot'] }
  },
  strength: strength(0.95, 0.006, 0.03, 'gauge', 'A needle is read to a few degrees at best', {
    ...SCAN_BESIDE_METAL,
    'sensor-branch-restricted': share(
      0.25,
      0.01,
      0.6,
      'Shows only where the thermometer is not at its housing'
    )
  }),
  readings,
  begins: () => ({ sender: null, others: null }),
  refuse: (r, sheet) => [
    ...[refuseHotter('thermometer.celsius', r.thermometer?.celsius ?? null, sheet)].filter(
      (p) => p !== undefined
    ),
    ...(r.sender ? refuseVolts(r.sender).map((p) => ({ ...p, field: `sender.${p.field}` })) : [])
  ],
  sensorReadings: ({ scanC, thermometer }) =>
    scanC === null || thermometer === null
      ? []
      : [
          {
            readsC: scanC,
            trueC: thermometer.celsius,
            sdC: thermometer.instrument.uncertaintyC / 1.96,
            at: 'engine',
            of: 'both'
          }
        ],
  judge(r, { sheet }) {
    const judged = judgeNeedle(r, sheet);
    // A law that nobody gave is a guess: a needle near it is unusual at most. Far from it no gauge of any kind stands.
    const guessed = judged.found.includes('needle') && !gaugeLawOf(sheet).own;
    const near = guessed && outsideBy(r, sheet) < ANY_GAUGE_C;
    const needle = withOthers(near ? unusual(judged, 'law of the gauge', 'gauge.points') : judged, r.others);
    return withSender(needle, r.sender);
  },
  facts: (r, at) =>
    r.thermometer ? [{ kind: 'measured', at, coolantC: r.thermometer.celsius, ambientC: null }] : [],
  simulate(h) {
    const engine = h.hot();
    const reads = engine.scanC;
    const law = gaugeLawOf(h.spec).points;
    const off = h.fault === 'gauge-fault' ? (seeded(h.seed)() < 0.5 ? -1 : 1) * (15 + 40 * h.severity) : 0;
    const above = law.findIndex(([, t]) => t >= reads + off);
    const k = Math.max(1, above === -1 ? law.length - 1 : above);
    const [[p0, c0], [p1, c1]] = [law[k - 1], law[k]];
    const needle = p0 + ((p1 - p0) * (reads + off - c0)) / (c1 - c0) + h.noise(2);
    return {
      needlePct: Math.round(Math.min(100, Math.max(0, needle))),
      scanC: reads,
      thermometer: readWith(h.reads(engine, 'probe', 'sensor-housing')!, 'contact'),
      others: null,
      sender: null
    };
  },
  words: (r) =>
    [
      `Needle ${Math.round(r.needlePct)} %`,
      r.scanC === null ? '' : `scan ${sayC(r.scanC)}`,
      r.thermometer === null ? '' : `thermometer ${sayC(r.thermometer.celsius)}`,
      r.sender === null ? '' : circuitWords(r.sender)
    ]
      .filter(Boolean)
      .join(', ')
});

/** Where the needle lies, its circuit says which part of it; where the needle is right, its circuit is a remark. */
type Found = keyof typeof SCAN_OFF | 'coldest' | 'needle' | 'needleAgrees' | 'allAgree';

/** Needles that are lazy together have something in common, and that is neither engine nor sender. */
function withOthers(needle: Judged<Found>, others: GaugeCompareReadings['others']): Judged<Found> {
  if (others === null) return needle;
  const shared = 'what the gauges share, the supply or the ground of the cluster, before the sender';
  if (others === 'lazy')
    return needle.found.includes('needle')
      ? { ...needle, says: `${needle.says}. Other needles are lazy too: ${shared}` }
      : { ...needle, doubts: [...needle.doubts, `Other needles are lazy: look at ${shared}`] };
  return needle.found.includes('needle')
    ? { ...needle, says: `${needle.says}. The other needles are right: its sender or its wire first` }
    : needle;
}

function withSender(needle: Judged<Found>, sender: GaugeCompareReadings['sender']): Judged<Found> {
  if (!sender) return needle;
  const circuit = judgeCircuit(sender);
  const numbers = [...needle.numbers, ...circuit.numbers];
  return needle.found.includes('needle')
    ? { ...needle, numbers, says: `${needle.says}. By its circuit: ${circuit.says}` }
    : {
        ...needle,
        numbers,
        doubts: [...needle.doubts, ...(circuit.result === 'fail' ? [circuit.says] : [])]
      };
}

/** So far outside a usual law a needle is wrong whatever its own law is: gauges differ by less. Ours, °C. */
const ANY_GAUGE_C = 15;

/** How far the engine is from what its needle stands for, °C; 0 where the needle is right. */
function outsideBy(
  { needlePct, scanC: scan, thermometer }: GaugeCompareReadings,
  sheet: SpecSheet | null
): number {
  const { lowC, highC } = needleMeans(needlePct, sheet);
  const celsius = thermometer?.celsius ?? scan!;
  return Math.max(0, lowC - celsius, celsius - highC);
}

function judgeNeedle(
  { needlePct, scanC: scan, thermometer }: GaugeCompareReadings,
  sheet: SpecSheet | null
): Judged<Found> {
  const { lowC, highC } = needleMeans(needlePct, sheet);
  const means =
    lowC <= -60
      ? `below ${sayC(highC, 0)}`
      : highC >= 250
        ? `above ${sayC(lowC, 0)}`
        : `${sayC(lowC, 0)} to ${sayC(highC, 0)}`;
  const numbers = [
    { name: `Needle at ${Math.round(needlePct)} %`, value: means },
    ...(scan === null ? [] : [{ name: 'Scan value', value: sayC(scan) }]),
    ...(thermometer === null
      ? []
      : [
          {
            name: 'Thermometer',
            value: `${sayC(thermometer.celsius)} ± ${sayDeltaC(thermometer.instrument.uncertaintyC)}`
          }
        ])
  ];
  const doubts = gaugeLawOf(sheet).own ? [] : ['The sheet has no law for this gauge; a usual one was taken'];
  const truth = thermometer ?? { celsius: scan!, instrument: instrumentOf('scan') };
  if (scan !== null && thermometer !== null) {
    const off = agreement(
      { celsius: scan, uncertaintyC: instrumentOf('scan').uncertaintyC },
      { celsius: thermometer.celsius, uncertaintyC: thermometer.instrument.uncertaintyC }
    );
    const reads = readsOff(scan, off.byC, sheet);
    if (Math.abs(off.byC) > SENSOR_OFF_C && off.ratio > 1)
      return outcome(
        'fail',
        reads === 'open' || reads === 'short'
          ? `The scan value is ${sayC(scan)}, the default of ${reads === 'open' ? 'an open' : 'a shorted'} sensor circuit, whatever the needle says`
          : `The scan value is ${sayDeltaC(Math.abs(off.byC))} ${off.byC > 0 ? 'above' : 'below'} the thermometer: sensor or its place, whatever the needle says`,
        {
          numbers,
          doubts,
          found: [reads === 'cold' && scan <= BELOW_ANY_BRANCH_C ? 'coldest' : reads]
        }
      );
  }
  const { celsius, instrument } = truth;
  if (celsius < lowC - instrument.uncertaintyC || celsius > highC + instrument.uncertaintyC)
    return outcome(
      'fail',
      `The needle says ${means}; the engine is at ${sayC(celsius)}: the gauge, its sender or their wire`,
      {
        numbers,
        doubts,
        found: ['needle']
      }
    );
  return outcome('pass', `The needle says ${means}, and the engine is there, at ${sayC(celsius)}`, {
    numbers,
    doubts,
    found: [scan !== null && thermometer !== null ? 'allAgree' : 'needleAgrees']
  });
}
