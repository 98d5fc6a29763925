import { createInterface } from 'node:readline';
import { problemText } from '../../core/base/result';
import { caseFile } from '../../core/handover/case-file';
import { caseOfFile } from '../../core/handover/case-of-file';
import { readJobFile } from '../../core/handover/job-file';
import { BadInput, parse, printJson, readJson, taken } from '../input';
import type { Verb } from '../verb';
import { caseText } from '../text';

/** `case JOB.job.json`: the whole case of a job file. `case --lines`: one job file a line in, one case a line out. */
async function run(args: string[]): Promise<void> {
  const { values, positionals } = parse(args, {
    json: { type: 'boolean' },
    lines: { type: 'boolean' },
    at: { type: 'string' }
  });
  const at = typeof values.at === 'string' ? values.at : undefined;
  if (at !== undefined && Number.isNaN(Date.parse(at)))
    throw new BadInput(`case: --at is “${at}”; expected a moment like 2026-11-24T08:00:00Z`);
  if (values.lines) {
    if (positionals.length > 0) throw new BadInput('case: --lines reads standard input; expected no file');
    return answerLines(at);
  }
  const [file] = positionals;
  if (positionals.length !== 1) throw new BadInput('case: expected one JOB.job.json, or --lines');
  const job = taken(readJobFile(readJson(file, 'a job file')), file);
  const known = taken(caseOfFile(job, at), file);
  if (values.json) printJson({ number: job.number, ...caseFile(known) });
  else process.stdout.write(caseText(known, `job ${job.number} of ${job.vehicle.fleetNo}`));
}

/** Answers each line in its order; one that cannot be read is answered with its problems, and the next is read. */
async function answerLines(at: string | undefined): Promise<void> {
  for await (const line of createInterface({ input: process.stdin, crlfDelay: Infinity })) {
    if (line.trim() !== '') process.stdout.write(`${JSON.stringify(answerTo(line, at))}\n`);
  }
}

function answerTo(line: string, at: string | undefined): object {
  let json: unknown;
  try {
    json = JSON.parse(line);
  } catch (error) {
    return { format: 'pyrethos.problems', problems: [`not JSON: ${(error as Error).message}`] };
  }
  const read = readJobFile(json);
  const known = read.ok ? caseOfFile(read.value, at) : read;
  return read.ok && known.ok
    ? { number: read.value.number, ...caseFile(known.value) }
    : { format: 'pyrethos.problems', problems: known.ok ? [] : known.problems.map((p) => problemText(p)) };
}

export const caseVerb: Verb = {
  usage: 'case JOB.job.json [--json] [--at MOMENT]\ncase --lines',
  run
};
