import { Secret, TOTP } from 'otpauth';

const STEP_S = 30;
/** A phone's clock may be a step away. */
const WINDOW = 1;

const totp = (secret: Secret, name: string) =>
  new TOTP({ issuer: 'Pyrethos', label: name, secret, digits: 6, period: STEP_S });

/** A new secret, in base 32 as authenticators take it. */
export const newSecondFactor = (): string => new Secret({ size: 20 }).base32;

/** The address that an authenticator reads from a code. */
export const secondFactorUri = (secret: string, name: string): string =>
  totp(Secret.fromBase32(secret), name).toString();

/**
 * The time step a code belongs to (RFC 6238), where it is right now and later than `after`, so that nobody uses one
 * twice; null where it is not.
 */
export function stepOfCode(secret: string, code: string, after: number, nowMs: number): number | null {
  if (!/^\d{6}$/.test(code)) return null;
  const delta = totp(Secret.fromBase32(secret), '').validate({
    token: code,
    window: WINDOW,
    timestamp: nowMs
  });
  if (delta === null) return null;
  const step = Math.floor(nowMs / 1000 / STEP_S) + delta;
  return step > after ? step : null;
}
