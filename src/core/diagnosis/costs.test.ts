import { describe, expect, it } from 'vitest';
import { sayMoney } from './costs';

describe('money', () => {
  it.each([
    [57, 'tl', '57.00\u00a0tl'],
    [57.306, 'EUR', '57.31\u00a0EUR'],
    [1200.4, 'JPY', '1200\u00a0JPY'],
    [0, '', '0.00'],
    [12.5, '$', '12.50\u00a0$'],
    // Three letters that no standard knows are a name like any other.
    [3, 'ZZZ', '3.00\u00a0ZZZ']
  ])('%d in “%s” is written as a bill writes it', (amount, currency, written) => {
    expect(sayMoney(amount, { currency })).toBe(written);
  });
});
