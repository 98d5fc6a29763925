import { token } from './heat';

/** The letters of a canvas. */
export const FONT = "'Atkinson Hyperlegible Mono Variable', monospace";

export interface Palette {
  readonly ink: string;
  readonly soft: string;
  readonly line: string;
  readonly band: string;
  readonly good: string;
  readonly off: string;
  readonly card: string;
  readonly act: string;
}

/** The colours of a canvas in the present theme. */
export const palette = (): Palette => ({
  ink: token('--ink'),
  soft: token('--ink-2'),
  line: token('--line'),
  band: token('--band'),
  good: token('--good'),
  off: token('--off'),
  card: token('--card'),
  act: token('--act')
});
