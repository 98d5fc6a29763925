/** A self-test of the control unit that a standard names (SAE J1979, service 01, identifier 01). */
const CONTINUOUS = ['Misfire', 'Fuel system', 'Components'] as const;
const SPARK = [
  'Catalyst',
  'Heated catalyst',
  'Evaporative system',
  'Secondary air',
  'Petrol particle filter',
  'Oxygen sensor',
  'Oxygen sensor heater',
  'EGR or valve timing'
] as const;
const COMPRESSION = [
  'Hydrocarbon catalyst',
  'NOx treatment',
  null,
  'Boost pressure',
  null,
  'Exhaust gas sensor',
  'Particle filter',
  'EGR or valve timing'
] as const;

/** What the control unit says of its own tests since codes were cleared. */
export interface Readiness {
  /** The lamp is on. */
  readonly lamp: boolean;
  readonly codes: number;
  readonly complete: readonly string[];
  /** Supported and not run to the end yet: a drive that shows nothing proves nothing there. */
  readonly incomplete: readonly string[];
}

/** Readiness from the four bytes behind identifier 01; null where there are fewer. */
export function readReadiness(data: Uint8Array): Readiness | null {
  if (data.length < 4) return null;
  const [a, b, c, d] = data;
  const complete: string[] = [];
  const incomplete: string[] = [];
  const take = (name: string | null, supported: boolean, open: boolean) => {
    if (name && supported) (open ? incomplete : complete).push(name);
  };
  CONTINUOUS.forEach((name, i) => take(name, (b & (1 << i)) !== 0, (b & (0x10 << i)) !== 0));
  const own = (b & 0x08) !== 0 ? COMPRESSION : SPARK;
  own.forEach((name, i) => take(name, (c & (1 << i)) !== 0, (d & (1 << i)) !== 0));
  return { lamp: (a & 0x80) !== 0, codes: a & 0x7f, complete, incomplete };
}

/** Readiness in a sentence. */
export const readinessSaid = ({ lamp, codes, complete, incomplete }: Readiness): string =>
  `the control unit's own tests since codes were cleared: ${complete.length} of ${complete.length + incomplete.length} complete${
    incomplete.length > 0 ? `, not yet: ${incomplete.join(', ').toLowerCase()}` : ''
  }; lamp ${lamp ? 'on' : 'off'}, ${codes} code${codes === 1 ? '' : 's'}`;
