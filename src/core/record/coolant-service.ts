import { z } from 'zod';
import { MOST_PCT } from '../physics/coolant/mixture';
import { say } from '../units/say';

const litres = z.number().min(0, 'Litres are 0 or more').max(200, 'No engine here holds 200 L');

/** Coolant that came out of an engine and went in again, and the mixture that is in it now. */
export const coolantServiceSchema = z
  .object({
    outL: litres,
    inL: litres,
    /** Glycol by volume of what went in, and of the whole afterwards, %. */
    withPct: z.number().min(0, 'A share is 0 to 100 %').max(100, 'A share is 0 to 100 %'),
    nowPct: z
      .number()
      .min(0, 'A share is 0 or more')
      .max(MOST_PCT, `Above ${MOST_PCT} % a mixture protects less again`),
    /** Whether all of it was changed, so that its age begins anew. */
    renewed: z.boolean(),
    odometerKm: z.number().min(0, 'A distance is 0\u00a0km or more').max(5_000_000).nullable()
  })
  .refine((s) => s.outL > 0 || s.inL > 0, { message: 'Nothing came out and nothing went in', path: ['inL'] });
export type CoolantService = z.infer<typeof coolantServiceSchema>;

export const coolantWords = (s: CoolantService): string =>
  `Coolant: ${say(s.outL, 'volume')} out, ${say(s.inL, 'volume')} of ${s.withPct} % in, now ${Math.round(s.nowPct)} %${s.renewed ? ', renewed' : ''}${s.odometerKm === null ? '' : `, at ${say(Math.round(s.odometerKm), 'distance')}`}`;
