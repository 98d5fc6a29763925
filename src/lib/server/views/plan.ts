import { assembleCase } from '../../../core/diagnosis/case';
import { stretchIndex, type Planned } from '../../../core/diagnosis/plan';
import { CAUTIONS } from '../../../core/measure/cautions';
import { PHASE_TITLES, PHASES } from '../../../core/physics/heat/phases';
import { loadCase } from '../cases/load-case';
import type { Database } from '../db/database';
import { backCode } from './back-code';
import { jobOr404 } from './job';

const onPaper = ({ check, minutes, done }: Planned) => ({
  title: check.title,
  decides: check.decides,
  minutes,
  tools: check.tools,
  result: done?.outcome.result ?? null,
  says: done?.outcome.says ?? null
});

/** The plan of a job on paper: its checks by the engine’s state, with what they need, and the code that leads back. */
export async function planView(db: Database, number: string, origin: string) {
  const { id, vehicle, complaint, ...job } = await jobOr404(db, number);
  const now = new Date().toISOString();
  const { plan, opinion, heat } = assembleCase(await loadCase(db, id, now))!;
  const listed = (all: readonly Planned[]) => all.filter((p) => p.suggested || p.done);
  const [line, any, bench] = [plan.line, plan.any, plan.bench].map(listed);
  const back = `${origin}/jobs/${job.number}`;
  const groups = [
    ...PHASES.map((phase, i) => ({
      title: PHASE_TITLES[phase],
      checks: line.filter((p) => p.from && stretchIndex(p.from) === i).map(onPaper)
    })),
    { title: 'At any time', checks: any.map(onPaper) },
    { title: 'At the bench', checks: bench.map(onPaper) }
  ].filter((g) => g.checks.length > 0);
  const cautions = [
    ...new Set(
      [...line, ...any, ...bench]
        .filter((p) => !p.done)
        .flatMap((p) => p.check.cautions.map((c) => CAUTIONS[c].text))
    )
  ];
  return {
    number: job.number,
    vehicle,
    complaint,
    now,
    phase: heat.phase === 'unknown' ? null : PHASE_TITLES[heat.phase],
    suspects: opinion.asked.findings.length > 0 ? opinion.now.suspects.slice(0, 3) : [],
    next: plan.next?.check.title ?? null,
    groups,
    cautions,
    back,
    code: await backCode(back)
  };
}
