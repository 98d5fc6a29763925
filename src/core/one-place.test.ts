import { describe, expect, it } from 'vitest';
import { CHECK_IDS, checkOf } from './checks/registry';
import { stepsOf } from './diagnosis/steps';
import { curesOf, namedBy } from './faults/registry';
import { DIALECTS } from './logs/any-log';
import { CHANNELS, type Channel } from './logs/channels';
import { CAUTION_IDS, CAUTIONS } from './measure/cautions';
import { INSTRUMENTS } from './measure/instruments';
import { BOUGHT_TOOLS, type Tool } from './measure/tools';
import { EVENT_VERSIONS } from './record/events';
import type { Field } from './units/field';
import { baseUnit } from './units/units';
import { CODES } from './vehicle/codes';
import { REPAIR_IDS, repairOf } from './vehicle/repairs';

/** What a row of one of the lists of docs/extending.md still lacks, in words: nothing where all is said. */
const lacking = (rows: readonly (string | false)[]) => rows.filter((r) => r !== false);
const checks = CHECK_IDS.map(checkOf);
const allFields = (fields: readonly Field[]): Field[] =>
  fields.flatMap((f) => [f, ...(f.kind === 'part' || f.kind === 'rows' ? allFields(f.fields) : [])]);
const offered = new Set(
  checks.flatMap((c) => allFields(c.fields)).flatMap((f) => f.takenWith?.choices ?? [])
);

describe('what is said in one place is whole', () => {
  it('a caution: it is a sentence, and stands at a check or a step of a repair', () => {
    const used = new Set([
      ...checks.flatMap((c) => c.cautions),
      ...REPAIR_IDS.flatMap((id) => stepsOf([id]).flatMap((s) => s.cautions))
    ]);
    expect(
      lacking(
        CAUTION_IDS.flatMap((id) => [
          !used.has(id) && `${id}: no check and no step of a repair names this caution`,
          !CAUTIONS[id].text.endsWith('.') && `${id}: its text is no sentence`
        ])
      )
    ).toEqual([]);
  });

  it('a tool: some check needs it', () => {
    const needed = new Set<Tool>(checks.flatMap((c) => c.tools));
    expect(
      lacking(BOUGHT_TOOLS.map((t) => !needed.has(t) && `${t}: no check names this tool among its tools`))
    ).toEqual([]);
  });

  it('an instrument: a reading can be taken with it, and it says what it may be off', () => {
    expect(
      lacking(
        Object.entries<{ uncertaintyC: number; hint: string }>(INSTRUMENTS).flatMap(
          ([id, { uncertaintyC, hint }]) => [
            !offered.has(id) && `${id}: no field offers this instrument in takenWith`,
            !(uncertaintyC > 0) && `${id}: what it may be off is not above 0`,
            hint === '' && `${id}: it says nothing of how it is used`
          ]
        )
      )
    ).toEqual([]);
  });

  it('a repair: it cures a fault, has steps, and a price or the reason why it has none', () => {
    expect(
      lacking(
        REPAIR_IDS.flatMap((id) => [
          curesOf(id).length === 0 && `${id}: no fault names this repair`,
          id !== 'none' && stepsOf([id]).length === 0 && `${id}: it has no steps in diagnosis/steps.ts`,
          id !== 'none' && !(repairOf(id).labourMin > 0) && `${id}: it takes no time`
        ])
      )
    ).toEqual([]);
  });

  it('a code: it says what it means, and a fault that can be named by one of the fan, sensor or thermostat is', () => {
    const notOurs = /^P011[123]$/;
    expect(
      lacking(
        Object.entries(CODES).flatMap(([code, row]) => [
          (row?.means ?? '') === '' && `${code}: it does not say what it means`,
          !notOurs.test(code) && namedBy(code).length === 0 && `${code}: no fault names this code in codes`
        ])
      )
    ).toEqual([]);
  });

  it('a log column: it has a title, a unit, and a range it can have', () => {
    expect(
      lacking(
        (CHANNELS as readonly Channel[]).flatMap((c) => [
          c.title === '' && `${c.key}: it has no title`,
          baseUnit(c.kind).symbol === undefined && `${c.key}: its kind has no unit`
        ])
      )
    ).toEqual([]);
    expect(new Set(CHANNELS.map((c) => c.key)).size).toBe(CHANNELS.length);
  });

  it('a kind of log: each is reached by a file of its own, the last by all that is left', () => {
    const bus = new TextEncoder().encode('(1.0) can0 7E8#034105A0\n(1.5) can0 7E8#034105A1\n');
    const table = new TextEncoder().encode('time,ect\n0,20\n1,21\n');
    const reads = (file: Uint8Array) => DIALECTS.findIndex((d) => d.recognises(file));
    expect([reads(bus), reads(table)]).toEqual([0, DIALECTS.length - 1]);
  });

  it('an event kind: it has a version from 1 on', () => {
    expect(
      lacking(
        Object.entries(EVENT_VERSIONS).map(([kind, v]) => !(v >= 1) && `${kind}: its version is below 1`)
      )
    ).toEqual([]);
  });
});
