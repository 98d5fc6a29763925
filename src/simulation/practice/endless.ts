import { seeded } from '../../core/base/random';
import { cannotHave, changeOf, FAULTS, repairFor } from '../../core/faults/registry';
import type { Level, PracticeCase } from '../../core/practice/case';
import { FAULT_IDS, type FaultId } from '../../core/vehicle/faults';
import type { SpecSheet } from '../../core/vehicle/spec-sheet';
import { symptomText, type Symptom } from '../../core/vehicle/symptoms';
import { noticedOf, writtenCase } from '../cases/case';

type Wrong = Exclude<FaultId, 'none'>;

/** How mild a fault may be at a level. */
const MILDEST: Readonly<Record<Level, number>> = { 1: 0.8, 2: 0.7, 3: 0.6, 4: 0.6, 5: 0.8 };
/** In the cold much stays hidden: beginners work in summer, °C. */
const COLDEST_C: Readonly<Record<Level, number>> = { 1: 15, 2: 15, 3: 5, 4: -4, 5: 5 };
const WARMEST_C = 30;
/** Of the fourth level, so many are vehicles with nothing wrong. */
const NOTHING = 0.25;
/** Real, harmless, and to be seen. */
const HERRINGS = [
  'A green film on one pin of a plug',
  'An old water mark under the radiator',
  'Dust on the hub of the fan',
  'A hose clamp of another make',
  'The belt has a shine'
];
const CHANGED = ['Thermostat, last month', 'Coolant sensor, in spring', 'Radiator cap, last year', 'Battery'];
/** Tried so often for something that a driver would notice. */
const TRIES = 6;

/** A case by its level and number, on one of these vehicles: the same number, the same case. */
export function endlessCase(level: Level, number: number, sheets: readonly SpecSheet[]): PracticeCase {
  const random = seeded(number * 31 + level);
  const pick = <T>(of: readonly T[]): T => of[Math.floor(random() * of.length)];
  const sheet = pick(sheets);
  const ambientC = Math.round(COLDEST_C[level] + (WARMEST_C - COLDEST_C[level]) * random());
  const nothing = level === 4 && random() < NOTHING;
  const possible = FAULT_IDS.filter(
    (f): f is Wrong => f !== 'none' && f !== 'sheet-wrong' && !cannotHave(f, sheet)
  );
  const first = byPrior(possible, random());
  const severity = () => Math.round(100 * (MILDEST[level] + (1 - MILDEST[level]) * random())) / 100;
  const faults = nothing ? [] : [{ fault: first, severity: severity() }];
  /** What its driver complains of besides: of two faults each is noticed, also once the other is repaired. */
  const besides: Symptom[] = [];
  if (level === 5) {
    // The second is one that the plant of the first can have as well.
    const others = possible.filter((f) => changeOf(f) && repairFor(f) !== repairFor(first));
    for (let i = 0; faults.length < 2; i++) {
      const second = { fault: pick(others), severity: severity() };
      const on = (of: typeof faults) =>
        noticedOf(writtenCase({ spec: sheet, faults: of, ambientC, seed: 1 }));
      const both = on([...faults, second]).map((s) => s.what);
      const told = on([second]).find((s) => both.includes(s.what));
      if (!told && i < TRIES) continue;
      faults.push(second);
      if (told) besides.push(told);
    }
  }
  const of = {
    format: 'pyrethos.practice',
    version: 1,
    id: `endless-${level}-${number}`,
    title: `Number ${number}`,
    level,
    teaches: level === 5 ? 14 : level === 4 ? 19 : 1,
    lesson: nothing
      ? 'Nothing is wrong with it. That is said, with what was looked at.'
      : `${faults.map((f) => `${FAULTS[f.fault].title}: ${FAULTS[f.fault].confirm}`).join('. ')}.`,
    sheet,
    faults,
    ambientC,
    changedBefore: level > 1 && random() < 0.5 ? pick(CHANGED) : '',
    herring: level > 1 && random() < 0.6 ? pick(HERRINGS) : ''
  };
  for (let i = 0; ; i++) {
    const seed = 1 + ((number * 97 + level * 7 + i * 1009) % 999_999_937);
    const noticed = writtenCase({ spec: sheet, faults, ambientC, seed }).symptoms;
    const symptoms = [...noticed, ...besides.filter((b) => !noticed.some((s) => s.what === b.what))];
    if (symptoms.length > 0 || i >= TRIES)
      return {
        ...of,
        seed,
        symptoms,
        words: symptoms.map(symptomText).join('; ') || 'It is not as it was.'
      };
  }
}

function byPrior(faults: readonly Wrong[], at: number): Wrong {
  let left = at * faults.reduce((sum, f) => sum + FAULTS[f].prior, 0);
  return faults.find((f) => (left -= FAULTS[f].prior) <= 0) ?? faults[0];
}
