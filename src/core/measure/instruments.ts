import { z } from 'zod';

/**
 * What a reading was taken with. Uncertainties are ± at 95 %, as instrument sheets state them; a shop that knows
 * its own better types it.
 */
export const INSTRUMENTS = {
  scan: { title: 'Scan value', uncertaintyC: 1, hint: 'rounded to 1\u202f°C by the control unit' },
  contact: { title: 'Contact probe', uncertaintyC: 1.5, hint: 'pressed on, with paste if there is any' },
  glass: { title: 'Immersion thermometer', uncertaintyC: 0.7, hint: 'in liquid or still air' },
  infrared: {
    title: 'Infrared, matt surface',
    uncertaintyC: 2.5,
    hint: 'aim at black plastic, rubber or matt tape'
  },
  'infrared-bright': {
    title: 'Infrared, bright metal',
    uncertaintyC: 8,
    hint: 'bright metal reads low; put matt tape on it'
  },
  weather: { title: 'Yard thermometer', uncertaintyC: 2, hint: 'in the shade, away from the wall' }
} as const;
export type InstrumentId = keyof typeof INSTRUMENTS;
const IDS = Object.keys(INSTRUMENTS) as [InstrumentId, ...InstrumentId[]];

export const instrumentSchema = z.object({
  kind: z.enum(IDS),
  /** The shop's own name for it, where it has several. */
  name: z.string().trim().max(40).default(''),
  /** ± at 95 %. */
  uncertaintyC: z
    .number()
    .positive('An uncertainty is above 0\u202f°C')
    .max(20, 'An instrument of more than ± 20\u202f°C measures nothing here')
});
export type Instrument = z.infer<typeof instrumentSchema>;

/** A temperature with what it was taken by. */
export const takenBy = <T extends z.ZodType<number>>(celsius: T) =>
  z.object({ celsius, instrument: instrumentSchema });

export const instrumentOf = (kind: InstrumentId): Instrument => ({
  kind,
  name: '',
  uncertaintyC: INSTRUMENTS[kind].uncertaintyC
});

/** A temperature as it is written down, to a tenth, with what it was read with. */
export const readWith = (celsius: number, kind: InstrumentId) => ({
  celsius: Math.round(10 * celsius) / 10,
  instrument: instrumentOf(kind)
});
