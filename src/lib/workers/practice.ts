import type { PracticeCase } from '../../core/practice/case';
import type { Move } from '../../core/practice/moves';
import { NotPossible, playedTo } from '../../simulation/practice/practice';
import { reviewOf, type Review } from '../../simulation/practice/review';
import { viewOf, type PracticeView } from '../../simulation/practice/view';

export interface PracticeTask {
  readonly of: PracticeCase;
  readonly moves: readonly Move[];
  /** Whether its review is wanted, once it is over: it is told once, and kept. */
  readonly reviewed: boolean;
}
export type PracticeAnswer =
  | { readonly ok: true; readonly view: PracticeView; readonly review: Review | null }
  | { readonly ok: false; readonly message: string };

/** Plays a practice anew in a worker thread, so that no request waits for it; once it is over, with its review. */
export default function practise({ of, moves, reviewed }: PracticeTask): PracticeAnswer {
  try {
    const practice = playedTo(of, moves);
    return {
      ok: true,
      view: viewOf(of, practice),
      review: reviewed && practice.over ? reviewOf(of, moves) : null
    };
  } catch (error) {
    if (error instanceof NotPossible) return { ok: false, message: error.message };
    throw error;
  }
}
