import type { SymptomId } from '../src/core/vehicle/symptoms';

/** The made-up world of the year: who works there, what drives there, how drivers talk. */
export const PEOPLE = ['Maren Oake', 'Tobin Skarre', 'Ysolt Brandy'] as const;

/** Fleet number, sheet, make and model, what it does. */
export const FLEET: readonly (readonly [string, string, string, string])[] = [
  ['QH-01', 'qh-11-fathom', 'Ostrelle Fathom 2.2 diesel', 'Ambulance, spare'],
  ['QH-02', 'qh-03-curlew', 'Tarrock Curlew 1.6', 'Ferry shuttle'],
  ['QH-04', 'qh-14-pip', 'Ostrelle Pip 1.0', 'Midwife'],
  ['QH-06', 'qh-26-scoot', 'Kvesta Scoot 1.2', 'Harbour office'],
  ['QH-08', 'qh-07-parcel', 'Kvesta Parcel 1.4 turbo', 'Bakery van'],
  ['QH-10', 'qh-05-drover', 'Lundmar Drover 2.9 diesel', 'Road gang'],
  ['QH-12', 'qh-03-curlew', 'Tarrock Curlew 1.6', 'School minibus, north'],
  ['QH-13', 'qh-26-scoot', 'Kvesta Scoot 1.2', 'Meter reader'],
  ['QH-15', 'qh-22-heron', 'Tarrock Heron 3.0', 'Fire tender, airfield'],
  ['QH-16', 'qh-14-pip', 'Ostrelle Pip 1.0', 'Library car'],
  ['QH-18', 'qh-11-fathom', 'Ostrelle Fathom 2.2 diesel', 'Patient transport'],
  ['QH-20', 'qh-07-parcel', 'Kvesta Parcel 1.4 turbo', 'Post van, ridge'],
  ['QH-21', 'qh-05-drover', 'Lundmar Drover 2.9 diesel', 'Tipper'],
  ['QH-23', 'qh-26-scoot', 'Kvesta Scoot 1.2', 'Lighthouse keeper'],
  ['QH-24', 'qh-19-plough', 'Lundmar Plough 6.7 diesel', 'Gritter, spare'],
  ['QH-25', 'qh-03-curlew', 'Tarrock Curlew 1.6', 'Community bus'],
  ['QH-27', 'qh-14-pip', 'Ostrelle Pip 1.0', 'Home help'],
  ['QH-29', 'qh-07-parcel', 'Kvesta Parcel 1.4 turbo', 'Fish market van'],
  ['QH-30', 'qh-11-fathom', 'Ostrelle Fathom 2.2 diesel', 'Mountain rescue'],
  ['QH-31', 'qh-03-curlew', 'Tarrock Curlew 1.6', 'School minibus, south'],
  ['QH-32', 'qh-26-scoot', 'Kvesta Scoot 1.2', 'Parking warden'],
  ['QH-33', 'qh-05-drover', 'Lundmar Drover 2.9 diesel', 'Refuse truck, spare'],
  ['QH-34', 'qh-14-pip', 'Ostrelle Pip 1.0', 'Vet'],
  ['QH-35', 'qh-07-parcel', 'Kvesta Parcel 1.4 turbo', 'Water works van'],
  ['QH-36', 'qh-22-heron', 'Tarrock Heron 3.0', 'Forestry'],
  ['QH-37', 'qh-26-scoot', 'Kvesta Scoot 1.2', 'Pool car'],
  ['QH-38', 'qh-11-fathom', 'Ostrelle Fathom 2.2 diesel', 'Quarry bus'],
  ['QH-39', 'qh-14-pip', 'Ostrelle Pip 1.0', 'Pool car'],
  ['QH-40', 'qh-03-curlew', 'Tarrock Curlew 1.6', 'Airfield crew bus']
];

/** These are logged month by month as they come in for service; the wax of the first of them grows tired in autumn. */
export const LOGGED = ['QH-31', 'QH-12', 'QH-01', 'QH-06'] as const;

/** How much earlier it opens, by months ago, °C. */
export const TIRED_C = [4.2, 3.6, 3.1, 1.2];

/** A driver’s words. */
export const WORDS: Readonly<Partial<Record<SymptomId, readonly string[]>>> = {
  'gauge-high': ['Needle goes up and scares me.', 'Runs hot, had to stop on the way.', 'Gauge near the red.'],
  'gauge-low': ['Needle never comes up.', 'Stays cold all the way to the airfield.'],
  'gauge-jumps': ['Gauge jumps about.', 'Needle drops and comes back.'],
  'heater-weak': ['Heater is no good.', 'Cold feet since the frost came.'],
  'heater-swings': ['Heater warm, then cold, then warm.'],
  'fan-always': ['Fan never stops.', 'Fan roars from the first minute.'],
  'fan-never': ['Never hear the fan any more.'],
  'fan-odd': ['Fan does as it likes.'],
  'smell-coolant': ['Sweet smell in the garage.', 'Wet patch where it stands.'],
  'smell-steam': ['Steam at the pier.', 'Boiled over at the chapel.'],
  'power-reduced': ['No power on the ridge, light on.'],
  'ac-off': ['Air conditioning gives up in the queue.'],
  'economy-poor': ['Drinks more than last year.'],
  'noise-roar': ['Howls like the ferry.'],
  'noise-rattle': ['Rattles at the front.', 'Grinds at idle.']
};
