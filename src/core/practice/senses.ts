import { checkOf, type CheckId } from '../checks/registry';
import { LOOK_IDS } from '../checks/coolant/looks';

/** What of a check eyes, ears and hands tell, and no instrument: whoever does it says it themselves. */
const SENSED: Partial<Record<CheckId, readonly string[]>> = {
  'level-and-look': LOOK_IDS,
  'hose-rush': ['felt'],
  'clutch-cold-turn': ['firstTurn'],
  'clutch-listen': ['cold', 'hot'],
  'clutch-play': ['moves', 'feels'],
  'fan-command': ['click', 'turns'],
  'fan-direct-feed': ['turns'],
  'combustion-gas': ['seen'],
  'cap-test': ['seal'],
  'relay-swap': ['then'],
  'relay-bench': ['clicks'],
  'pump-command': ['runs'],
  'thermostat-heater': ['powered', 'unpowered'],
  'air-rise': ['fan']
};
export const SENSED_CHECKS = Object.keys(SENSED) as CheckId[];

/** Something to be seen, heard or felt: how it truly is, and what it can be called. */
export interface Sensed {
  readonly field: string;
  readonly label: string;
  readonly is: string;
  readonly choices: readonly { readonly value: string; readonly label: string }[];
}

/** What there is to be sensed in these readings of a check. */
export function sensedIn(check: CheckId, readings: Readonly<Record<string, unknown>>): Sensed[] {
  const { fields } = checkOf(check);
  return (SENSED[check] ?? []).flatMap((name): Sensed[] => {
    const field = fields.find((f) => f.path === name);
    const is = readings[name];
    if (!field?.choices || typeof is !== 'string') return [];
    const choices = Object.entries(field.choices).map(([value, label]) => ({ value, label }));
    return [{ field: name, label: field.label, is, choices }];
  });
}
