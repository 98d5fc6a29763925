import type { RequestEvent } from '@sveltejs/kit';
import { z } from 'zod';
import { database } from '../db/database';
import { browserOf, giveKeys } from './access';
import { pinFault } from './secrets';
import { sessionOf, setPin, type Keys } from './sessions';

/** A PIN for this device, asked for beside a passphrase; empty for none. */
const newPin = z
  .string()
  .max(8)
  .superRefine((pin, context) => {
    const fault = pin ? pinFault(pin) : null;
    if (fault) context.addIssue({ code: 'custom', message: fault });
  })
  .default('');

/** What is asked of whoever comes with a passphrase, by a link or again. */
export const comingIn = z.object({
  name: z.string().max(60).default(''),
  passphrase: z.string().max(400),
  code: z.string().max(10).default(''),
  deviceName: z.string().max(60).default(''),
  pin: newPin
});

/** Lets a browser keep what it signs in with, and the PIN that goes with its device. */
export async function keepSignedIn(event: RequestEvent, keys: Keys, pin: string): Promise<void> {
  giveKeys(event.cookies, event.url, keys);
  if (!pin) return;
  const session = await sessionOf(database(), { ...browserOf(event), ...keys });
  if (session) await setPin(database(), session, pin);
}
