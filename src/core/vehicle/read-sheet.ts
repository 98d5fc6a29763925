import { z } from 'zod';
import { readFormat, unknownIn, type OpenFormat } from '../base/open-format';
import { bad, good, type Problem, type Result } from '../base/result';
import { unwrapped } from '../units/field';
import { specSheetSchema, type SpecSheet } from './spec-sheet';

const FORMAT: OpenFormat = { format: 'pyrethos.spec-sheet', version: 1, what: 'a spec sheet' };

/**
 * Reads a spec sheet from parsed JSON. Refuses with one problem a field, each saying what would be right;
 * keeps unknown fields and warns about them; refuses a newer version naming both numbers.
 */
export function readSpecSheet(input: unknown): Result<SpecSheet> {
  const read = readFormat(FORMAT, specSheetSchema, input);
  if (!read.ok) return read;
  const problems = contradictions(read.value);
  return problems.length > 0 ? bad(...problems) : good(read.value, unknownFields(read.value));
}

/** Fields the schema does not know: kept, and named so that a misspelling is noticed. */
function unknownFields(sheet: SpecSheet): Problem[] {
  const parts = Object.entries(specSheetSchema.shape).flatMap(([path, type]) => {
    const inner = unwrapped(type).type;
    const part = (sheet as Record<string, unknown>)[path];
    return inner instanceof z.ZodObject && part ? unknownIn(part, inner.shape, path) : [];
  });
  return [...unknownIn(sheet, specSheetSchema.shape), ...parts];
}

/** Natural logarithm of the most a coolant sensor has on a cold engine, 300 kΩ. */
const LN_OHM_MOST = Math.log(300_000);

/** No thermostat of an engine opens outside of these. */
const COOLEST_STAMP_C = 60;
const HOTTEST_STAMP_C = 112;

/** Says that no thermostat has such a number on it, and what it would be were it meant in the other unit. */
function noStamp(celsius: number): string {
  const asFahrenheit = (celsius - 32) / 1.8;
  const meant =
    asFahrenheit >= COOLEST_STAMP_C && asFahrenheit <= HOTTEST_STAMP_C
      ? `; if it says ${celsius} °F, that is ${asFahrenheit.toFixed(1)} °C`
      : '';
  return `is ${celsius}\u00a0°C, and thermostats open between ${COOLEST_STAMP_C} and ${HOTTEST_STAMP_C}\u00a0°C${meant}`;
}

/** Values that are each possible and together are not. */
function contradictions(sheet: SpecSheet): Problem[] {
  const problems: Problem[] = [];
  const above = (
    field: string,
    value: number | null | undefined,
    name: string,
    limitName: string,
    limit: number | null | undefined
  ) => {
    if (value != null && limit != null && value <= limit)
      problems.push({
        field,
        message: `${name} is ${value}\u00a0°C, not above ${limitName} at ${limit}\u00a0°C; it must be higher`
      });
  };
  const { regulating, limits, fan, ect, clutch } = sheet;
  const thermostat = sheet.thermostat ?? {};
  const stamped = thermostat.startOpenC;
  if (stamped != null && (stamped < COOLEST_STAMP_C || stamped > HOTTEST_STAMP_C))
    problems.push({ field: 'thermostat.startOpenC', message: noStamp(stamped) });
  above('thermostat.fullOpenC', thermostat.fullOpenC, 'full-open', 'start-to-open', thermostat.startOpenC);
  above('thermostat.startOpenC', thermostat.startOpenC, 'start-to-open', 'closed-by', thermostat.closedByC);
  above('regulating.highC', regulating?.highC, 'the upper end', 'the lower end', regulating?.lowC);
  above('limits.stopC', limits?.stopC, 'the stop limit', 'the hot limit', limits?.hotC);
  above('limits.hotC', limits?.hotC, 'the hot limit', 'start-to-open', thermostat.startOpenC);
  fan?.stages?.forEach((stage, i) =>
    above(`fan.stages.${i}.onC`, stage.onC, `fan ${stage.name} on`, 'its off point', stage.offC)
  );
  fan?.stages?.forEach(
    (stage, i, all) =>
      i > 0 &&
      above(
        `fan.stages.${i}.onC`,
        stage.onC,
        `fan ${stage.name} on`,
        `fan ${all[i - 1].name} on`,
        all[i - 1].onC
      )
  );
  const second = ect?.switchedPullUp;
  if (second?.pullUpOhm != null && second.toWarmC == null)
    problems.push({
      field: 'ect.switchedPullUp.toWarmC',
      message: 'is missing; say when the second pull-up comes in'
    });
  above(
    'ect.switchedPullUp.toWarmC',
    second?.toWarmC,
    'where it comes in',
    'where it goes out',
    second?.toColdC
  );
  if (clutch?.kind === 'thermal')
    above('clutch.engageAirC', clutch.engageAirC, 'engagement', 'release', clutch.releaseAirC);
  if (fan?.drive && fan.drive !== 'none' && fan.stages?.length === 0)
    problems.push({ field: 'fan.stages', message: 'has no stage; give at least one, or drive "none"' });
  if (ect?.curve?.kind === 'steinhart-hart') {
    const { b, c } = ect.curve;
    // ln R of any sensor on any engine lies between these.
    if (b + 3 * c * LN_OHM_MOST ** 2 <= 0)
      problems.push({
        field: 'ect.curve.c',
        message: `with c of ${c} the resistance would not fall all the way; check the sign and the power of ten`
      });
  }
  if (ect?.curve?.kind === 'table') {
    ect.curve.points.forEach(([t, r], i, all) => {
      if (i > 0 && (t <= all[i - 1][0] || r >= all[i - 1][1])) {
        problems.push({
          field: `ect.curve.points.${i}`,
          message: `row ${i + 1} (${t}\u00a0°C, ${r} Ω) must be hotter and lower in resistance than row ${i} (${all[i - 1][0]}\u00a0°C, ${all[i - 1][1]} Ω)`
        });
      }
    });
  }
  return problems;
}
