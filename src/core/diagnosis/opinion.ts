import { contentKey, Recent } from '../base/content-key';
import { lazy } from '../base/lazy';
import type { CheckId } from '../checks/registry';
import type { SpecSheet } from '../vehicle/spec-sheet';
import type { Symptom } from '../vehicle/symptoms';
import type { JudgedCheck } from './judged';
import type { OwnFinding } from '../record/own-finding';
import { ownAsFinding } from './own-finding';
import type { ShopChecks } from '../record/shop-checks';
import { findingsOf, type RankedRun } from './findings';
import { historyOf, type Causes } from './history';
import { beliefOf, partRemoved, openChecks, worthOf, type Asked, type Worth } from './next';
import { leaningOn, toPosterior, type Leaning, type Posterior } from './posterior';
import type { ThermalState } from '../physics/heat/state';
import { USUAL_COSTS, type ShopCosts } from '../record/shop-costs';
import { adviceOf, type Advice } from './decide';

/** What is known of a job, as the second opinion asks for it. */
export interface JobKnown {
  readonly sheet: SpecSheet | null;
  readonly symptoms: readonly Symptom[];
  /** What was changed before, in somebody’s words. */
  readonly changedBefore?: string;
  readonly done: readonly JudgedCheck[];
  readonly runs?: readonly RankedRun[];
  readonly own?: readonly { readonly id: string; readonly finding: OwnFinding }[];
  /** What the shop's other closed jobs turned out to be. */
  readonly causes?: Causes;
  readonly costs?: ShopCosts;
  readonly shop?: ShopChecks;
  /** What was known before a repair, and what was repaired; while a repaired job is open. */
  readonly repaired?: Asked['repaired'];
  /** Checks that cannot be done where the vehicle is. */
  readonly skipped?: readonly CheckId[];
  /** Where the engine is on the heat line. */
  readonly phase: ThermalState['phase'];
}

export interface Opinion {
  /** Of what it rests on. */
  readonly key: string;
  readonly asked: Asked;
  readonly now: Posterior;
  /** Findings without which another suspect would lead. */
  readonly leans: readonly Leaning[];
  /** What each open check is worth, the best first. */
  readonly worth: readonly Worth[];
  readonly advice: Advice;
  /** The check to do before acting; null where acting is due. */
  readonly advised: CheckId | null;
}

/** What is asked of a job: its findings, and what bears on them. */
const askedOf = (job: JobKnown): Asked => ({
  findings: findingsOf({
    symptoms: job.symptoms,
    changedBefore: job.changedBefore,
    done: job.done,
    runs: job.runs ?? [],
    own: (job.own ?? []).map(({ id, finding }) => ownAsFinding(id, finding)),
    sheet: job.sheet
  }),
  sheet: job.sheet,
  history: historyOf(job.causes ?? {}),
  ...(job.repaired ? { repaired: job.repaired } : {}),
  state: { phase: job.phase },
  open: openChecks(job.done).filter((id) => !job.skipped?.includes(id)),
  removed: partRemoved(job.done),
  shop: job.shop
});

/** As many jobs as a shop looks at in an hour: a page that is opened again finds what was computed for it. */
const KEPT = new Recent<Opinion>(64);

/**
 * Everything the second opinion has to say of a job: suspects, what each check is worth, and whether to act. The same
 * findings on the same vehicle in the same shop give the same opinion, whichever page asks.
 */
export function opinionOf(job: JobKnown): Opinion {
  const asked = askedOf(job);
  const costs = job.costs ?? USUAL_COSTS;
  const key = keyOf(asked, costs);
  return KEPT.of(key, () => opinionOn(key, asked, costs));
}

/** Findings and sheet are the same objects from one entry to the next, and their keys are remembered. */
function keyOf({ findings, repaired, sheet, ...rest }: Asked, costs: ShopCosts): string {
  const before = repaired && [repaired.repairs, ...repaired.findings.map(contentKey)];
  return contentKey([findings.map(contentKey), before, contentKey(sheet), contentKey(costs), rest]);
}

/** What an opinion looked ahead to, as plain data: the part that takes a slow device long. */
export type LookedAhead = Pick<Opinion, 'key' | 'worth' | 'advice'>;
export const lookedAhead = ({ key, worth, advice }: Opinion): LookedAhead => ({ key, worth, advice });

const AHEAD = new Recent<LookedAhead>(8);
/** Takes over what another computer looked ahead to; it counts for an opinion on the very same contents alone. */
export const knowAhead = (ahead: LookedAhead): void => void AHEAD.put(ahead.key, ahead);

function opinionOn(key: string, asked: Asked, costs: ShopCosts): Opinion {
  const { belief, chances } = beliefOf(asked);
  const now = toPosterior(belief.of.space, chances);
  const leans = lazy(() => leaningOn(belief, asked.findings));
  const worth = lazy(() => AHEAD.get(key)?.worth ?? worthOf(asked));
  const advice = lazy(() => AHEAD.get(key)?.advice ?? adviceOf(asked, costs, worth(), now));
  return {
    key,
    asked,
    now,
    get leans() {
      return leans();
    },
    get worth() {
      return worth();
    },
    get advice() {
      return advice();
    },
    get advised() {
      return advice().actNow ? null : (advice().check?.id ?? null);
    }
  };
}
