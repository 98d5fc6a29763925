import { describe, expect, it } from 'vitest';
import { deriveJob } from '../record/derive';
import type { EventInput, RecordEvent } from '../record/events';
import { readEvent } from '../record/upcast';
import type { KnownFact } from '../physics/heat/facts';
import { usualCooling } from '../physics/heat/state';
import type { RunSummary } from '../runs/run-summary';
import { contextOf, coolingOf, counting, factsOf, judgeChecks } from './judged';
import { refusedBy } from './refused';
import { complaintText, describeEvent } from '../record/describe-event';

const uuid = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const hour = (h: number) => new Date(Date.UTC(2026, 10, 25, 6) + h * 3_600_000).toISOString();
/** An entry made `h` hours after six in the morning. */
function entry(n: number, h: number, body: EventInput): RecordEvent {
  const read = readEvent({
    id: uuid(n),
    stream: `job:${uuid(900)}`,
    who: 'Ysolt Brandy',
    at: hour(h),
    ...body
  });
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return read.value;
}
const opened = entry(1, 0, {
  kind: 'job.opened',
  payload: { vehicleId: uuid(500), complaint: '', symptoms: [{ what: 'heater-weak', when: ['steady'] }] }
});
const check = (n: number, h: number, id: string, readings: object, replaces: number | null = null) =>
  entry(n, h, {
    kind: 'check.recorded',
    payload: { check: id as 'soak', readings, replaces: replaces === null ? null : uuid(replaces) }
  });
const scan = { kind: 'scan', name: '', uncertaintyC: 1 };
const agree = (n: number, h: number, ect: number, housing: number, replaces: number | null = null) =>
  check(
    n,
    h,
    'cold-agreement',
    {
      ect: { celsius: ect, instrument: scan },
      housing: { celsius: housing, instrument: { ...scan, kind: 'contact' } },
      iat: null,
      ambient: null
    },
    replaces
  );
const soak = (n: number, h: number, stood: number, replaces: number | null = null) =>
  check(n, h, 'soak', { hoursStood: stood, lastC: 90, ambientC: 5 }, replaces);
const judged = (...events: RecordEvent[]) => {
  const job = deriveJob(events)!;
  return judgeChecks(job, factsOf(job, []), null);
};
const results = (...events: RecordEvent[]) => judged(...events).map((j) => j.outcome.result);

describe('checks judged from the record', () => {
  it('are judged anew when the soak is recorded afterwards', () => {
    expect(results(opened, agree(2, 1, 6, 5))).toEqual(['void']);
    expect(results(opened, agree(2, 1, 6, 5), soak(3, 1.1, 14))).toEqual(['pass', 'pass']);
    expect(results(opened, agree(2, 1, 36, 35), soak(3, 1.1, 2))).toEqual(['void', 'fail']);
  });

  it('do not vouch for their own soak', () => {
    expect(judged(opened, agree(2, 1, 6, 5))[0].outcome.voidShort).toBe('soak not known');
  });

  it('keep the time of the reading when it is corrected after the engine ran', () => {
    const started = entry(4, 2, { kind: 'engine.noted', payload: { kind: 'started', at: hour(2) } });
    const wrong = agree(3, 1, 60, 5);
    expect(results(opened, soak(2, 0.5, 14), wrong, started)).toEqual(['pass', 'fail']);
    const right = judged(opened, soak(2, 0.5, 14), wrong, started, agree(5, 3, 6, 5, 3));
    expect(right.map((j) => j.outcome.result)).toEqual(['pass', 'pass']);
    expect(right[1].at).toBe(hour(1));
    expect(results(opened, soak(2, 0.5, 14), wrong, started, agree(6, 3, 6, 5))).toEqual([
      'pass',
      'fail',
      'void'
    ]);
  });

  it('bring back what was corrected when the correction is undone', () => {
    const undone = entry(9, 2, { kind: 'undo', payload: { of: uuid(4) } });
    expect(judged(opened, soak(2, 0.5, 14), soak(4, 1, 3, 2)).map((j) => j.id)).toEqual([uuid(4)]);
    expect(judged(opened, soak(2, 0.5, 14), soak(4, 1, 3, 2), undone).map((j) => j.id)).toEqual([uuid(2)]);
  });

  it('count by the last that is not void', () => {
    const started = entry(4, 2, { kind: 'engine.noted', payload: { kind: 'started', at: hour(2) } });
    const all = judged(opened, soak(2, 0.5, 14), agree(3, 1, 6, 5), started, agree(5, 2.1, 30, 28));
    expect(all.map((j) => j.outcome.result)).toEqual(['pass', 'pass', 'void']);
    expect(counting(all, 'cold-agreement')!.id).toBe(uuid(3));
    expect(counting(all, 'codes')).toBeNull();
    const never = judged(opened, ...[2, 3, 4].map((n) => agree(n, n, 6, 5)));
    expect(counting(never, 'cold-agreement')!.id).toBe(uuid(4));
  });
});

describe('what runs tell of the engine’s heat', () => {
  const job = deriveJob([opened])!;
  const heat = {
    endedAt: hour(4),
    endC: 91,
    ambientC: 12,
    stood: null,
    ran: { startC: 14, minutes: 25 }
  } satisfies RunSummary['heat'];
  const told = (of: Partial<RunSummary['heat']>, importedAt = hour(6)) =>
    factsOf(job, [{ id: uuid(70), importedAt, heat: { ...heat, ...of } }]);

  it('is that it ran until the log’s end, as its own sensor told', () => {
    expect(told({})).toEqual([
      {
        fact: {
          kind: 'ran-until',
          at: hour(4),
          coolantC: 91,
          ambientC: 12,
          bySensor: { startC: 14, stopC: 91, ranMin: 25 }
        },
        source: uuid(70),
        enteredAt: hour(6),
        soft: false
      }
    ]);
  });

  it('is at the latest when it was imported, where the log has no date; a person knows better', () => {
    const [known] = told({ endedAt: null });
    expect([known.fact.at, known.soft]).toEqual([hour(6), true]);
  });

  it('is that it stood, where the log went on after key-off: two hours later it was seen to be cooler', () => {
    const cooling = { tauH: 2, shortH: 1.8, longH: 2.3 };
    const facts = told({ endC: 45, stood: { hours: 2, stopC: 93, cooling } });
    expect(facts.map((f) => f.fact)).toEqual([
      expect.objectContaining({ kind: 'ran-until', at: hour(2), coolantC: 93 }),
      expect.objectContaining({ kind: 'measured', at: hour(4), coolantC: 45, cooling })
    ]);
    expect(facts[1].fact).toMatchObject({ bySensor: { startC: 14, stopC: 93, ranMin: 25 } });
    // Its own cooling goes before the usual one: one cool-down, told by its log and not by its two ends as well.
    expect(
      coolingOf(
        facts.map((f) => f.fact),
        null
      )
    ).toMatchObject({ tauH: 2, n: 1 });
    expect(coolingOf([], null)).toEqual(usualCooling(null));
  });

  it('is nothing of degrees where the log ends without one, and nothing of a start that it did not see', () => {
    expect(told({ endC: null, stood: { hours: 2, stopC: 93, cooling: null } }).map((f) => f.fact)).toEqual([
      expect.objectContaining({ kind: 'ran-until', at: hour(4), coolantC: null })
    ]);
    expect(told({ ran: undefined })[0].fact).toMatchObject({
      bySensor: { startC: null, stopC: 91, ranMin: null }
    });
  });
});

describe('what was known when a check was done', () => {
  const byHand = entry(20, 1, {
    kind: 'check.recorded',
    payload: {
      check: 'soak',
      readings: { found: 'Stood overnight, by the night watch', judged: 'pass' },
      byHand: true
    }
  });

  it('is not what it tells of the heat itself, nor what was judged by hand', () => {
    const job = deriveJob([opened, soak(2, 0.5, 14)])!;
    const facts = factsOf(job, []);
    const basis = (except: string | null) =>
      contextOf(job, facts, null, 'soak', hour(1), except).thermal.basis;
    expect(basis(null)).toMatchObject({ kind: 'ran-until' });
    expect(basis(uuid(2))).toBeNull();
    expect(basis(uuid(99))).toEqual(basis(null));
    expect(factsOf(deriveJob([opened, byHand])!, [])).toEqual([]);
    expect(judged(opened, byHand)[0].outcome).toMatchObject({
      result: 'pass',
      says: expect.stringContaining('by the night watch')
    });
  });

  it('is by the size of the engine: a larger one stays hot for longer, on the same facts', () => {
    const facts: KnownFact[] = factsOf(deriveJob([opened, soak(2, 0.5, 5)])!, []);
    const of = (displacementL: number) =>
      contextOf(
        deriveJob([opened])!,
        facts,
        {
          format: 'pyrethos.spec-sheet',
          version: 1,
          name: 'x',
          thermostat: null,
          engine: { displacementL }
        } as never,
        'soak',
        hour(1),
        null
      ).thermal.residualC!;
    expect(of(6)).toBeGreaterThan(of(1.6) + 1);
    expect(of(1.6)).toBe(of(1.6));
  });

  it('is the earlier readings of the same check that a machine judged, and no later ones', () => {
    const job = deriveJob([
      opened,
      agree(2, 1, 6, 5),
      soak(3, 1.1, 14),
      agree(4, 2, 7, 5),
      byHand,
      agree(5, 3, 8, 5)
    ])!;
    const earlier = (check: 'cold-agreement' | 'soak', except: string | null) =>
      contextOf(job, [], null, check, hour(4), except).earlier.map((e) => e.at);
    expect(earlier('cold-agreement', uuid(2))).toEqual([]);
    expect(earlier('cold-agreement', uuid(4))).toEqual([hour(1)]);
    expect(earlier('cold-agreement', uuid(5))).toEqual([hour(1), hour(2)]);
    expect(earlier('cold-agreement', null)).toHaveLength(3);
    expect(earlier('soak', null)).toEqual([hour(1.1)]);
  });

  it('is judged once for the same contents, and anew for others', () => {
    const [one, again, other] = [6, 6, 7].map(
      (ect) => judged(opened, soak(3, 1.1, 14), agree(2, 1.2, ect, 5))[1]
    );
    expect(again).toBe(one);
    expect(other).not.toBe(one);
    const hands = [judged(opened, byHand)[0], judged(opened, byHand)[0]];
    expect(hands[1]).toBe(hands[0]);
  });
});

describe('entries', () => {
  it('are refused by field, with what would be right', () => {
    const bad = (body: object) => {
      const read = readEvent({
        id: uuid(7),
        stream: `job:${uuid(900)}`,
        who: 'Maren Oake',
        at: hour(0),
        ...body
      });
      return read.ok ? [] : read.problems;
    };
    expect(
      bad({
        kind: 'check.recorded',
        payload: { check: 'soak', readings: { hoursStood: 2, lastC: -300, ambientC: 5 } }
      })
    ).toEqual([{ field: 'lastC', message: expect.stringContaining('type -60 to') }]);
    expect(bad({ kind: 'job.opened', payload: { vehicleId: uuid(5), complaint: ' ' } })[0].message).toContain(
      'what the driver noticed'
    );
    expect(bad({ kind: 'check.recorded', payload: { check: 'no-such', readings: {} } })[0].field).toBe(
      'check'
    );
  });

  it('are refused where the vehicle’s own cap rules them out', () => {
    const sheet = {
      format: 'pyrethos.spec-sheet',
      version: 1,
      name: 'x',
      thermostat: { startOpenC: 86, fullOpenC: 99 },
      cap: { kPa: 60 }
    } as const;
    const hot = entry(8, 0, {
      kind: 'engine.noted',
      payload: { kind: 'measured', at: hour(0), coolantC: 139, ambientC: null }
    });
    expect(refusedBy(sheet, hot)[0]).toMatchObject({
      field: 'coolantC',
      message: expect.stringContaining('sealed system')
    });
    expect(refusedBy(null, hot)).toEqual([]);
    expect(refusedBy(sheet, opened)).toEqual([]);
  });

  it('read as plain words', () => {
    expect(
      complaintText({
        complaint: '',
        symptoms: [{ what: 'heater-weak', when: ['steady'] }],
        changedBefore: '',
        coolantChanged: null
      })
    ).toBe('Heater: weak or slow to come, at a steady road speed');
    expect(describeEvent(opened)).toContain('Opened: Heater');
    expect(describeEvent(soak(2, 1, 14))).toBe('Soak: Stood 14 h from 90\u00a0°C, ambient 5\u00a0°C');
    expect(describeEvent(soak(3, 1, 13, 2))).toContain('Soak, corrected');
    expect(
      describeEvent(entry(4, 1, { kind: 'caution.acknowledged', payload: { cautions: ['hot-cap'] } }))
    ).toBe('Understood: Hot coolant under pressure scalds');
  });
});
