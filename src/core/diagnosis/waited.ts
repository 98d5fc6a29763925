import { checkOf } from '../checks/registry';
import type { ThermalState } from '../physics/heat/state';
import type { JobState, RecordedCheck } from '../record/derive';
import { minutesOf, type ShopChecks } from '../record/shop-checks';
import { USUAL_COSTS } from '../record/shop-costs';
import type { RunSummary } from '../runs/run-summary';
import { repairOf, type RepairId } from '../vehicle/repairs';
import { priceOf } from './costs';

/** What a vehicle waited for between one thing that was done on it and the next. */
export interface Waited {
  /** For its engine to be cold, or its cap to be safe, min by the clock. */
  readonly engineMin: number;
  /** For a part, from the decision to the repair, min by the clock. */
  readonly partMin: number;
  /** What is left, for a place or for hands, as it stood: how much of it anybody works in is the shop's to say. ISO 8601. */
  readonly idle: readonly { readonly from: string; readonly to: string }[];
}

/** Something that was done, with what it had to wait for. Milliseconds since 1970. */
interface Step {
  readonly from: number;
  readonly to: number;
  readonly needs: 'cold' | 'cool' | 'part' | null;
}

const MIN_MS = 60_000;
/** A run that began so near to the air was made on a cold engine, °C. */
const BEGAN_COLD_C = 5;

/** Repairs whose part was bought and not in stock. */
const waitsForPart = (repairs: readonly RepairId[], quotes: JobState['quotes']): boolean =>
  repairs.some(
    (id) => repairOf(id).price !== null && quotes.findLast((q) => q.done.repair === id)?.done.days !== 0
  );

function stepsOf(
  state: Pick<JobState, 'repairs' | 'quotes'>,
  checks: readonly RecordedCheck[],
  runs: readonly RunSummary[],
  shop: ShopChecks
): Step[] {
  const step = (to: string, minutes: number, needs: Step['needs']): Step => {
    const end = Date.parse(to);
    return { from: end - minutes * MIN_MS, to: end, needs };
  };
  return [
    ...checks.map(({ at, check }) => {
      const { needsSoak, gate } = checkOf(check);
      return step(at, minutesOf(check, shop), needsSoak ? 'cold' : gate === 'cap-cool' ? 'cool' : null);
    }),
    ...runs.map(({ at, features }) => {
      const over = features.startMinusAmbientC;
      const cold = over !== null && Math.abs(over) < BEGAN_COLD_C;
      return step(at, features.durationS / 60, cold ? 'cold' : null);
    }),
    ...state.repairs.map((r) =>
      step(
        r.at,
        priceOf(r.done.repairs, USUAL_COSTS).labourMin,
        waitsForPart(r.done.repairs, state.quotes) ? 'part' : null
      )
    )
  ].sort((a, b) => a.from - b.from);
}

/**
 * What a job's vehicle waited for, from its record: hands-on minutes are those of the catalogue, the engine cools by its
 * law. Null where it came back: what lies between was no waiting.
 */
export function waitedFor(
  state: Pick<JobState, 'openedAt' | 'comebacks' | 'decision' | 'repairs' | 'quotes'>,
  checks: readonly RecordedCheck[],
  runs: readonly RunSummary[],
  shop: ShopChecks,
  heatAt: (iso: string) => Pick<ThermalState, 'soakedFrom' | 'safeToOpenFrom'>
): Waited | null {
  if (state.comebacks > 0) return null;
  let engineMs = 0;
  let partMs = 0;
  const idle: { from: string; to: string }[] = [];
  const iso = (ms: number) => new Date(ms).toISOString();
  const idles = (from: number, to: number) => {
    if (to - from >= MIN_MS) idle.push({ from: iso(from), to: iso(to) });
  };
  const decided = state.decision ? Date.parse(state.decision.at) : Infinity;
  let free = Date.parse(state.openedAt);
  for (const { from, to, needs } of stepsOf(state, checks, runs, shop)) {
    if (from > free) {
      if (needs === 'part') {
        const ordered = Math.min(from, Math.max(free, decided));
        idles(free, ordered);
        partMs += from - ordered;
      } else {
        const heat = needs === null ? null : heatAt(iso(free));
        const ready = heat && (needs === 'cold' ? heat.soakedFrom : heat.safeToOpenFrom);
        const there = Math.min(from, Math.max(free, ready ? Date.parse(ready) : free));
        engineMs += there - free;
        idles(there, from);
      }
    }
    free = Math.max(free, to);
  }
  return { engineMin: Math.round(engineMs / MIN_MS), partMin: Math.round(partMs / MIN_MS), idle };
}
