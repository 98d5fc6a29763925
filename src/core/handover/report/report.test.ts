import { describe, expect, it } from 'vitest';
import { curlew } from '../../../../tests/support/check-bench';
import type { EventInput, RecordEvent } from '../../record/events';
import { readEvent } from '../../record/upcast';
import { assembleCase, USUAL_SHOP } from '../../diagnosis/case';
import type { RunSummary } from '../../runs/run-summary';
import { inUnits } from '../../units/say';
import { pictureOf } from './picture';
import { list, reportOf, type ReportCurve } from './report';

const JOB = '5f6a7c1e-1111-4111-8111-111111111111';
const VEHICLE = '5f6a7c1e-2222-4222-8222-222222222222';
const hour = (h: number) => new Date(Date.parse('2026-03-02T08:00:00Z') + h * 3_600_000).toISOString();
let n = 0;
const event = (h: number, body: EventInput): RecordEvent => {
  const id = `5f6a7c1e-3333-4333-8333-${String(n++).padStart(12, '0')}`;
  const read = readEvent({ id, stream: `job:${JOB}`, who: 'Maren Oake', at: hour(h), ...body });
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return read.value;
};
const opened = event(0, {
  kind: 'job.opened',
  payload: {
    vehicleId: VEHICLE,
    complaint: 'Heater is cold',
    symptoms: [{ what: 'heater-weak', when: ['steady'] }]
  }
});
const repaired = event(5, {
  kind: 'repair.done',
  payload: { repairs: ['thermostat'], steps: ['cap-open'], torqueNm: { 'thermostat/housing-on': 9 } }
});
const closed = (
  outcome: 'fixed and proven' | 'fixed, unproven' | 'declined' | 'no fault found',
  cause: 'thermostat-stuck-open' | null
) =>
  event(9, {
    kind: 'job.closed',
    payload: { outcome, cause, lookAgain: outcome === 'fixed, unproven' ? '2026-04-01' : null }
  });
const run = (
  id: string,
  h: number,
  from: number,
  verdict: RunSummary['verdict']
): { -readonly [K in keyof RunSummary]: RunSummary[K] } => ({
  id: `5f6a7c1e-4444-4444-8444-00000000000${h}`,
  at: hour(h),
  importedAt: hour(h),
  fileName: `${id}.csv`,
  verdict,
  title: verdict,
  sentence: '',
  suspects: [],
  blind: ['fan-motor-dead'],
  shownFrom: { 'thermostat-stuck-open': 0.4 },
  heat: { endedAt: null, endC: 80, ambientC: from, stood: null },
  features: {
    segments: [],
    knee: null,
    warmRateCPerMin: null,
    roadMinusIdleC: null,
    durationS: 1800,
    startC: from,
    startMinusAmbientC: 0,
    plateauC: 80 + h,
    plateauSpreadC: 1,
    maxC: 90,
    fan: { switches: [] }
  } as never
});
const imported = ({ id, importedAt }: RunSummary): RecordEvent =>
  event((Date.parse(importedAt) - Date.parse(hour(0))) / 3_600_000, {
    kind: 'run.imported',
    payload: { runId: id, fileName: 'a.csv', sizeBytes: 1, columns: [], skippedRows: 0 }
  });
const curve = (from: number, to: number): ReportCurve => ({
  curve: { t: [0, 600, 1200], ect: [from, 60, to] },
  band: { t: [0, 600, 1200], low: [from, 55, 80], high: [from, 70, 92] }
});

const made = (events: RecordEvent[], runs: RunSummary[] = []) =>
  reportOf({
    number: 12,
    vehicle: { fleetNo: 'QH-03', name: 'Tarrock Curlew 1.6', note: 'School minibus', demo: false },
    case: assembleCase({
      events: [...events, ...runs.map(imported)],
      vehicleFacts: [],
      runs,
      sheet: curlew,
      shop: USUAL_SHOP,
      causes: {},
      at: hour(9)
    })!,
    curves: Object.fromEntries(runs.map((r) => [r.id, curve(5, 85)])),
    date: (iso) => iso.slice(0, 10)
  });

describe('a report', () => {
  it('says in plain words what was told, found, done and not proven, and when to come back', () => {
    const { summary, lists, subtitle } = made([
      opened,
      repaired,
      closed('fixed, unproven', 'thermostat-stuck-open')
    ]);
    expect(subtitle).toBe('Job 12, opened 2026-03-02, closed 2026-03-02');
    expect(summary).toEqual([
      'You told us: Heater is cold.',
      'We found: thermostat stuck open. Does not close, or leaks.',
      'We replaced the thermostat.',
      expect.stringMatching(
        /^The repair is not proven yet\. What is missing: a run in its band since the repair, no leak, codes/
      ),
      'Please bring it back around 2026-04-01, so that we can see whether it holds.'
    ]);
    const [doneList, open] = lists;
    expect(doneList.items[0]).toContain('tightened with 9\u00a0N·m (sheet: 9\u00a0N·m)');
    expect(doneList.items[1]).toMatch(/^Not ticked: coolant caught/);
    expect(open.items).toContain('No temperature log was made');
  });

  it('claims nothing that was not done', () => {
    expect(made([opened]).summary.join(' ')).toContain(
      'Nothing has been measured yet. Nothing has been repaired.'
    );
    expect(made([opened, closed('declined', null)]).summary.join(' ')).toContain('The fault is still there.');
    expect(made([opened, closed('no fault found', null)]).summary.join(' ')).toContain(
      'We found nothing wrong'
    );
  });

  it('tells a customer what was measured before the repair, and how the engine drives after it', () => {
    const runs = [run('before', 2, 5, 'thermostat-stuck-open'), run('after', 7, 6, 'none')];
    runs[0].features = { ...runs[0].features, plateauC: 59 };
    runs[1].features = { ...runs[1].features, nearRegulatingAtS: 845 };
    const { summary } = made([opened, repaired, closed('fixed and proven', 'thermostat-stuck-open')], runs);
    expect(summary.slice(1, 4).map((s) => s.replaceAll('\u00a0', ' '))).toEqual([
      expect.stringMatching(
        /^We found: thermostat stuck open\..* The engine ran at 59 °C instead of \d\d to \d\d °C\.$/
      ),
      'We replaced the thermostat.',
      'We drove it again the way the fault would show: it now warms up in 14 minutes and holds 87 °C.'
    ]);
  });

  it('sets before beside after, with what the last log could not show', () => {
    const runs = [run('before', 2, 5, 'thermostat-stuck-open'), run('after', 7, 6, 'none')];
    const report = made([opened, repaired], runs);
    const table = report.tables.find((t) => t.title === 'Before and after')!;
    expect(table.rows.find((r) => r[0] === 'Steady temperature')).toEqual([
      'Steady temperature',
      '82\u00a0°C',
      '87\u00a0°C',
      '+5\u202f°C'
    ]);
    expect(report.picture!.before).toHaveLength(1);
    expect(report.picture!.after).toHaveLength(1);
    expect(report.lists.at(-1)!.items.join(' ')).toContain('could not show fan motor dead');
    // The reader's units change every sentence, and a difference has no zero point.
    expect(inUnits(table.rows.find((r) => r[0] === 'Steady temperature')![3], { temperature: '°F' })).toBe(
      '+9\u202f°F'
    );
  });

  it('puts the deference and the cautions into every report', () => {
    const { deference, cautions } = made([opened]);
    expect(deference).toMatch(/maker’s service information, local rules and licensed practice/);
    expect(cautions.join(' ')).toMatch(/Hot coolant under pressure scalds.*poison/s);
  });
});

describe('the picture', () => {
  const curve = { t: [0, 60, 120, 180], ect: [0, null, 100, 200] };

  it('keeps everything within its box, breaks at gaps, and leaves out what no coolant reads', () => {
    const drawn = pictureOf({
      before: curve,
      after: null,
      band: null,
      levels: [{ name: 'stop', celsius: 118 }]
    })!;
    expect(drawn.before.map((l) => l.length)).toEqual([1, 1]);
    for (const [x, y] of drawn.before.flat()) {
      expect(x).toBeGreaterThanOrEqual(0);
      expect(x).toBeLessThanOrEqual(1);
      expect(y).toBeGreaterThanOrEqual(0);
      expect(y).toBeLessThanOrEqual(1);
    }
    expect(drawn.levels).toEqual([]);
    expect([drawn.fromC, drawn.toC]).toEqual([0, 105]);
    expect(drawn.ticksMin).toEqual([0, 1, 2, 3]);
  });

  it('is none where nothing was read', () => {
    expect(
      pictureOf({ before: { t: [0, 1], ect: [null, null] }, after: null, band: null, levels: [] })
    ).toBeNull();
    expect(pictureOf({ before: null, after: null, band: null, levels: [] })).toBeNull();
  });
});

describe('names in a row', () => {
  it.each([
    [[], ''],
    [['a'], 'a'],
    [['a', 'b', 'c'], 'a, b and c']
  ])('%j', (names, words) => expect(list(names)).toBe(words));
});
