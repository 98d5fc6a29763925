import type { CheckId } from '../checks/registry';
import type { FaultId } from '../vehicle/faults';
import { LEVEL_IDS, type Level } from './case';

/** A practice that is over. */
export interface Past {
  readonly caseId: string;
  readonly level: Level;
  /** ISO 8601. */
  readonly endedAt: string;
  readonly points: number;
  readonly hurt: boolean;
  /** What was wrong with it; `none` where nothing was. */
  readonly truth: readonly FaultId[];
  /** Each check that was done: what it told, and what the best was expected to tell then. Bits. */
  readonly checks: readonly { readonly check: CheckId; readonly bits: number; readonly best: number }[];
}

/** From so many points on a case counts as done well. */
export const WELL = 70;
/** A case that was done well comes back after so many days, each time after twice as many. */
const FIRST_DAYS = 2;
const DAY_MS = 86_400_000;
/** So many of a level done well, and the next is open. */
const OPENS = 3;

/** Kinds of fault with how they went, the weakest first. */
export function weakest(past: readonly Past[]): { fault: FaultId; times: number; points: number }[] {
  const by = new Map<FaultId, number[]>();
  for (const p of past.toSorted((a, b) => a.endedAt.localeCompare(b.endedAt)))
    for (const fault of p.truth) by.set(fault, [...(by.get(fault) ?? []), p.points]);
  return [...by]
    .map(([fault, all]) => ({ fault, times: all.length, points: Math.round(recent(all)) }))
    .toSorted((a, b) => a.points - b.points || a.fault.localeCompare(b.fault));
}

/** Worth doing then: it told, or was expected to tell, so much of what the best would have. */
const WORTH_IT = 0.5;

/** Kinds of check by how often they were worth doing when they were done, the seldomest first. */
export function choicesBy(past: readonly Past[]): { check: CheckId; times: number; well: number }[] {
  const by = new Map<CheckId, { times: number; well: number }>();
  for (const { check, bits, best } of past.flatMap((p) => p.checks)) {
    const had = by.get(check) ?? { times: 0, well: 0 };
    by.set(check, { times: had.times + 1, well: had.well + (bits >= WORTH_IT * best ? 1 : 0) });
  }
  return [...by]
    .map(([check, counts]) => ({ check, ...counts }))
    .toSorted((a, b) => a.well / a.times - b.well / b.times || b.times - a.times);
}

/** The last three, the latest counting most. */
const recent = (all: readonly number[]): number => {
  const last = all.slice(-3);
  const weights = last.map((_, i) => i + 1);
  return last.reduce((sum, v, i) => sum + v * weights[i], 0) / weights.reduce((a, b) => a + b, 0);
};

/** The highest level that is open to somebody: the first, and each after three done well of the one below. */
export function levelOf(past: readonly Past[]): Level {
  const well = (level: Level) =>
    new Set(past.filter((p) => p.level === level && p.points >= WELL).map((p) => p.caseId)).size;
  return LEVEL_IDS.findLast((l) => l === 1 || well((l - 1) as Level) >= OPENS) ?? 1;
}

/**
 * What to practise next, of these cases: first one that went badly and is due again, then one that is new at the level
 * that is open, then whatever is due soonest. A case that was done well comes back after 2, 4, 8 … days; one that went
 * badly after a day. Null where there are no cases.
 */
export function nextOf(
  cases: readonly { readonly id: string; readonly level: Level }[],
  past: readonly Past[],
  now: string
): string | null {
  const level = levelOf(past);
  const open = cases.filter((c) => c.level <= level);
  const due = open
    .flatMap((c) => {
      const own = past
        .filter((p) => p.caseId === c.id)
        .toSorted((a, b) => a.endedAt.localeCompare(b.endedAt));
      const last = own.at(-1);
      if (!last) return [];
      let streak = 0;
      while (streak < own.length && own[own.length - 1 - streak].points >= WELL) streak++;
      const days = streak === 0 ? 1 : FIRST_DAYS * 2 ** (streak - 1);
      return [{ id: c.id, badly: streak === 0, at: Date.parse(last.endedAt) + days * DAY_MS }];
    })
    .toSorted((a, b) => a.at - b.at);
  const ready = due.filter((d) => d.at <= Date.parse(now));
  const badly = ready.find((d) => d.badly);
  if (badly) return badly.id;
  const fresh = open
    .filter((c) => !past.some((p) => p.caseId === c.id))
    .toSorted((a, b) => b.level - a.level)[0];
  return fresh?.id ?? ready[0]?.id ?? due[0]?.id ?? null;
}
