import { SYMPTOMS } from '../vehicle/symptoms';
import { FAULTS } from '../faults/registry';
import { midSentence } from '../base/text';
import { CAUTIONS } from '../measure/cautions';
import { wordsByHand, type ByHandReadings } from '../checks/by-hand';
import { checkOf } from '../checks/registry';
import type { RecordedCheck } from './derive';
import { symptomText } from '../vehicle/symptoms';
import { sayC } from '../units/say';
import { coolantWords } from './coolant-service';
import { decisionWords, quoteWords, recheckWords } from './decision';
import type { RecordEvent } from './events';
import type { Intake } from './intake';
import { markText } from './live';
import { ownWords } from './own-finding';
import { repairWords } from './repair-done';

/** A complaint in one line: the driver's words, or what was tapped. */
export const complaintText = (intake: Intake): string =>
  intake.complaint || intake.symptoms.map(symptomText).join('; ');

/** The readings of a check in a line. */
export const wordsOf = ({
  check,
  byHand,
  readings
}: Pick<RecordedCheck, 'check' | 'byHand' | 'readings'>): string =>
  byHand ? wordsByHand(readings as ByHandReadings) : checkOf(check).words(readings);

const clock = (s: number) => `${Math.floor(s / 60)}:${String(Math.floor(s % 60)).padStart(2, '0')}`;

/** What kind of entry it is, as a table filters and groups by it. */
export const ENTRY_TITLES: Readonly<Record<RecordEvent['kind'], string>> = {
  'vehicle.entered': 'Vehicle',
  'spec.saved': 'Spec sheet',
  'curve.saved': 'Sensor curve',
  'curve.dropped': 'Sensor curve',
  'job.opened': 'Job',
  'job.amended': 'Job',
  'job.noted': 'Note',
  'job.closed': 'Job',
  'job.reopened': 'Job',
  'job.rechecked': 'Recheck',
  'engine.noted': 'Engine',
  'check.recorded': 'Check',
  'check.skipped': 'Check',
  'complaint.tried': 'Complaint tried',
  'finding.added': 'Own finding',
  'part.quoted': 'Quote',
  'repair.decided': 'Decision',
  'repair.done': 'Repair',
  'coolant.serviced': 'Coolant',
  'stop.overridden': 'Caution',
  'caution.acknowledged': 'Caution',
  'photo.attached': 'Photo',
  'run.imported': 'Run',
  'run.started': 'Run',
  'run.marked': 'Run',
  'run.read': 'Run',
  'run.ended': 'Run',
  'shop.priced': 'Shop',
  'shop.equipped': 'Shop',
  'shop.staffed': 'Shop',
  'job.promised': 'Promise',
  'task.pinned': 'Board',
  'task.stretched': 'Board',
  undo: 'Undo'
};

const inGreenwich = (iso: string): string => `${iso.slice(0, 16).replace('T', ' ')} UTC`;

/**
 * An entry of a job's record in a line of plain words. A moment that it speaks of is written as `written` does: on the
 * wall of the shop where somebody reads it.
 */
export function describeEvent(event: RecordEvent, written: (iso: string) => string = inGreenwich): string {
  switch (event.kind) {
    case 'job.opened':
      return `Opened: ${complaintText(event.payload)}`;
    case 'job.amended':
      return `Complaint corrected: ${complaintText(event.payload)}`;
    case 'job.noted':
      return event.payload.text;
    case 'job.closed':
      return `Closed: ${event.payload.outcome}${event.payload.cause ? `, ${midSentence(FAULTS[event.payload.cause].title)}` : ''}`;
    case 'job.reopened':
      return `Fault is back: ${event.payload.why}`;
    case 'part.quoted':
      return quoteWords(event.payload);
    case 'repair.decided':
      return decisionWords(event.payload);
    case 'job.rechecked':
      return recheckWords(event.payload);
    case 'check.skipped':
      return `${checkOf(event.payload.check).title}: cannot be done here${event.payload.why ? `, ${event.payload.why}` : ''}`;
    case 'complaint.tried': {
      const { what, gone, how } = event.payload;
      return `Tried again: ${midSentence(SYMPTOMS[what].title)}, ${gone ? 'gone' : 'still there'}${how ? `; ${how}` : ''}`;
    }
    case 'repair.done':
      return repairWords(event.payload);
    case 'finding.added':
      return ownWords(event.payload);
    case 'shop.priced':
      return 'Costs of the shop';
    case 'shop.equipped':
      return 'Tools and minutes of the shop';
    case 'shop.staffed':
      return 'People and places of the shop';
    case 'job.promised':
      return event.payload.at === null ? 'No longer promised' : `Promised for ${written(event.payload.at)}`;
    case 'task.pinned': {
      const { title, person, place, start } = event.payload;
      const to = [person, place, start && written(start)].filter((p) => p !== null).join(', ');
      return to ? `Pinned on the board: ${title}, ${to}` : `No longer pinned: ${title}`;
    }
    case 'task.stretched':
      return `${event.payload.title} takes ${event.payload.minutes} min`;
    case 'run.imported':
      return `Imported ${event.payload.fileName}`;
    case 'run.started':
      return event.payload.source.kind === 'adapter'
        ? `Recording began over ${event.payload.source.name || event.payload.source.address}`
        : 'Recording began, readings typed';
    case 'run.marked':
      return `Mark at ${clock(event.payload.t)}: ${markText(event.payload)}`;
    case 'run.read':
      return `Read ${sayC(event.payload.coolantC)} at ${clock(event.payload.t)}`;
    case 'run.ended':
      return `Recording ended with ${event.payload.samples} samples`;
    case 'check.recorded': {
      const { check, replaces } = event.payload;
      const words = wordsOf(event.payload);
      return `${checkOf(check).title}${replaces ? ', corrected' : ''}: ${words}`;
    }
    case 'engine.noted':
      switch (event.payload.kind) {
        case 'started':
          return 'Engine started';
        case 'ran-until':
          return `Engine stopped${event.payload.coolantC === null ? '' : ` at ${sayC(event.payload.coolantC)}`}`;
        case 'measured':
          return `Coolant measured at ${sayC(event.payload.coolantC)}`;
      }
      break;
    case 'stop.overridden':
      return `Went on past a stop (${event.payload.danger}): ${event.payload.why}`;
    case 'caution.acknowledged':
      return `Understood: ${event.payload.cautions.map((c) => CAUTIONS[c].text.split('. ')[0]).join('; ')}`;
    case 'photo.attached':
      return `Photo${event.payload.caption ? `: ${event.payload.caption}` : ''}`;
    case 'vehicle.entered':
      return `Vehicle entered: ${event.payload.fleetNo} ${event.payload.name}`;
    case 'curve.saved':
      return `Sensor curve kept: ${event.payload.title}`;
    case 'coolant.serviced':
      return coolantWords(event.payload);
    case 'curve.dropped':
      return 'Sensor curve taken out of the library';
    case 'spec.saved':
      return 'Spec sheet saved';
    case 'undo':
      return 'Undid an entry';
  }
}
