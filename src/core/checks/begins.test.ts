import { describe, expect, it } from 'vitest';
import { at, context, curlew, sheetOf, stopped } from '../../../tests/support/check-bench';
import { thermalAt } from '../physics/heat/state';
import { checkOf, type CheckId } from './registry';

const parcel = sheetOf('qh-07-parcel');

describe('a form', () => {
  const { thermal } = context([stopped(14, 90, 7)], curlew);
  const unknown = thermalAt([], at, null);
  const sensor = { offC: null, air: null };
  const begins = (id: CheckId, heat = thermal, sheet: typeof curlew | null = curlew) =>
    checkOf(id).begins({ heat, sheet, now: at, sensor });

  it('begins with the air of the record, and without one where the record has none', () => {
    for (const [id, field] of [
      ['radiator-face', 'airC'],
      ['heater-air', 'ambientC'],
      ['temperature-map', 'ambientC'],
      ['soak', 'ambientC']
    ] as const) {
      expect(begins(id), id).toMatchObject({ [field]: 7 });
      expect((begins(id, unknown) as Record<string, unknown>)[field] ?? null, id).toBeNull();
    }
  });
  it('begins with the stages of this fan, or with one', () => {
    const stages = (sheet: typeof curlew | null) =>
      (begins('fan-switching', thermal, sheet) as { stages: unknown }).stages;
    const empty = { onC: null, offC: null };
    expect(stages(curlew)).toEqual([
      { name: 'low', ...empty },
      { name: 'high', ...empty }
    ]);
    expect(stages(parcel)).toEqual([
      { name: 'start', ...empty },
      { name: 'full', ...empty }
    ]);
    expect(stages(null)).toEqual([{ name: 'low', ...empty }]);
  });
  it('begins with a face of four rows of six places, none of them read', () => {
    const { face, flows, fan } = begins('radiator-face') as { face: unknown[][]; flows: string; fan: number };
    expect([face.length, flows, fan]).toEqual([4, 'down', 1]);
    for (const row of face) expect(row).toEqual([null, null, null, null, null, null]);
  });
  it('begins with the circuit of this fan: a relay for one stage, a pair of them for two', () => {
    const circuit = (id: CheckId, sheet: typeof curlew | null) =>
      (begins(id, thermal, sheet) as { circuit: string }).circuit;
    const oneStage = { ...curlew, fan: { ...curlew.fan!, stages: [curlew.fan!.stages![0]] } };
    expect(circuit('relay-socket', curlew)).toBe('fan-pair');
    for (const sheet of [
      oneStage,
      { ...curlew, fan: { ...curlew.fan!, stages: null } },
      { ...curlew, fan: null },
      null
    ])
      expect(circuit('relay-socket', sheet)).toBe('fan-relay');
    expect(circuit('controller-in-out', parcel)).toBe('fan-controller');
  });
  it('begins with how it is usually done', () => {
    expect(begins('fan-command')).toEqual({ commandedPct: 100 });
    expect(begins('fan-direct-feed')).toEqual({ at: 'plug' });
    expect(begins('hose-rush')).toEqual({ by: 'hand', coolantBy: 'scan' });
    expect(begins('clutch-hot-speed')).toEqual({ pulley: 1 });
    expect(begins('gauge-compare')).toEqual({ sender: null, others: null });
    expect(begins('level-and-look')).toEqual({ fixAnyway: [] });
  });
});

describe('readings that nothing can be made of', () => {
  const said = (id: CheckId, readings: object) =>
    checkOf(id)
      .readings.safeParse(readings)
      .error?.issues.map((i) => i.message) ?? [];
  const face = { flows: 'down', inC: 95, outC: 65, airC: 25, rpm: 900, fan: 1 };
  const probe = { kind: 'contact', uncertaintyC: 1.5 };
  const map = { instrument: probe, thermostat: null, ambientC: null };
  const watched = { hottestC: 103, by: 'scan', acOn: false, moving: false };
  const stage = (onC: number | null, offC: number | null) => ({ name: 'low', onC, offC });
  const needle = { needlePct: 50, scanC: null, thermometer: null };
  const relay = { coilOhm: null, restOhm: null, clicks: null, dropV: null, loadA: null };
  const heated = { elementOhm: null, powered: null, afterS: null, driven: null, unpowered: null };
  const still = { sensorPlug: null, loom: null, unitPlug: null, ground: null, fanPlug: null, jumpC: null };

  it.each<[CheckId, object, string]>([
    [
      'radiator-face',
      {
        ...face,
        face: [
          [90, 90, 90, null],
          [null, null, null, null]
        ]
      },
      'Read four places of the face at least'
    ],
    [
      'radiator-face',
      {
        ...face,
        face: [
          [90, 90, 90, 80],
          [70, 70, 70]
        ]
      },
      'Every row has as many readings'
    ],
    ['temperature-map', { ...map, points: { outlet: 90 } }, 'Measure two places at least'],
    [
      'fan-switching',
      { ...watched, stages: [stage(101, 101)] },
      'A fan goes off at a lower temperature than it comes on at'
    ],
    [
      'fan-switching',
      { ...watched, stages: [stage(101, 96), stage(106, 107)] },
      'A fan goes off at a lower temperature than it comes on at'
    ],
    ['gauge-compare', needle, 'Take the scan value or a thermometer to hold the needle against'],
    ['relay-bench', relay, 'Measure the coil, feed it and listen, or measure the contacts'],
    [
      'relay-bench',
      { ...relay, clicks: 'yes', dropV: 0.1 },
      'A drop says nothing without the current that flowed'
    ],
    ['thermostat-heater', heated, 'Measure the element, power it and watch, or measure its plug'],
    ['wiggle', still, 'Move one place at least, and say what the reading did'],
    ['level-and-look', {}, 'Tap at least one thing you looked at'],
    ['codes', { codes: [{ code: 'fan', state: 'stored' }] }, '“fan” is no trouble code; it looks like P0118']
  ])('of %s are refused: %j', (id, readings, message) => expect(said(id, readings)).toContain(message));

  it('are none where just enough was read', () => {
    expect(
      said('radiator-face', {
        ...face,
        face: [
          [90, 90],
          [80, 80]
        ]
      })
    ).toEqual([]);
    expect(
      said('radiator-face', {
        ...face,
        face: [
          [90, 90, 90],
          [80, null, null]
        ]
      })
    ).toEqual([]);
    expect(said('temperature-map', { ...map, points: { outlet: 90, scan: 89 } })).toEqual([]);
    expect(said('fan-switching', { ...watched, stages: [stage(101, 100), stage(null, null)] })).toEqual([]);
    expect(said('relay-bench', { ...relay, restOhm: 1e7 })).toEqual([]);
    expect(said('gauge-compare', { ...needle, scanC: 90 })).toEqual([]);
  });
});
