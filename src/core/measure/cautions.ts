/** Cautions at the step where they matter. All of them defer to the maker's service information and local rules. */
export interface Caution {
  readonly text: string;
  /** Guards a person from injury: acknowledged once a job before readings are taken. */
  readonly guardsInjury: boolean;
}

const guard = (text: string): Caution => ({ text, guardsInjury: true });
const note = (text: string): Caution => ({ text, guardsInjury: false });

export const CAUTIONS = {
  'hot-cap': guard(
    'Hot coolant under pressure scalds. Leave the cap shut until the engine is below its safe temperature, then open it slowly under a cloth.'
  ),
  'fan-starts': guard(
    'An electric fan can start at any time, key off included. Disconnect it before hands go near.'
  ),
  'fan-stopped': guard(
    'Engine off, key out and with you, before a hand touches fan or belt. Never stop a turning fan with an object.'
  ),
  'fan-blades': guard(
    'Stay out of line with the blades while it turns. A fan whose bearing fails can shed them: stop the engine.'
  ),
  belts: guard('Belts and pulleys take clothing, hair and straps. Nothing loose near a running engine.'),
  'hot-parts': guard(
    'Housings, hoses and exhaust burn. Probe with gloves, and keep leads clear of what turns.'
  ),
  'indoor-running': guard('Run the engine outdoors or on extraction.'),
  'heated-bath': guard(
    'The bath and the thermostat in it scald, and a spring can eject the element. Eye protection, tongs.'
  ),
  'fused-feed': guard('Feed through a fuse of the circuit’s own rating. A stalled motor burns a bare wire.'),
  'test-pressure': guard(
    'Pump only to the rating of the cap. Release the pressure before the tester comes off. Eye protection.'
  ),
  'covered-radiator': guard(
    'A covered radiator boils an engine within minutes. Watch the coolant all the while, take the card away at the hot limit, and keep it clear of the fan.'
  ),
  'stop-limit': guard('Above the stop limit: load off, engine off.'),
  coolant: note('Coolant poisons people and animals. Catch what runs out and dispose of it by local rules.'),
  battery: note('Ignition off before a control unit or its plug is disconnected.')
} as const satisfies Readonly<Record<string, Caution>>;

export type CautionId = keyof typeof CAUTIONS;
export const CAUTION_IDS = Object.keys(CAUTIONS) as [CautionId, ...CautionId[]];
export const guardsInjury = (id: CautionId): boolean => CAUTIONS[id].guardsInjury;
