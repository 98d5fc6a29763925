import { goto } from '$app/navigation';
import type { Problem } from '$core/base/result';
import type { Move } from '$core/practice/moves';
import { answerOf } from '$lib/ui/outbox/record.svelte';

const post = (path: string, body: object) =>
  answerOf(
    fetch(path, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body)
    })
  );

/** Makes a move; what was wrong with it, where it was refused. */
export async function makeMove(practice: string, move: Move): Promise<readonly Problem[]> {
  const answer = await post(`/api/practice/${practice}`, { id: crypto.randomUUID(), move });
  return answer.ok ? [] : answer.problems;
}

/** Begins a case and goes there; what was wrong, where it was refused. */
export async function begin(caseId: string): Promise<readonly Problem[]> {
  const id = crypto.randomUUID();
  const answer = await post('/api/practice', { id, caseId });
  if (!answer.ok) return answer.problems;
  await goto(`/practice/${id}`);
  return [];
}
