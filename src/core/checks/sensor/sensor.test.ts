import { describe, expect, it } from 'vitest';
import { context, curlew, faults, judge, sheetOf, taken } from '../../../../tests/support/check-bench';
import { normalDraw, seeded } from '../../base/random';
import { plainText } from '../../units/say';
import { resistanceAt } from '../../physics/thermistor/curve';
import { instrumentOf } from '../../measure/instruments';
import type { SpecSheet } from '../../vehicle/spec-sheet';
import { checkOf } from '../registry';

const cold = context([], curlew);
const curve = curlew.ect!.curve!;
const AT = [14, 40, 62, 80, 92];
const ohms = (
  points: readonly (readonly [number, number])[],
  instrument: Parameters<typeof instrumentOf>[0] = 'contact'
) => ({
  points: points.map(([celsius, ohm]) => ({
    celsius,
    instrument: instrumentOf(instrument),
    ohm,
    volts: null
  }))
});
const ladder = (ohm: (c: number) => number, at: readonly number[] = AT) =>
  judge('ect-ladder', ohms(at.map((c) => [c, Math.round(ohm(c) * 10) / 10])), cold);
const healthy = (c: number) => resistanceAt(curve, c);

describe('ECT ladder', () => {
  it('says on the curve, and clears the sensor', () => {
    const o = ladder(healthy);
    expect([o.result, o.says.startsWith('On its curve at 5 points')]).toEqual(['pass', true]);
    expect(faults(o, 'against')).toEqual(
      expect.arrayContaining(['ect-reads-hot', 'ect-reads-cold', 'ect-wrong-part'])
    );
    // Ohms with the plug off say nothing of the wires behind it.
    expect(faults(o, 'against')).not.toContain('ect-wiring');
  });

  it('a probe that loses up to a twentieth to the air fails less than one healthy sensor in a hundred', () => {
    const random = seeded(11);
    const [TIMES, u] = [400, instrumentOf('contact').uncertaintyC / 1.96];
    let failed = 0;
    for (let k = 0; k < TIMES; k++) {
      const [off, share, tolerance] = [
        0.85 * u * normalDraw(random),
        0.05 * random(),
        0.4 * normalDraw(random)
      ];
      const points = [18, 55, 90].map((c): [number, number] => [
        c - share * Math.max(0, c - 15) + off + 0.53 * u * normalDraw(random),
        healthy(c + tolerance) * (1 + 0.008 * normalDraw(random))
      ]);
      if (judge('ect-ladder', ohms(points), cold).result === 'fail') failed++;
    }
    expect(failed / TIMES).toBeLessThan(0.01);
  });

  it('names a contact in series by its size and interval, and what it does to the reading', () => {
    const o = ladder((c) => healthy(c) + 110);
    expect(o.result).toBe('fail');
    expect(plainText(o.says)).toMatch(
      /^Series resistance about 1[01]\d Ω \([\d.]+ Ω to 1\d\d Ω\): reads up to 1\d/
    );
    expect(faults(o, 'for')).toEqual(['ect-reads-cold', 'ect-wiring']);
    expect(o.numbers.map((n) => plainText(`${n.name} | ${n.value}`))[4]).toMatch(
      /^At 92 °C: 37\d Ω, its curve 26\d Ω \| −1\d/
    );
  });

  it('names a leak across, and a sensor of another family', () => {
    const leak = ladder((c) => (healthy(c) * 2500) / (healthy(c) + 2500));
    expect([leak.result, faults(leak, 'for')]).toEqual(['fail', ['ect-reads-hot', 'ect-wiring']]);
    const other = ladder((c) => resistanceAt({ kind: 'beta', r25Ohm: 5000, betaK: 3500 }, c));
    expect(other.says).toContain('A healthy sensor of another family, 5.0 kΩ at 25 °C');
    expect(faults(other, 'for')).toEqual(['ect-wrong-part']);
  });

  it('takes a third too much resistance all along for another curve, and a twelfth for a sensor that aged', () => {
    const times = (factor: number, instrument: 'contact' | 'glass') =>
      faults(
        judge(
          'ect-ladder',
          ohms(
            AT.map((c) => [c, factor * healthy(c)]),
            instrument
          ),
          cold
        ),
        'for'
      );
    expect(times(1.34, 'contact')).toEqual(['ect-wrong-part']);
    expect(times(0.82, 'glass')).toEqual(['ect-reads-hot']);
    // A probe on a surface may be off by as much as parts the two: it leaves the other family open.
    expect(times(0.82, 'contact')).toEqual(['ect-reads-hot', 'ect-wrong-part']);
  });

  it('a shift all along is a sensor that reads off, not one of another curve', () => {
    const off = ladder((c) => healthy(c - 14));
    expect([off.says.slice(0, 7), ...faults(off, 'for')]).toEqual(['Shifted', 'ect-reads-cold']);
  });

  it('takes volts where the sheet knows the divider, and says which it cannot judge where it does not', () => {
    const { referenceV, pullUpOhm } = curlew.ect!;
    const volts = AT.map((celsius) => ({
      celsius,
      instrument: instrumentOf('contact'),
      ohm: null,
      volts: (referenceV! * healthy(celsius)) / (healthy(celsius) + pullUpOhm!)
    }));
    expect(judge('ect-ladder', { points: volts }, cold).result).toBe('pass');
    const blind = context([], { ...curlew, ect: { ...curlew.ect, pullUpOhm: null } });
    expect(judge('ect-ladder', { points: volts }, blind).says).toContain('measure ohms');
    const mixed = judge('ect-ladder', { points: [...ohms([[20, healthy(20)]]).points, volts[2]] }, blind);
    expect(mixed.doubts[0]).toContain('The volts of 1 point cannot be judged');
  });

  it('refuses by field what no meter can have shown', () => {
    const wrong = (point: object) => {
      const read = checkOf('ect-ladder').readings.safeParse({
        points: [{ celsius: 20, instrument: instrumentOf('contact'), ohm: null, volts: null, ...point }]
      });
      return read.success
        ? checkOf('ect-ladder')
            .refuse(read.data, curlew)
            .map((p) => `${p.field}: ${plainText(p.message)}`)
        : read.error.issues.map((i) => `${i.path.join('.')}: ${i.message}`);
    };
    expect(wrong({ ohm: -4 })[0]).toContain('points.0.ohm: A resistance is above 0 Ω');
    expect(wrong({ volts: 7 })[0]).toContain('points.0.volts: 7 V is above the reference of 5 V');
    expect(wrong({})[0]).toBe('points.0.ohm: Measure ohms or volts');
    expect(wrong({ ohm: 300 })).toEqual([]);
  });

  it('judges points at one temperature, and says why no kind of error can be fitted', () => {
    const o = ladder((c) => healthy(c) + 150, [88, 90, 91]);
    expect(o.result).toBe('fail');
    expect(plainText(o.says)).toMatch(
      /^Reads 1\d(\.\d)? °C cold here\. All readings are at about one temperature/
    );
  });

  it('asks for the reading that would settle it', () => {
    const o = ladder((c) => healthy(c) + 25, [12, 25, 38]);
    expect(o.result).toBe('unclear');
    expect(plainText(o.says)).toMatch(
      /read at (8\d|9\d|10\d) °C: \d+ Ω if it is a healthy sensor, \d+ Ω if not/
    );
  });

  it('without a curve in the sheet names the family that lies nearest', () => {
    const bare = context([], { ...curlew, ect: null });
    const o = judge('ect-ladder', ohms(AT.map((c) => [c, healthy(c)])), bare);
    expect(o.says).toContain('Nearest family: 2.3 kΩ at 25 °C, β 3500');
  });
});

describe('ECT circuit', () => {
  const circuit = (
    unpluggedC: number | null,
    bridgedC: number | null,
    openV: number | null = null,
    groundV: number | null = null
  ) => judge('ect-circuit', { unpluggedC, bridgedC, openV, signalV: null, groundV }, cold);
  it.each([
    [-40, 140, null, null, 'pass', []],
    [12, 140, null, null, 'fail', ['ect-wiring']],
    [-40, 60, null, null, 'fail', ['ect-wiring']],
    [-40, 140, 3.9, null, 'fail', ['ect-wiring']],
    [-40, 140, 5.02, 0.31, 'fail', ['ect-wiring']],
    [-40, null, 4.98, 0.01, 'unclear', []]
  ] as const)('unplugged %s, bridged %s, plug %s V, ground %s V: %s', (u, b, v, g, result, blamed) => {
    const o = circuit(u, b, v, g);
    expect([o.result, faults(o, 'for')]).toEqual([result, [...blamed]]);
  });
  it('ranks the elements that explain what was measured, and asks for what tells the leaders apart', () => {
    const read = (more: object) =>
      judge(
        'ect-circuit',
        { unpluggedC: -40, bridgedC: -40, openV: null, signalV: null, groundV: null, ...more },
        cold
      );
    const o = read({});
    expect(o.says).toContain('Measure next: the volts');
    expect(o.numbers.map((n) => n.name)).toEqual(
      expect.arrayContaining(['Signal wire open', 'Ground wire open'])
    );
    // A resistance that lets it read neither extreme is no less found for its size.
    const resists = read({ bridgedC: 64, groundV: 1.05 });
    expect(resists.numbers.find((n) => n.name === 'Resistance in the ground wire')!.value).toMatch(/^9\d %$/);
    const settled = read({ signalV: 5.0 });
    expect(settled.numbers.find((n) => n.name === 'Ground wire open')!.value).toMatch(/^(7|8|9)\d %$/);
  });
  it('finds another control unit that pulls at the line, by its name', () => {
    const unplugged = (otherUnit: 'stays' | 'jumps', sheet: SpecSheet) =>
      judge(
        'ect-circuit',
        { unpluggedC: null, bridgedC: null, openV: null, signalV: null, groundV: null, otherUnit },
        context([], sheet)
      );
    const shared = { ...curlew, ect: { ...curlew.ect, alsoReadBy: 'The cluster' } };
    const o = unplugged('jumps', shared);
    expect([o.result, faults(o, 'for')]).toEqual(['fail', ['ect-wiring']]);
    expect(o.says).toMatch(/^The cluster pulls at its line/);
    expect(unplugged('stays', shared).result).toBe('unclear');
  });
  it('says what is wrong where both extremes miss', () => {
    const { says } = circuit(30, 70);
    expect(says).toContain('unplugged it does not read open');
    expect(says).toContain('bridged it does not read shorted');
  });
});

describe('ECT substitution', () => {
  const swap = (substituteC: number, airC: number, oldOffC: number | null = null) =>
    judge('ect-substitute', { substituteC, air: taken(airC, 'glass'), oldOffC }, cold);
  it.each([
    [12, 12, -14, 'fail', 'ect-reads-hot'],
    [12, 11, 1, 'pass', undefined],
    [-3, 12, -15, 'fail', 'ect-wiring'],
    [16, 12, null, 'unclear', undefined]
  ])('reads %i in air of %i, old one off by %s: %s', (reads, air, old, result, blamed) => {
    const o = swap(reads, air, old);
    expect([o.result, faults(o, 'for')[0]]).toEqual([result, blamed]);
  });
  it('says so where both are off alike', () => {
    expect(swap(-3, 12, -14).says).toContain('as much as the old one');
    expect(swap(-3, 12, null).says).not.toContain('as much');
  });
});

describe('wiggle', () => {
  const moved = (r: object, at = cold) =>
    judge(
      'wiggle',
      { sensorPlug: null, loom: null, unitPlug: null, ground: null, fanPlug: null, jumpC: null, ...r },
      at
    );
  it('names what follows the hand, and the connection it speaks for', () => {
    const plug = moved({ sensorPlug: 'follows', loom: 'steady', jumpC: 60 });
    expect(plainText(plug.says)).toBe('Follows the hand: sensor plug');
    expect(faults(plug, 'for')).toEqual(['ect-intermittent']);
    expect(faults(moved({ loom: 'follows' }), 'for')).toEqual(['ect-intermittent', 'ect-wiring']);
    expect(faults(moved({ fanPlug: 'follows' }), 'for'), 'its fan has no controller').toEqual([]);
    const parcel = { ...cold, sheet: sheetOf('qh-07-parcel') };
    expect(faults(moved({ fanPlug: 'follows' }, parcel), 'for')).toEqual(['fan-controller-shorted']);
  });
  it('clears a connection only once three places were moved', () => {
    expect(moved({ sensorPlug: 'steady' }).result).toBe('unclear');
    expect(moved({ sensorPlug: 'steady', loom: 'steady', unitPlug: 'steady' }).result).toBe('pass');
    expect(checkOf('wiggle').readings.safeParse({ jumpC: 3 }).success).toBe(false);
  });
});

describe('gauge against scan', () => {
  const compare = (needlePct: number, scanC: number | null, truth: number | null, c = cold) =>
    judge(
      'gauge-compare',
      { needlePct, scanC, thermometer: truth === null ? null : taken(truth, 'contact') },
      c
    );
  it.each([
    [50, 92, 91, 'pass', []],
    [10, 91, 90, 'fail', ['gauge-fault']],
    [100, 91, null, 'fail', ['gauge-fault']],
    // 62 % is above 109 °C by a usual law, and no gauge is that sure of itself.
    [62, 101, 101, 'unclear', ['gauge-fault']],
    [20, 60, 90, 'fail', ['sensor-branch-restricted', 'ect-reads-cold', 'ect-wrong-part', 'ect-wiring']],
    [20, -40, 90, 'fail', ['ect-open-circuit', 'ect-wiring', 'ect-intermittent']],
    [2, 30, null, 'pass', []]
  ] as const)('needle at %i %%, scan %s, thermometer %s: %s', (needle, scan, truth, result, blamed) => {
    const o = compare(needle, scan, truth);
    expect([o.result, faults(o, 'for')]).toEqual([result, [...blamed]]);
  });
  it('tells several lazy needles from one: what they share comes before the sender', () => {
    const said = (needlePct: number, others: 'right' | 'lazy') =>
      judge('gauge-compare', { needlePct, scanC: 91, thermometer: taken(90, 'contact'), others }, cold);
    expect(said(10, 'lazy').says).toMatch(/supply or the ground of the cluster, before the sender$/);
    expect(said(10, 'right').says).toMatch(/its sender or its wire first$/);
    // A needle that is right among lazy ones is no finding, and is told.
    expect(said(50, 'lazy')).toMatchObject({
      result: 'pass',
      doubts: [expect.anything(), expect.stringContaining('Other needles are lazy')]
    });
  });
  it('reads the needle by the vehicle’s own law where its sheet has one', () => {
    const own = context([], {
      ...curlew,
      gauge: {
        points: [
          [0, 50],
          [100, 120]
        ]
      }
    });
    // Half way is 85 °C ± 4 % of 70 °C and 4 °C of its movement.
    expect(plainText(compare(50, 85, null, own).numbers[0].value)).toBe('78 °C to 92 °C');
    expect(compare(50, 100, null, own).result).toBe('fail');
    expect(compare(50, 100, null).doubts[0]).toContain('no law for this gauge');
  });
});
