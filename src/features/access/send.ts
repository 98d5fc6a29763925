import { answerOf, type Answer } from '$lib/ui/outbox/record.svelte';
import type { Problem } from '$core/base/result';

/** The fields of these forms as they stand there. */
const FIELDS: Readonly<Record<string, string>> = {
  name: 'Name',
  passphrase: 'Passphrase',
  code: 'Code',
  pin: 'PIN',
  role: 'Role'
};
const named = (p: Problem): Problem => ({ ...p, field: p.field && (FIELDS[p.field] ?? p.field) });

type Fine = { readonly ok: true; readonly link?: string };

/** Asks the server for one thing about people and their access. */
export async function send(
  what: 'sign-in' | 'sign-out' | 'pin' | 'set-pin' | 'join' | 'people',
  body: unknown
): Promise<Fine | { readonly ok: false; readonly problems: readonly Problem[] }> {
  const answer: Answer = await answerOf(
    fetch(`/api/access/${what}`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body)
    })
  );
  return answer.ok ? answer : { ok: false, problems: answer.problems.map(named) };
}

/** What a device is called until somebody names it: its kind, as its browser tells. */
export function deviceName(agent: string = navigator.userAgent): string {
  const kind = /iPad|Tablet/.test(agent)
    ? 'Tablet'
    : /Android/.test(agent)
      ? /Mobile/.test(agent)
        ? 'Phone'
        : 'Tablet'
      : /iPhone/.test(agent)
        ? 'Phone'
        : 'Computer';
  const system = /Android|iPhone|iPad|Windows|Mac OS|Linux/.exec(agent)?.[0];
  return system && !/iP/.test(system) ? `${kind}, ${system}` : kind;
}
