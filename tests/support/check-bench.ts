import { LIBRARY } from '../../src/core/physics/thermistor/library';
import { readFileSync } from 'node:fs';
import type { CheckContext, Outcome } from '../../src/core/checks/check';
import { readWith, type InstrumentId } from '../../src/core/measure/instruments';
import { checkOf, type CheckId } from '../../src/core/checks/registry';
import type { SpecSheet } from '../../src/core/vehicle/spec-sheet';
import type { Symptom } from '../../src/core/vehicle/symptoms';
import type { Finding } from '../../src/core/diagnosis/finding';
import type { JudgedCheck } from '../../src/core/diagnosis/judged';
import { opinionOf } from '../../src/core/diagnosis/opinion';
import { planOf } from '../../src/core/diagnosis/plan';
import {
  DEFAULT_COOLING,
  thermalAt,
  type ThermalFact,
  type ThermalState
} from '../../src/core/physics/heat/state';

/** A vehicle on a cold morning, for the tests of checks. */
export const sheetOf = (name: string): SpecSheet =>
  JSON.parse(readFileSync(`demo/specs/${name}.spec.json`, 'utf8'));
export const fathom = sheetOf('qh-11-fathom');
export const curlew = sheetOf('qh-03-curlew');
export const at = '2026-11-25T08:00:00.000Z';
export const stopped = (hoursAgo: number, coolantC = 90, ambientC = 5): ThermalFact => ({
  kind: 'ran-until',
  at: new Date(Date.parse(at) - hoursAgo * 3_600_000).toISOString(),
  coolantC,
  ambientC
});
export const context = (
  facts: readonly ThermalFact[],
  sheet: SpecSheet | null = fathom,
  more: Partial<CheckContext> = {}
): CheckContext => ({
  at,
  sheet,
  thermal: thermalAt(facts, at, sheet),
  cooling: DEFAULT_COOLING,
  earlier: [],
  curves: LIBRARY,
  ...more
});
export const soaked = context([stopped(14)]);
/** Readings as a form sends them, parsed as the record would and judged. */
export const judge = (id: CheckId, readings: unknown, c = soaked) =>
  checkOf(id).judge(checkOf(id).readings.parse(readings), c);
/**
 * What a check makes of readings, as a technician reads it: result and what was found, its sentence, its numbers with
 * their limits, why it doubts or carries no weight, what it tells of heat and sensor and which way its numbers lean,
 * what is asked about or refused, and how it is told in words.
 */
export function told(id: CheckId, readings: unknown, c: CheckContext = soaked): string {
  const check = checkOf(id);
  const taken = check.readings.parse(readings);
  const o = check.judge(taken, c);
  const found = o.found.length > 0 ? ` (${o.found.join(', ')})` : '';
  const lines = [
    `${o.result}${found}: ${o.says}`,
    ...o.numbers.map((n) => `${n.name}: ${n.value}${n.limit ? ` [${n.limit}]` : ''}`),
    ...o.doubts.map((d) => `but: ${d}`),
    ...(o.voidBecause ? [`void: ${o.voidBecause}`] : []),
    ...(o.countsFrom ? [`counts from ${o.countsFrom}`] : []),
    ...check
      .facts(taken, c.at)
      .map(
        (f) =>
          `heat: ${f.kind} ${f.at}${f.kind === 'started' ? '' : `, coolant ${f.coolantC}, air ${f.ambientC}`}`
      ),
    ...check
      .sensorReadings(taken, c.sheet)
      .map(
        (r) =>
          `sensor: ${Number(r.readsC.toFixed(2))} for ${r.trueC} ± ${r.sdC.toFixed(1)}, ${r.of}, at ${r.at}`
      ),
    ...leaning(check.likelihoods(taken, { sheet: c.sheet, found: o.found })),
    ...check.unlikely(taken, c).map((u) => `sure? ${u}`),
    ...check.refuse(taken, c.sheet).map((p) => `refused: ${p.message}`),
    `in words: ${check.words(taken)}`
  ];
  return lines.join(' | ').replace(/[\u00a0\u202f]/g, ' ');
}
/** Which way the numbers of a check lean, where they lean by more than a factor of two. */
function leaning(nats: Partial<Record<string, number>>): string[] {
  const all = Object.entries(nats) as [string, number][];
  const [to, from] = [all.filter(([, n]) => n > Math.LN2), all.filter(([, n]) => n < -Math.LN2)];
  const named = (of: typeof all) => of.map(([fault]) => fault).join(', ');
  return [
    ...(to.length > 0 ? [`leans to ${named(to)}`] : []),
    ...(from.length > 0 ? [`leans from ${named(from)}`] : [])
  ];
}
export const faults = (o: Outcome, way: 'for' | 'against') =>
  o.points.filter((p) => p.way === way).map((p) => p.fault);
export const taken = (celsius: number, kind: InstrumentId = 'scan') => readWith(celsius, kind);

/** The plan of a job that has just come in. */
export const planFor = (sheet: SpecSheet | null, symptoms: readonly Symptom[], state: ThermalState) =>
  planOf({ sheet, done: [], state, ...opinionOf({ sheet, symptoms, done: [], phase: state.phase }) });

/** A check as it stands in a job, judged. */
export const entry = (check: CheckId, readings: object, c: CheckContext): JudgedCheck => ({
  who: 'Tester',
  words: '',
  confirmed: [],
  id: check,
  check,
  at,
  byHand: false,
  readings: checkOf(check).readings.parse(readings),
  outcome: judge(check, readings, c)
});
/** A finding of so many nats, by a meter unless it is said otherwise. */
export const finding = (llr: Finding['llr'], id = 'f', group = 'meter'): Finding => ({
  id,
  title: '',
  says: '',
  llr,
  group
});
