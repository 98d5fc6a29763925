import { normalDraw, seeded } from '../../src/core/base/random';
import { resistanceAt } from '../../src/core/physics/thermistor/curve';
import type { Curve } from '../../src/core/vehicle/sensor-curve';
import {
  readLadder,
  type ErrorId,
  type LadderPoint,
  type LadderSetting
} from '../../src/core/physics/thermistor/errors';
import { LIBRARY } from '../../src/core/physics/thermistor/library';

const curve: Curve = { kind: 'beta', r25Ohm: 2300, betaK: 3500 };
const healthy = (c: number) => resistanceAt(curve, c);
const across = (a: number, b: number) => (a * b) / (a + b);
const family = (id: string) => LIBRARY.find((l) => l.id === id)!.curve;
const others = LIBRARY.filter((l) => l.id !== 'ntc-2k3-3500');
const setting: LadderSetting = { curve, commonSdC: 0.9, airC: 18, others, byVolts: null };

interface Case {
  readonly id: ErrorId;
  readonly what: string;
  readonly size: number | null;
  readonly ohm: (c: number) => number;
}

const CASES: readonly Case[] = [
  { id: 'healthy', what: 'healthy', size: null, ohm: healthy },
  ...[20, 60, 110, 300].map((x): Case => ({
    id: 'series',
    what: `${x} Ω in series`,
    size: x,
    ohm: (c) => healthy(c) + x
  })),
  ...[20_000, 6000, 2000].map((x): Case => ({
    id: 'parallel',
    what: `${x} Ω across`,
    size: x,
    ohm: (c) => across(healthy(c), x)
  })),
  ...[-12, -5, 5, 12].map((x): Case => ({
    id: 'shift',
    what: `shift of ${x} °C`,
    size: x,
    ohm: (c) => healthy(c + x)
  })),
  ...[0.75, 1.4].map((x): Case => ({
    id: 'factor',
    what: `${x} times its resistance`,
    size: x,
    ohm: (c) => x * healthy(c)
  })),
  ...['ntc-2k8-3900', 'ntc-2k5-3650', 'ntc-10k-3435'].map((id): Case => ({
    id: 'other-curve',
    what: `sensor of family ${id}`,
    size: null,
    ohm: (c) => resistanceAt(family(id), c)
  }))
];
const LADDERS = { 3: [18, 55, 90], 6: [14, 30, 46, 62, 77, 92] } as const;
const TIMES = 200;

/** A ladder as a workshop takes it: one thermometer off by the same all along, each reading a little, the meter too. */
function taken(ohm: (c: number) => number, at: readonly number[], random: () => number): LadderPoint[] {
  const tolerance = 0.4 * normalDraw(random);
  const off = 0.75 * normalDraw(random);
  return at.map((c) => ({
    trueC: c + off + 0.4 * normalDraw(random),
    trueSdC: 0.4,
    ohm: ohm(c + tolerance) * (1 + 0.008 * normalDraw(random)),
    ohmSd: 0.008
  }));
}

const percent = (n: number, of: number) => `${String(Math.round((100 * n) / of)).padStart(4)}%`;

/** Prints how often each error of a sensor is recognised, and how often its size lies in the interval that is stated. */
export function ladderBench(): void {
  /** Two explanations that a ladder left side by side. */
  const open = new Map<string, Record<3 | 6, number>>();
  console.log(`\nLadders of 3 and 6 points, ${TIMES} of each, meter 0.8 %, thermometer ± 1.7 °C at 95 %`);
  console.log(
    `${'made'.padEnd(34)}  3: named settled wrongly  size in 90 %     6: named settled wrongly  size in 90 %`
  );
  for (const { id, what, size, ohm } of CASES) {
    const cells = ([3, 6] as const).map((n) => {
      const random = seeded(n * 1000 + what.length);
      let [named, settled, wrongly, inside] = [0, 0, 0, 0];
      for (let k = 0; k < TIMES; k++) {
        const read = readLadder(taken(ohm, LADDERS[n], random), setting);
        const right = read.best.id === id;
        if (right) named++;
        if (read.settled && right) settled++;
        if (read.settled && !right) wrongly++;
        if (!read.settled && read.rival) {
          const other = right ? read.rival.id : read.best.id;
          const counts = open.get(`${what} or ${other}`) ?? { 3: 0, 6: 0 };
          counts[n]++;
          open.set(`${what} or ${other}`, counts);
        }
        const own = read.explanations.find((e) => e.id === id);
        if (size !== null && own && own.low! <= size && size <= own.high!) inside++;
      }
      return `   ${percent(named, TIMES)}   ${percent(settled, TIMES)}   ${percent(wrongly, TIMES)}   ${size === null ? '    –' : percent(inside, TIMES)}`;
    });
    console.log(`${what.padEnd(34)} ${cells.join('         ')}`);
  }
  console.log('\nLeft open by more than one in twenty ladders of three points, and how often by six:');
  for (const [pair, counts] of [...open].sort((a, b) => b[1][3] - a[1][3]))
    if (counts[3] > TIMES / 20)
      console.log(
        `  ${pair.padEnd(44)} ${percent(counts[3], TIMES)} of three points, ${percent(counts[6], TIMES)} of six`
      );
}
