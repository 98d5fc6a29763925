import { median, quantile } from 'simple-statistics';
import { readdirSync, readFileSync } from 'node:fs';
import { assembleCase, type CaseInput } from '../../src/core/diagnosis/case';
import { lineOf } from '../../src/core/diagnosis/case-line';
import { caseOfFile } from '../../src/core/handover/case-of-file';
import { readJobFile, type JobFile } from '../../src/core/handover/job-file';
import type { RecordEvent } from '../../src/core/record/events';
import { readEvent } from '../../src/core/record/upcast';
import { USUAL_SHOP } from '../../src/core/diagnosis/case';
import type { RunSummary } from '../../src/core/runs/run-summary';
import { line, ms } from './measure';

/** Everything a page or a file asks of a case. */
const askAll = (input: CaseInput) => {
  const job = assembleCase(input)!;
  return [lineOf(job), job.plan.next, job.offers, job.proof, job.opinion.leans, job.popular];
};

const middle = (times: number[]) => median(times);
const most = (times: number[]) => quantile(times, 0.95);
const timed = (work: () => unknown): number => {
  const began = performance.now();
  work();
  return performance.now() - began;
};

const CHECK: Pick<RecordEvent, 'kind' | 'payload'> & object = {
  kind: 'check.recorded',
  payload: { check: 'hose-rush', readings: { felt: 'rush', coolantC: 86, by: 'hand' } }
} as never;

/** How long a case of the demo takes: the first time it is seen, again after a reload, and with one finding more. */
export function casesBench(): void {
  const texts = readdirSync('demo/year').map((f) => readFileSync(`demo/year/${f}`, 'utf8'));
  const inputs = texts.map((text): { text: string; runs: RunSummary[]; file: JobFile } => {
    const read = readJobFile(JSON.parse(text));
    if (!read.ok) throw new Error('a demo job cannot be read');
    const known = caseOfFile(read.value);
    if (!known.ok) throw new Error(JSON.stringify(known.problems));
    return { text, runs: [...known.value.runs], file: read.value };
  });
  // Plain data as a page gets it: every object new, nothing to be recognised by identity.
  const fresh = ({ file, runs }: (typeof inputs)[number]): CaseInput =>
    JSON.parse(
      JSON.stringify({
        events: file.events.filter((e) => e.kind !== 'job.closed'),
        vehicleFacts: [],
        runs,
        sheet: file.sheet,
        shop: USUAL_SHOP,
        causes: {},
        at: file.exportedAt
      })
    );
  const jobs = inputs.map(fresh);
  const first = jobs.map((j) => timed(() => askAll(j)));
  const again = inputs.map(fresh).map((j) => timed(() => askAll(j)));
  const more = (ask: (input: CaseInput) => unknown) =>
    inputs.map(fresh).flatMap((j) => {
      askAll(j);
      const read = readEvent({
        id: '5f6a7c1e-9999-4999-8999-999999999999',
        stream: j.events[0].stream,
        who: 'Maren Oake',
        at: j.events.at(-1)!.at,
        ...CHECK
      });
      if (!read.ok) return [];
      const events = [...j.events, read.value];
      return [timed(() => ask({ ...j, events }))];
    });
  const forLists = more((j) => lineOf(assembleCase(j)!));
  const forPages = more(askAll);
  line('the case of a demo job, first seen', `${ms(middle(first))}, 95 % under ${ms(most(first))}`);
  line('the same after a reload', `${ms(middle(again))}, 95 % under ${ms(most(again))}`);
  line(
    'one finding more: checks, suspects, proof',
    `${ms(middle(forLists))}, 95 % under ${ms(most(forLists))}`
  );
  line(
    'one finding more: plan, advice and costs too',
    `${ms(middle(forPages))}, 95 % under ${ms(most(forPages))}`
  );
}
