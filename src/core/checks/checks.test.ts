import { readFileSync } from 'node:fs';
import { emptyOf } from '../units/field';
import { describe, expect, it } from 'vitest';
import {
  context,
  curlew,
  fathom,
  faults,
  judge,
  soaked,
  stopped,
  taken
} from '../../../tests/support/check-bench';
import type { SpecSheet } from '../vehicle/spec-sheet';
import { agreement, weightedMean } from '../measure/agreement';
import { CHECK_IDS, checkOf, isCheckId, type CheckId } from './registry';
import { resultsOf } from './results';
import { checksTable } from './table';
import { thermalAt } from '../physics/heat/state';
import { readWith } from '../measure/instruments';

describe('the registry', () => {
  it('knows ids that are its own, and no words that every object has', () => {
    expect(CHECK_IDS.every(isCheckId)).toBe(true);
    expect(isCheckId('toString')).toBe(false);
  });

  it.each(CHECK_IDS.filter((id) => id !== 'soak'))('%s: names what it can find and what that tells', (id) => {
    const { results, strength } = checkOf(id);
    for (const [name, { seen, for: fors = [], against = [] }] of Object.entries(results)) {
      if (seen) expect(fors, `${name} is looked ahead to: what does it speak for?`).not.toEqual([]);
      expect(
        fors.filter((f) => against.includes(f)),
        `${name} speaks for and against one suspect`
      ).toEqual([]);
    }
    const { finds, clears } = resultsOf(id);
    expect(finds, 'a result that speaks for a suspect').not.toEqual([]);
    expect(clears, 'what it clears where it finds nothing').not.toEqual([]);
    for (const fault of Object.keys(strength.overrides))
      expect(checkOf(id).speaksTo, 'a strength is of a suspect that a result names').toContain(fault);
  });

  it('says of a form left empty what is missing, in words for a person', () => {
    const said = (id: CheckId, readings: object) => {
      const read = checkOf(id).readings.safeParse(readings);
      return read.success ? [] : read.error.issues.map((i) => i.message);
    };
    const empty = {
      stages: [{ name: 'low', onC: null, offC: null }],
      hottestC: null,
      acOn: false,
      moving: false
    };
    expect(said('fan-switching', empty)).toEqual(['A scan value is missing: type a temperature']);
    expect(said('fan-command', { click: 'yes', turns: 'full', commandedPct: null })).toEqual([
      'Missing: a number belongs here'
    ]);
    for (const id of CHECK_IDS)
      for (const m of said(id, {})) expect(m, id).not.toMatch(/Invalid input|received/);
  });
  it('draws its form from fields that all have a label, and words for each choice', () => {
    for (const id of CHECK_IDS)
      for (const field of checkOf(id).fields) {
        expect(field.label, `${id}, ${field.path}`).not.toBe('');
        if (field.kind === 'choice')
          expect(Object.keys(field.choices ?? {}), `${id}, ${field.path}`).not.toEqual([]);
      }
  });
  it('begins with a form in which nothing is answered but what it begins with', () => {
    const thermal = thermalAt([], '2026-11-27T08:00:00.000Z', null);
    for (const id of CHECK_IDS) {
      const { fields, begins } = checkOf(id);
      const known = begins({
        heat: thermal,
        sheet: null,
        now: '2026-11-27T08:00:00.000Z',
        sensor: { offC: null, air: null }
      }) as Record<string, unknown>;
      for (const [path, value] of Object.entries(emptyOf(fields)))
        if (!(path in known)) expect([null, false, '', []], `${id}, ${path}`).toContainEqual(value);
    }
  });
  it('begins with what was told before: how long the engine stood, and how far the sensor was off', () => {
    const now = '2026-11-27T08:00:00.000Z';
    const stopped = {
      kind: 'ran-until',
      at: '2026-11-26T18:30:00.000Z',
      coolantC: 88,
      ambientC: 11
    } as const;
    const heat = thermalAt([stopped], now, null);
    const begin = (id: CheckId, offC: number | null) =>
      checkOf(id).begins({ heat, sheet: null, now, sensor: { offC, air: null } });
    expect(begin('soak', null)).toMatchObject({ hoursStood: 13.5, lastC: 88 });
    expect(begin('ect-substitute', -11.96)).toEqual({ oldOffC: -12 });
    expect(begin('ect-substitute', null)).toEqual({ oldOffC: null });
    const air = readWith(11.5, 'glass');
    expect(checkOf('ect-ladder').beginsRow({ heat, sheet: null, now, sensor: { offC: null, air } })).toEqual(
      air
    );
  });
  it('has the table that the docs show', () => {
    expect(readFileSync('docs/checks.md', 'utf8')).toBe(checksTable());
  });

  it('takes away what a vehicle does not have, with the reason', () => {
    const lacks = (id: CheckId, sheet: SpecSheet) => checkOf(id).lacks?.(sheet) ?? null;
    expect(lacks('clutch-cold-turn', curlew)).toBe('no fan clutch');
    expect(lacks('clutch-cold-turn', fathom)).toBeNull();
    expect(lacks('relay-bench', fathom)).toBe('no electric fan');
    expect(lacks('relay-bench', curlew)).toBeNull();
    expect(lacks('thermostat-heater', curlew)).toBe('no heated thermostat');
  });
});

describe('two thermometers', () => {
  it('are apart by the root of the sum of squares', () => {
    expect(agreement({ celsius: 20, uncertaintyC: 3 }, { celsius: 10, uncertaintyC: 4 })).toEqual({
      byC: 10,
      uncertaintyC: 5,
      ratio: 2
    });
  });
  it('count by the inverse square of what they may be off', () => {
    // Weights 1 and 1/4: (10 + 20/4) / 1.25 = 12.
    const mean = weightedMean([
      { celsius: 10, uncertaintyC: 1 },
      { celsius: 20, uncertaintyC: 2 }
    ]);
    expect(mean.celsius).toBeCloseTo(12, 10);
    expect(mean.uncertaintyC).toBeCloseTo(0.8944, 4);
  });
});

describe('soak', () => {
  const soak = (hoursStood: number, lastC: number | null, ambientC: number, c = soaked) =>
    judge('soak', { hoursStood, lastC, ambientC }, c);
  it('passes below 2 °C above ambient, and tells the hour otherwise', () => {
    expect(soak(7.2, 75, 5).result).toBe('pass');
    const warm = soak(2, 92, 10);
    expect(warm.result).toBe('fail');
    // 82·e⁻¹ = 30.2; 2·ln 41 = 7.43 h in all, 5.43 h more.
    expect(warm.says).toContain('30.2');
    expect(warm.countsFrom!.slice(0, 16)).toBe('2026-11-25T13:25');
  });
  it('takes the vehicle’s own time constant where there is one', () => {
    const slow = { ...soaked, cooling: { tauH: 4, longH: 5, n: 3 } };
    expect(soak(7.2, 75, 5, slow).result).toBe('fail');
    expect(
      soak(7.2, 75, 5, slow)
        .numbers.map((n) => n.value)
        .join()
    ).toContain('from 3 cool-downs of this vehicle');
  });
  it('asks about an engine that stopped colder than the air, and refuses what no cap can hold', () => {
    expect(checkOf('soak').unlikely({ hoursStood: 1, lastC: 2, ambientC: 20 }, soaked)[0]).toContain(
      'colder than the air'
    );
    expect(checkOf('soak').refuse({ hoursStood: 1, lastC: 150, ambientC: 20 }, curlew)[0].message).toContain(
      'hotter than this sealed system can hold'
    );
    expect(
      checkOf('soak').readings.safeParse({ hoursStood: -1, lastC: null, ambientC: 5 }).error!.issues[0]
        .message
    ).toContain('cannot stop in the future');
    expect(
      checkOf('soak').readings.safeParse({ hoursStood: 1, lastC: null, ambientC: -300 }).error!.issues[0]
        .message
    ).toContain('type -60 to 80');
  });
});

describe('cold agreement', () => {
  const agree = (
    ect: number,
    housing: number | null,
    more: { iat?: number; ambient?: number } = {},
    c = soaked
  ) =>
    judge(
      'cold-agreement',
      {
        ect: taken(ect),
        housing: housing === null ? null : taken(housing, 'contact'),
        iat: more.iat === undefined ? null : taken(more.iat),
        ambient: more.ambient === undefined ? null : taken(more.ambient, 'weather')
      },
      c
    );

  it('is good within 3 °C and a finding beyond 5 °C, and names the side', () => {
    expect(agree(6, 5).result).toBe('pass');
    expect(faults(agree(6, 5), 'against')).toContain('ect-reads-hot');
    const cold = agree(-7, 4.8);
    expect(cold.result).toBe('fail');
    expect(cold.says).toContain('11.8');
    expect(faults(cold, 'for')[0]).toBe('ect-reads-cold');
    expect(faults(agree(17, 5), 'for')[0]).toBe('ect-reads-hot');
    expect(agree(9, 5).result).toBe('unclear');
  });

  it('calls nothing apart that its instruments cannot tell', () => {
    const bright = judge('cold-agreement', {
      ect: taken(12),
      housing: taken(5, 'infrared-bright'),
      iat: null,
      ambient: null
    });
    expect(bright.result).toBe('unclear');
    expect(
      checkOf('cold-agreement').unlikely(
        { ect: taken(12), housing: taken(5, 'infrared-bright'), iat: null, ambient: null },
        soaked
      )[0]
    ).toContain('which surface');
  });

  it('holds the ECT against the air where no thermometer was taken to the housing, unless the air contradicts itself', () => {
    expect(agree(5, null, { iat: 6, ambient: 5 }).result).toBe('pass');
    expect(agree(5, null, { iat: 20, ambient: 5 }).says).toContain('contradict each other');
  });

  it('reads a default as a circuit, not as a temperature', () => {
    expect(faults(agree(-40, 5), 'for')).toEqual(['ect-open-circuit', 'ect-wiring']);
    expect(faults(agree(140, 5), 'for')).toEqual(['ect-short-circuit', 'ect-wiring']);
  });

  it('is void without a soak: kept, without weight, with the hour from which it counts', () => {
    const warm = agree(38, 35, {}, context([stopped(2, 92, 10)]));
    expect([warm.result, warm.points, warm.voidShort]).toEqual(['void', [], 'too warm']);
    // A 2.2 L engine: τ = 2 h · (2.2 / 1.6)^0.3 = 2.2004 h; 2.2004 · ln(82 / 2) = 8.17 h after it stopped at 6:00.
    expect(warm.countsFrom!.slice(0, 16)).toBe('2026-11-25T14:10');
    expect(agree(6, 5, {}, context([])).voidShort).toBe('soak not known');
    expect(agree(6, 5, {}, context([{ kind: 'started', at: '2026-11-25T07:58:00.000Z' }])).voidShort).toBe(
      'engine ran'
    );
  });

  it('points out an engine that is called cold and is not', () => {
    expect(agree(70, null, { ambient: 6 }).doubts[0]).toContain('cold-soaked at about 5');
    // A thermometer at its housing has told which of the two is wrong.
    expect(agree(70, 6).doubts).toEqual([]);
    expect(agree(70, 70).doubts[0]).toContain('must have run since');
    expect(agree(6, 5).doubts).toEqual([]);
  });

  it('needs something to hold the ECT against', () => {
    expect(
      checkOf('cold-agreement').readings.safeParse({ ect: taken(5), housing: null, iat: null, ambient: null })
        .success
    ).toBe(false);
  });
});

describe('codes', () => {
  const codes = (...list: [string, string][]) =>
    judge('codes', { codes: list.map(([code, state]) => ({ code, state })) });
  it('passes without any, and with those of other systems', () => {
    expect(codes().result).toBe('pass');
    expect(codes(['P0301', 'stored']).says).toContain('1 other not about engine temperature');
  });
  it('supports suspects, a pending code less, and names the failsafe of a stored one', () => {
    expect(faults(codes(['P0118', 'stored']), 'for')[0]).toBe('ect-open-circuit');
    expect(codes(['P0118', 'stored']).doubts[0]).toContain('failsafe');
    expect(codes(['P0118', 'pending'])).toMatchObject({ result: 'unclear', doubts: [] });
  });
  it('reads codes as they are typed and names what is none', () => {
    expect(checkOf('codes').readings.parse({ codes: [{ code: ' p0118', state: 'stored' }] })).toEqual({
      codes: [{ code: 'P0118', state: 'stored' }]
    });
    expect(
      checkOf('codes').readings.safeParse({ codes: [{ code: 'hot', state: 'stored' }] }).error!.issues[0]
        .message
    ).toContain('“hot” is no trouble code');
  });
});

describe('level and look', () => {
  const good = {
    level: 'mark',
    leaks: 'none',
    colour: 'clean',
    face: 'clean',
    belt: 'good',
    hoses: 'firm',
    connector: 'sound',
    added: 'none'
  };
  const look = (readings: object) => judge('level-and-look', readings);
  it('passes what is good, and says what was not looked at', () => {
    expect(look(good).result).toBe('pass');
    expect(look({ leaks: 'none' })).toMatchObject({ result: 'unclear' });
    expect(look({ leaks: 'none' }).says).toContain('not looked at: level');
  });
  it('finds the bearing of a pump by the play of its pulley, whatever drives the fan', () => {
    expect(faults(look({ ...good, pump: 'play' }), 'for')).toEqual(['water-pump-bearing']);
    expect(faults(look({ ...good, pump: 'firm' }), 'against')).toContain('water-pump-bearing');
    expect(faults(look(good), 'against')).not.toContain('water-pump-bearing');
  });
  it('takes a real defect that is not the cause out of the evidence, and keeps it', () => {
    const green = { ...good, connector: 'green' };
    expect(look(green).result).toBe('fail');
    expect(faults(look(green), 'for')).toContain('ect-intermittent');
    const aside = look({ ...green, fixAnyway: ['connector'] });
    expect(aside.result).toBe('pass');
    expect(faults(aside, 'for')).toEqual([]);
    expect(aside.says).toContain('not the cause: Sensor plug: green or wet');
  });
});

describe('a check judged by hand', () => {
  it('keeps the technician’s judgement with what it was held against, and wants both', () => {
    expect(judge('road-run', { judged: 'fail', found: 'Falls to 70 °C on the ridge' })).toMatchObject({
      result: 'fail',
      says: 'Judged by hand: Falls to 70 °C on the ridge'
    });
    expect(checkOf('road-run').readings.safeParse({ judged: 'pass', found: ' ' }).success).toBe(false);
    expect([checkOf('cap-test').gate, checkOf('clutch-play').gate]).toEqual(['cap-cool', 'stopped']);
  });
});
