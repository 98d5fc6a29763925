import { curesOf } from '../faults/registry';
import type { FaultId } from '../vehicle/faults';
import { repairOf, type RepairId } from '../vehicle/repairs';
import type { Finding } from './finding';

/** Before the name of a part: nothing, or a word that leaves it the part of the cooling system it is. */
const PLAIN = 'new|the|a|an|another|second|changed|replaced|fitted|renewed|our|his|her';
const part = (name: string, ...of: readonly string[]) =>
  new RegExp(`(?:^|\\b(?:${[PLAIN, ...of].join('|')}) )\\s*(?:${name})\\b`);

/**
 * The words by which people tell of a part they changed. Other pumps, caps, relays, clutches and sensors
 * are not of this system.
 */
const CALLED: readonly (readonly [RegExp, RepairId])[] = [
  [/thermostat/, 'thermostat'],
  [part('sensor|ect', 'coolant', 'temperature', 'temp', 'ect', 'engine'), 'ect-sensor'],
  [part('relay', 'fan'), 'relay'],
  [/fan motor\b/, 'fan-motor'],
  [/fan (controller|module)\b/, 'fan-controller'],
  [/\b(fan|viscous) clutch\b/, 'fan-clutch'],
  [part('pump', 'water', 'coolant'), 'water-pump'],
  [/radiator (was )?flushed|flushed the radiator|\bnew radiator\b/, 'radiator-inside'],
  [/heater (core|matrix)\b/, 'heater-core'],
  [part('cap', 'radiator', 'pressure', 'coolant', 'filler'), 'cap'],
  [part('gauge|sender', 'temperature', 'temp', 'coolant'), 'gauge']
];
/** It was looked at, and stayed. */
const KEPT = /\b(not|never|nothing|no new|checked|tested|original|old one)\b/;
/** So long ago that it says nothing of a complaint of today. */
const LONG_AGO = /\byears? ago|\bdecade/;
/** The complaint was there before, and is there still. */
const NO_HELP = /no better|no change|no help|not help|did ?n.t help|still|same|again|came back|in vain/;

/** A part that is new is at fault all the same about once in six; one that is not old, somewhat less often than any. */
const CAME_BACK = Math.log(1 / 6);
const NOT_OLD = Math.log(2 / 3);
/** Who fits another part may fit one that is not the right one, in nats; and who opens a system may leave air in it. */
const MAY_BE_ANOTHER: Readonly<Partial<Record<FaultId, number>>> = {
  'thermostat-low-rating': 0.3,
  'ect-wrong-part': 0.7
};
const AIR_LEFT = 0.4;

/**
 * Earlier work as evidence: a part that was changed and helped nothing speaks against itself, and so for what only
 * looks like it. Read from free words, part by part; what is not understood says nothing. Null where nothing is said.
 */
export function earlierWork(told: string): Finding | null {
  const text = told.toLowerCase();
  const changed = text
    .split(/[.;,]|\band\b/)
    .map((clause) => clause.trim())
    .filter((clause) => !KEPT.test(clause) && !LONG_AGO.test(clause))
    .flatMap((clause) => CALLED.filter(([words]) => words.test(clause)).map(([, id]) => id));
  if (changed.length === 0) return null;
  const weight = NO_HELP.test(text) ? CAME_BACK : NOT_OLD;
  const llr: Partial<Record<FaultId, number>> = {};
  for (const id of changed) for (const fault of curesOf(id)) llr[fault] = MAY_BE_ANOTHER[fault] ?? weight;
  if (changed.some((id) => repairOf(id).drains))
    llr['coolant-low'] = Math.max(AIR_LEFT, llr['coolant-low'] ?? 0);
  return { id: 'earlier-work', title: 'Changed before', says: told, llr, group: 'earlier' };
}
