import { PLANT_FAULTS } from '../../core/faults/registry';
import { writeFileSync } from 'node:fs';
import { writeLog } from '../../core/logs/csv-export';
import { DRIVES } from '../../core/physics/plant/drive';
import { logFrom } from '../../core/runs/log-from';
import { isFaultId } from '../../core/vehicle/faults';
import { BadInput, numberOf, parse, readSpec } from '../input';
import type { Verb } from '../verb';

/** `simulate --spec SPEC`: writes the log of a vehicle with a fault on a drive. */
function run(args: string[]): void {
  const text = { type: 'string' } as const;
  const { values } = parse(args, {
    spec: text,
    fault: text,
    severity: text,
    variant: text,
    drive: text,
    ambient: text,
    start: text,
    seed: text,
    columns: text,
    out: text
  });
  if (typeof values.spec !== 'string') throw new BadInput('simulate: expected --spec SPEC');
  const number = (name: string, fallback: number, min: number, max: number) =>
    numberOf('simulate', values, name, fallback, min, max);
  const one = <T extends string>(name: string, allowed: readonly T[], fallback: T): T => {
    const given = values[name] ?? fallback;
    if (!allowed.includes(given as T))
      throw new BadInput(`simulate: --${name} is “${given}”; expected one of ${allowed.join(', ')}`);
    return given as T;
  };
  const fault = values.fault ?? 'none';
  if (typeof fault !== 'string' || !isFaultId(fault))
    throw new BadInput(
      `simulate: --fault is “${fault}”; expected one of ${PLANT_FAULTS.map((f) => f.id).join(', ')}`
    );
  const ambientC = number('ambient', 12, -40, 50);
  try {
    const log = logFrom({
      spec: readSpec(values.spec),
      fault,
      severity: number('severity', 0.7, 0, 1),
      variant: typeof values.variant === 'string' ? values.variant : undefined,
      legs: DRIVES[one('drive', Object.keys(DRIVES) as (keyof typeof DRIVES)[], 'mixed')],
      ambientC,
      startC: number('start', ambientC, -40, 120),
      columns: one('columns', ['all', 'scan', 'bare'], 'all'),
      seed: number('seed', 1, 0, 2 ** 31)
    });
    if (typeof values.out === 'string') writeFileSync(values.out, writeLog(log));
    else process.stdout.write(writeLog(log));
  } catch (error) {
    if (error instanceof RangeError) throw new BadInput(`simulate: ${error.message}`);
    throw error;
  }
}

export const simulateVerb: Verb = {
  usage: `simulate --spec SPEC [--fault ID] [--severity 0..1] [--variant NAME] [--drive ${Object.keys(DRIVES).join('|')}]
          [--ambient °C] [--start °C] [--seed N] [--columns all|scan|bare] [--out LOG]`,
  run
};
