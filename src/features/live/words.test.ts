import { describe, expect, it } from 'vitest';
import { degraded } from './words';

describe('a live view that is not well', () => {
  it('says nothing while all is well', () => {
    expect(degraded('recording', false, null, 1)).toBeNull();
    expect(degraded('waiting', true, null, 500)).toBeNull();
  });
  it.each([
    ['waiting', 'Waiting for the adapter'],
    ['no-answer', 'Is the ignition on'],
    ['not-kept', 'Nothing is saved'],
    ['adapter-gone', 'the gap will be marked'],
    ['gone', 'not known to the server'],
    ['ended', 'has been ended']
  ] as const)('%s: %s', (state, words) => {
    expect(degraded(state, false, null, 0)).toContain(words);
  });
  it('says before anything else that readings are not saved, typed ones too', () => {
    const said = degraded('not-kept', true, 'Jumped', 0);
    expect(said).toContain('watch the gauge');
    expect(said).toContain('do not stop the server');
  });
  it('names stale data by their age, and a reading that cannot be before anything else but a lost server', () => {
    expect(degraded('recording', false, null, 9.4)).toBe('The last reading is 9 s old.');
    expect(degraded('recording', false, 'Jumped faster than coolant can move', 0)).toContain(
      'Do not trust the number'
    );
    expect(degraded('lost', false, 'Jumped', 0)).toContain('does not hear from the server');
  });
});
