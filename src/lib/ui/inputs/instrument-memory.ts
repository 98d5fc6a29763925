import {
  instrumentOf,
  instrumentSchema,
  type Instrument,
  type InstrumentId
} from '$core/measure/instruments';

/** Which instrument this browser used last at each place, so that it is chosen once. */
const KEY = 'instruments';

function kept(): Record<string, unknown> {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? '{}');
  } catch {
    return {};
  }
}

export function lastInstrument(place: string, otherwise: InstrumentId): Instrument {
  const parsed = instrumentSchema.safeParse(kept()[place]);
  return parsed.success ? parsed.data : instrumentOf(otherwise);
}

export function rememberInstrument(place: string, instrument: Instrument): void {
  try {
    localStorage.setItem(KEY, JSON.stringify({ ...kept(), [place]: instrument }));
  } catch {
    // Without storage it is chosen again.
  }
}
