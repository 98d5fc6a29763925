import { describe, expect, it } from 'vitest';
import { missingFor, USUAL_CHECKS } from './shop-checks';

describe('a shop without a tool', () => {
  const without = (...tools: (typeof USUAL_CHECKS)['without']) => ({ ...USUAL_CHECKS, without: tools });

  it('reads codes by a plain code reader, and commands no fan with it', () => {
    const reader = without('Scan tool that commands');
    expect(missingFor('codes', reader)).toBeNull();
    expect(missingFor('warm-idle', reader)).toBeNull();
    expect(missingFor('fan-command', reader)).toBe('Scan tool that commands');
  });

  it('commands none either where it has no scan tool at all', () => {
    expect(missingFor('fan-command', without('Scan tool'))).toBe('Scan tool that commands');
    expect(missingFor('codes', without('Scan tool'))).toBe('Scan tool');
    expect(missingFor('fan-command', USUAL_CHECKS)).toBeNull();
  });
});
