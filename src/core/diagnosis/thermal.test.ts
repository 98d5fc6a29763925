import { checkOf } from '../checks/registry';
import { describe, expect, it } from 'vitest';
import { coolDownsOf, holding, type KnownFact } from '../physics/heat/facts';
import { planFor, sheetOf } from '../../../tests/support/check-bench';
import type { Symptom } from '../vehicle/symptoms';
import { thermalAt, type ThermalFact } from '../physics/heat/state';

const curlew = sheetOf('qh-03-curlew');
const hour = (h: number) => new Date(Date.UTC(2026, 10, 25, 6) + h * 3_600_000).toISOString();
const stopped = (h: number, coolantC: number | null = 90, ambientC: number | null = 10): ThermalFact => ({
  kind: 'ran-until',
  at: hour(h),
  coolantC,
  ambientC
});
const started = (h: number): ThermalFact => ({ kind: 'started', at: hour(h) });
const measured = (h: number, coolantC: number, ambientC: number | null = null): ThermalFact => ({
  kind: 'measured',
  at: hour(h),
  coolantC,
  ambientC
});
const state = (facts: ThermalFact[], h: number) => thermalAt(facts, hour(h), curlew);

describe('the thermal state', () => {
  it('is unknown while nobody has said anything, and never taken for cold', () => {
    expect(state([], 5)).toMatchObject({ phase: 'unknown', soaked: null, safeToOpen: null });
    expect(state([stopped(6)], 5).phase).toBe('unknown');
  });

  it('goes from hot through cooling to cold by the clock alone', () => {
    const phase = (h: number) => state([stopped(0)], h).phase;
    expect([phase(0.1), phase(1), phase(5), phase(7.3), phase(7.5)]).toEqual([
      'hot',
      'cooling',
      'cooling',
      'cooling',
      'cold'
    ]);
    // 80·e⁻¹ = 29.4 above 10 °C.
    expect(state([stopped(0)], 2).coolantC).toBeCloseTo(39.4, 1);
    // 2 h · ln(80 / 2) = 7.38 h.
    expect(Date.parse(state([stopped(0)], 1).soakedFrom!)).toBeCloseTo(Date.parse(hour(7.378)), -4);
  });

  it('guards the cap by the long end of the time constant, and as if hot where nobody measured', () => {
    // 3 h · ln(80 / 40) = 2.08 h; by the middle value it would be 1.39 h.
    expect(state([stopped(0)], 2).safeToOpen).toBe(false);
    expect(state([stopped(0)], 2.1).safeToOpen).toBe(true);
    // Not measured: from the stop limit, 118 °C. 3 h · ln(108 / 40) = 2.98 h.
    expect(state([stopped(0, null)], 2.9).safeToOpen).toBe(false);
    expect(state([stopped(0, null)], 3).safeToOpen).toBe(true);
  });

  describe('told by the engine’s own sensor, which may be what is wrong,', () => {
    const bySensor = (coolantC: number, ran: { startC?: number; minutes?: number } = {}): ThermalFact => ({
      kind: 'ran-until',
      at: hour(0),
      coolantC,
      ambientC: 10,
      bySensor: { startC: ran.startC ?? 10, stopC: coolantC, ranMin: ran.minutes ?? 30 }
    });
    const safe = (fact: ThermalFact, h: number) => state([fact], h).safeToOpen;

    it('is not known where it reads an open or a shorted circuit, or colder than the air', () => {
      for (const endC of [-40, 140, 2])
        expect(state([bySensor(endC)], 1)).toMatchObject({
          ...state([stopped(0, null)], 1),
          basis: bySensor(endC)
        });
    });

    it('opens no cap earlier than a healthy engine’s, however cold it reads', () => {
      // At 45 °C a cap may come off; a sensor that reads 50 °C too little says the same at 95.
      expect(safe(stopped(0, 45), 0.1)).toBe(true);
      expect(safe(bySensor(45), 0.1)).toBe(false);
      // 3 h · ln(80 / 40) = 2.08 h from the 90 °C at which this thermostat is fully open at the least.
      expect(safe(bySensor(45), 2.07)).toBe(false);
      expect(safe(bySensor(45), 3)).toBe(true);
      // One that reads hot keeps it shut for as long as it says.
      expect(safe(bySensor(115), 2.8)).toBe(false);
    });

    it('is believed of a run too short to have made it hot', () => {
      expect(safe(bySensor(30, { minutes: 3 }), 0.1)).toBe(true);
      expect(safe(bySensor(30, { minutes: 3, startC: -40 }), 0.1)).toBe(false);
    });
  });

  it('keeps a large engine hot for longer: 2 h at 1.6 L, above 3 h at 6.7 L', () => {
    const of = (displacementL: number) =>
      thermalAt([stopped(0)], hour(2), { ...curlew, engine: { ...curlew.engine, displacementL } }).coolantC!;
    // 80 · e^(−2/2) above 10 °C, and 80 · e^(−2/3.07).
    expect(of(1.6)).toBeCloseTo(39.4, 1);
    expect(of(6.7)).toBeGreaterThan(50);
  });

  it('takes an air that nobody measured for a hot day at the cap, and for no pass of a soak', () => {
    // 118 − 38 = 80 above a hot day, to 12: 3 h · ln(80 / 12) = 5.69 h.
    expect(state([stopped(0, null, null)], 5.6).safeToOpen).toBe(false);
    expect(state([stopped(0, null, null)], 5.8).safeToOpen).toBe(true);
    expect(state([stopped(0, 90, null)], 7.5).soaked).not.toBe(true);
    expect(state([stopped(0, 90, null)], 12).soaked).toBe(true);
  });

  it('stopped at 100 °C in 38 °C air, “safe to open” is never told above the limit', () => {
    // By hand: ln(62 / 12) = 1.642 times 3 h grown with (L / 1.6)^0.3, which is 2.75, 3.30, 3.95 and 4.61 h.
    for (const [displacementL, least] of [
      [1.2, 4.52],
      [2.2, 5.42],
      [4, 6.48],
      [6.7, 7.57]
    ]) {
      const sheet = { ...curlew, engine: { ...curlew.engine, displacementL }, limits: { openCapC: 50 } };
      const from = thermalAt([stopped(0, 100, 38)], hour(0.1), sheet).safeToOpenFrom!;
      const hours = (Date.parse(from) - Date.parse(hour(0))) / 3_600_000;
      expect(hours).toBeCloseTo(least, 1);
      expect(thermalAt([stopped(0, 100, 49.5)], hour(9), sheet)).toMatchObject({
        safeToOpen: false,
        safeToOpenFrom: null
      });
    }
  });

  it('runs from a start: warming, regulating by temperature, or by the clock where nobody measured', () => {
    expect(state([stopped(0), started(14)], 14.1)).toMatchObject({
      phase: 'warming',
      running: true,
      safeToOpen: false,
      soaked: false
    });
    expect(state([started(14), measured(14.1, 60)], 14.2)).toMatchObject({ phase: 'warming', coolantC: 60 });
    expect(state([started(14), measured(14.2, 88)], 14.3).phase).toBe('regulating');
    expect(state([started(14)], 14.5).phase).toBe('regulating');
  });

  it('does not believe for ever that an engine runs', () => {
    expect(state([started(0)], 7.9).running).toBe(true);
    expect(state([started(0)], 8.1)).toMatchObject({ phase: 'unknown', running: false, soaked: null });
    expect(state([started(0), measured(6, 90)], 8.1).running).toBe(true);
  });

  it('takes a temperature without the air around it for no soak', () => {
    expect(state([measured(0, 14)], 0.1).soaked).toBeNull();
    expect(state([measured(0, 14, 13)], 0.1).soaked).toBe(true);
    expect(state([measured(0, 40, 13)], 0.1).soaked).toBe(false);
  });
});

describe('facts', () => {
  const known = (fact: ThermalFact, enteredAt: string, soft = false): KnownFact => ({
    fact,
    source: enteredAt,
    enteredAt,
    soft
  });
  it('of an undated log yield to what a person says afterwards, not to what was said before', () => {
    const log = known(stopped(5, 88), hour(5), true);
    expect(holding([known(stopped(0), hour(1)), log])).toHaveLength(2);
    expect(holding([log, known(stopped(2), hour(6))])).toEqual([stopped(2)]);
  });
  it('give cool-downs: a stop with its temperature and a measurement before the next start', () => {
    expect(coolDownsOf([stopped(0, 90, 10), measured(3, 40, 12)])).toEqual([
      { overAmbientC: 78, hours: 3, residualC: 28 }
    ]);
    expect(coolDownsOf([stopped(0, 90, 10), started(1), measured(3, 40)])).toEqual([]);
    expect(coolDownsOf([stopped(0, null, 10), measured(3, 40)])).toEqual([]);
  });
});

describe('the plan', () => {
  const plan = (sheet: string, what: readonly Symptom[], facts: ThermalFact[], h: number) =>
    planFor(sheetOf(sheet), what, thermalAt(facts, hour(h), null));
  const crawl: readonly Symptom[] = [{ what: 'gauge-high', when: ['crawl', 'idle'] }];
  const ids = (list: readonly { id: string; suggested: boolean }[]) =>
    list.filter((p) => p.suggested).map((p) => p.id);

  it('brings the checks that suit vehicle and complaint, and leaves out those it cannot have', () => {
    const hot = plan('qh-11-fathom', crawl, [], 0);
    expect(ids(hot.line)).toEqual(expect.arrayContaining(['soak', 'level-and-look', 'clutch-cold-turn']));
    expect(hot.lacking.map((l) => l.id)).toEqual(expect.arrayContaining(['relay-bench', 'fan-command']));
    const minibus = plan('qh-03-curlew', [{ what: 'heater-weak', when: ['steady'] }], [], 0);
    expect(ids(minibus.line)).toContain('hose-rush');
    expect(minibus.line.map((p) => p.id)).not.toContain('clutch-cold-turn');
  });

  it('asks for the soak first while the state is not known, then for what only the cold engine can tell', () => {
    expect(plan('qh-11-fathom', [], [], 0).next!.id).toBe('soak');
    const cold = plan('qh-11-fathom', [...crawl], [stopped(0)], 14);
    expect(cold.next!.id).toBe('soak');
    // Before anything that starts the engine comes every cold check that is worth its minutes.
    const order = [cold.next!, ...cold.others];
    const starts = order.findIndex((p) => !p.check.phases.some((x) => x === 'C' || x === 'X' || x === 'B'));
    const lastCold = order.findLastIndex((p) => p.check.phases.every((x) => x === 'C'));
    expect(order.map((p) => p.id)).toContain('clutch-cold-turn');
    expect(starts).toBeGreaterThan(lastCold);
    const warm = plan('qh-03-curlew', [{ what: 'heater-weak', when: [] }], [started(0)], 0.05);
    expect(warm.line.find((p) => p.id === 'cold-agreement')!.now).toBe(false);
    expect(warm.next!.check.phases).not.toEqual(['C']);
  });

  it('has the level looked at before an engine is run, whatever that is worth for the complaint', () => {
    const roars = plan('qh-19-plough', [{ what: 'noise-roar', when: [] }], [stopped(0)], 14);
    const order = [roars.next!, ...roars.others].map((p) => p.id);
    const looked = order.indexOf('level-and-look');
    const runs = order.findIndex((id) => checkOf(id).phases.some((x) => x === 'W' || x === 'R'));
    expect(looked).toBeGreaterThanOrEqual(0);
    expect(looked).toBeLessThan(runs);
  });

  it('says which two suspects the next check tells apart', () => {
    const hot = plan('qh-11-fathom', [...crawl], [stopped(0)], 14);
    const turn = [hot.next!, ...hot.others].find((p) => p.id === 'clutch-cold-turn')!;
    expect(turn.why).toBe('Tells fan clutch slipping from airflow restricted');
  });

  it('lays each check on its stretch', () => {
    const { line, any } = plan('qh-11-fathom', [], [], 0);
    const where = (id: string) => line.find((p) => p.id === id);
    expect([where('warm-up-run')!.from, where('warm-up-run')!.to]).toEqual(['cold', 'regulating']);
    expect([where('clutch-hot-speed')!.from, where('clutch-hot-speed')!.to]).toEqual(['regulating', 'hot']);
    expect(any.map((p) => p.id)).toContain('codes');
  });
});
