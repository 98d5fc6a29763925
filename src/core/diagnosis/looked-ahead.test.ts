import { describe, expect, it } from 'vitest';
import { sheetOf } from '../../../tests/support/check-bench';
import { knowAhead, lookedAhead, opinionOf, type JobKnown } from './opinion';

const known = (what: 'gauge-low' | 'gauge-high' | 'heater-weak'): JobKnown => ({
  sheet: sheetOf('qh-03-curlew'),
  symptoms: [{ what, when: [] }],
  done: [],
  phase: 'cold'
});

describe('what another computer looked ahead to', () => {
  const there = opinionOf(known('gauge-low'));
  // As it travels: text, and back.
  const sent = JSON.parse(JSON.stringify(lookedAhead(there))) as ReturnType<typeof lookedAhead>;

  it('is the same after its way as text', () => {
    expect(sent.worth).toEqual(there.worth);
    expect(sent.advice).toEqual(there.advice);
  });

  it('counts for an opinion on the very same contents', () => {
    const here = opinionOf(known('gauge-high'));
    const marked = { key: here.key, worth: sent.worth.slice(0, 1), advice: sent.advice };
    knowAhead(marked);
    expect(here.worth).toEqual(marked.worth);
  });

  it('and for no other: with one thing more that was told it is computed here', () => {
    knowAhead(sent);
    const more = opinionOf(known('heater-weak'));
    expect(more.key).not.toBe(sent.key);
    expect(more.worth).not.toEqual(sent.worth);
    expect(more.worth.length).toBeGreaterThan(5);
  });
});
