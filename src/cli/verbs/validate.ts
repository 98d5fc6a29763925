import { brokenIn } from '../../core/handover/integrity';
import { readJobFile } from '../../core/handover/job-file';
import { readWorkshopFile } from '../../core/handover/workshop-file';
import { readAnyLog } from '../../core/logs/any-log';
import { readSpecSheet } from '../../core/vehicle/read-sheet';
import { BadInput, parse, readBytes, readJson, refuse, taken } from '../input';
import type { Verb } from '../verb';

/** `validate FILE...`: says what a file of ours is, or what is wrong with it. */
function run(args: string[]): void {
  const { positionals } = parse(args, {});
  if (positionals.length === 0) throw new BadInput('validate: expected one or more files');
  for (const file of positionals) {
    if (/\.json$/i.test(file)) {
      process.stdout.write(
        `${file}: ${jsonWords(readJson(file, 'a spec sheet, a job file or a workshop file'), file)}\n`
      );
      continue;
    }
    const { log, report } = taken(readAnyLog(readBytes(file)), file);
    process.stdout.write(
      `${file}: a log of ${report.rows} samples over ${Math.round(log.t[log.t.length - 1])} s with ${Object.keys(log.channels).join(', ')}\n`
    );
  }
}

function jsonWords(json: unknown, file: string): string {
  const { format } = (json ?? {}) as { format?: unknown };
  if (format === 'pyrethos.workshop') {
    const { vehicles, jobs } = taken(readWorkshopFile(json), file);
    return `a workshop with ${vehicles.length} vehicles and ${jobs.length} jobs`;
  }
  if (format !== 'pyrethos.job') return `a spec sheet for ${taken(readSpecSheet(json), file).name}`;
  const job = taken(readJobFile(json), file);
  const broken = brokenIn(job);
  if (broken.length > 0) refuse(broken, file);
  const { number, vehicle, checks, runs, photos } = job;
  return `job ${number} of ${vehicle.fleetNo} with ${checks.length} checks, ${runs.length} runs, ${photos.length} photos`;
}

export const validateVerb: Verb = {
  usage: 'validate FILE...',
  run
};
