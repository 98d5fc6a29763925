import { describe, expect, it } from 'vitest';
import { ambientKpa, boilingC, hottestLiquidC, waterMoleFraction } from './boiling';

describe('boiling', () => {
  it.each([
    [0.5, 0, 108.0],
    [0.5, 90, 128.0],
    [0.5, 140, 135.9],
    [0, 90, 118.9]
  ])('of %d glycol at +%d kPa is %d °C', (share, kPa, celsius) => {
    expect(Math.abs(boilingC(share, kPa) - celsius)).toBeLessThan(0.3);
  });

  it('comes earlier on a mountain: water at 95 °C near 1500 m', () => {
    expect(ambientKpa(1500)).toBeCloseTo(84.6, 0);
    expect(boilingC(0, 0, ambientKpa(1500))).toBeCloseTo(95, 0);
  });

  it('has three water molecules in four at half and half', () => {
    // 499 g of water are 27.7 mol, 556.5 g of glycol 8.97 mol.
    expect(waterMoleFraction(0.5)).toBeCloseTo(27.7 / (27.7 + 8.97), 3);
    expect(() => waterMoleFraction(1.2)).toThrow('from 0 to 1');
  });

  it('bounds what a sealed system can hold by its cap', () => {
    expect(hottestLiquidC(110)).toBeLessThan(hottestLiquidC(140));
    expect(hottestLiquidC(110)).toBeGreaterThan(boilingC(0.5, 110));
    expect(hottestLiquidC(null)).toBeGreaterThan(hottestLiquidC(140));
  });
});
