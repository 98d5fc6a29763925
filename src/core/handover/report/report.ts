import { FAULTS, repairFor } from '../../faults/registry';
import { midSentence, sayChance, sentence } from '../../base/text';
import type { Case } from '../../diagnosis/case';
import { sayMoney } from '../../diagnosis/costs';
import type { RunSummary } from '../../runs/run-summary';
import { repairOf } from '../../vehicle/repairs';
import { CAUTIONS, type CautionId } from '../../measure/cautions';
import { checkOf } from '../../checks/registry';
import type { SpecSheet } from '../../vehicle/spec-sheet';
import { symptomText } from '../../vehicle/symptoms';
import type { Band } from '../../physics/plant/band';
import type { JobState } from '../../record/derive';
import type { JudgedCheck } from '../../diagnosis/judged';
import { coolantWords } from '../../record/coolant-service';
import { repairTitles, repairsDone } from '../../record/repair-done';
import { complaintText } from '../../record/describe-event';
import { stepsOf } from '../../diagnosis/steps';
import { compareFeatures, incomparable } from '../../runs/compare';
import type { Proof } from '../../diagnosis/proof';
import { notShownBy } from '../../runs/words';
import { say } from '../../units/say';
import { pictureOf, type Curve, type Picture } from './picture';
import { summaryOf } from './summary';

/** The curve of a run, for the picture. */
export interface ReportCurve {
  readonly curve: Curve;
  readonly band: Pick<Band, 't' | 'low' | 'high'> | null;
}

export interface ReportTable {
  readonly title: string;
  readonly note?: string;
  readonly head: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

/**
 * A job as it is handed over, in sentences and tables: whoever draws it (page, PDF) adds nothing but shape. Units as
 * `say.ts` writes them, so that the reader's choice is made by `inUnits`.
 */
export interface Report {
  readonly title: string;
  readonly subtitle: string;
  /** Plain words for whoever owns the vehicle, a paragraph each. */
  readonly summary: readonly string[];
  readonly facts: readonly (readonly [string, string])[];
  readonly picture: (Picture & { readonly caption: string }) | null;
  readonly tables: readonly ReportTable[];
  readonly lists: readonly { readonly title: string; readonly items: readonly string[] }[];
  readonly cautions: readonly string[];
  readonly deference: string;
}

export interface ReportParts {
  readonly number: number;
  readonly vehicle: {
    readonly fleetNo: string;
    readonly name: string;
    readonly note: string;
    /** It came with the demo. */
    readonly demo: boolean;
  };
  readonly case: Case;
  /** Curves of the runs that the case holds side by side, by their id. */
  readonly curves: Readonly<Record<string, ReportCurve>>;
  /** A date as the shop writes it. */
  readonly date: (iso: string) => string;
}

const DEFERENCE =
  'The maker’s service information, local rules and licensed practice come before anything in this report. Its limits are those of the spec sheet the workshop entered, or of Pyrethos where the sheet had none.';

const RESULT_WORDS = {
  pass: 'good',
  fail: 'not good',
  unclear: 'not clear',
  void: 'does not count'
} as const;

/** Cautions that stay true when the vehicle has left the workshop. */
const TO_TAKE_HOME: readonly CautionId[] = ['hot-cap', 'fan-starts', 'coolant'];

export function reportOf(parts: ReportParts): Report {
  const { number, vehicle, case: known, curves, date } = parts;
  const { state, sheet, proof, pair } = known;
  const { before, after } = pair;
  return {
    title: `${vehicle.fleetNo} ${vehicle.name}`,
    subtitle: `Job ${number}, opened ${date(state.openedAt)}${state.closedAt ? `, closed ${date(state.closedAt)}` : ', still open'}`,
    summary: summaryOf(known, date),
    facts: factRows(parts),
    picture: picture(before && curves[before.id], after && curves[after.id], sheet),
    tables: [
      ...(before && after ? [comparison(before, after)] : []),
      ...(known.suspected ? [suspects(known)] : []),
      ...(known.weighed ? [choices(known)] : []),
      readings(known.entered, date),
      ...runTable(known.runs, date),
      ...(proof ? [proven(proof)] : [])
    ].filter((t) => t.rows.length > 0),
    lists: [
      { title: 'What was done', items: done(state, sheet, date) },
      { title: 'What was not done, and what is open', items: notDone(known, date) }
    ].filter((l) => l.items.length > 0),
    cautions: TO_TAKE_HOME.map((id) => CAUTIONS[id].text),
    deference: DEFERENCE
  };
}

function factRows({ vehicle, case: { state, sheet, costs } }: ReportParts): (readonly [string, string])[] {
  const rows: [string, string][] = [
    ['Vehicle', [vehicle.fleetNo, vehicle.name, vehicle.note].filter(Boolean).join(', ')],
    ...(vehicle.demo
      ? [
          ['Demo', 'A vehicle of the demo: what was read of it is made up or simulated'] satisfies [
            string,
            string
          ]
        ]
      : []),
    [
      'Complaint',
      [
        complaintText(state.intake),
        ...(state.intake.complaint ? state.intake.symptoms.map(symptomText) : [])
      ].join('; ')
    ]
  ];
  if (state.intake.changedBefore) rows.push(['Changed before', state.intake.changedBefore]);
  rows.push(['Spec sheet', sheet?.name ?? 'none: nothing could be judged against this engine’s own limits']);
  if (state.decision)
    rows.push([
      'Decided',
      [
        `${repairTitles(state.decision.done.repairs)}, by ${state.decision.who}: ${state.decision.done.why}`,
        ...(state.decision.done.expected === null
          ? []
          : [`expected total ${sayMoney(state.decision.done.expected, costs)}`])
      ].join('; ')
    ]);
  rows.push(['Ended', state.outcome ?? 'not closed yet']);
  return rows;
}

function picture(
  before: ReportCurve | null | undefined,
  after: ReportCurve | null | undefined,
  sheet: SpecSheet | null
): Report['picture'] {
  const drawn = pictureOf({
    before: before?.curve ?? null,
    after: after?.curve ?? null,
    band: (after ?? before)?.band ?? null,
    levels: [
      ...(sheet?.thermostat?.startOpenC
        ? [{ name: 'thermostat starts', celsius: sheet.thermostat.startOpenC }]
        : []),
      ...(sheet?.limits?.stopC ? [{ name: 'stop', celsius: sheet.limits.stopC }] : [])
    ]
  });
  const caption = after
    ? 'Coolant over time: before the repair (dashed), after it (full), and the band in which this engine should run under the conditions of the later run (grey).'
    : 'Coolant over time, and the band in which this engine should run under these conditions (grey).';
  return drawn && { ...drawn, caption };
}

function comparison({ features: a }: RunSummary, { features: b }: RunSummary): ReportTable {
  const unlike = incomparable(a, b);
  return {
    title: 'Before and after',
    note: unlike.length > 0 ? `The two runs are not quite alike: ${unlike.join('; ')}.` : undefined,
    head: ['Of the run', 'Before', 'After', 'Change'],
    rows: compareFeatures(a, b)
      .filter((r) => r.judged !== 'missing' || r.a !== '–' || r.b !== '–')
      .map((r) => [r.name, r.a, r.b, r.by ?? ''])
  };
}

/** So many suspects are told; the rest is in the job. */
const FAULTS_TOLD = 4;

/** The second opinion that the repair rests on, or the present one where there was no repair. */
const suspects = ({ opinionBefore, repairedAt }: Case): ReportTable => ({
  title: repairedAt ? 'Suspects before the repair' : 'Suspects',
  head: ['Suspect', 'Chance', 'Repair'],
  rows: opinionBefore.now.suspects
    .slice(0, FAULTS_TOLD)
    .map((s) => [
      FAULTS[s.fault].title,
      sayChance(s.probability),
      s.fault === 'none' ? '' : repairOf(repairFor(s.fault)).deed
    ])
});

/** What was there to decide between, as job page and closing page show it. */
const choices = ({ offers, costs }: Case): ReportTable => ({
  title: 'Repairs that were weighed',
  note: 'The expected total counts parts, labour, days off the road, and the comeback where it would not cure.',
  head: ['Repair', 'Chance of cure', 'Cost', 'Expected total'],
  rows: offers.map((o) => [
    repairTitles(o.repairs),
    sayChance(o.cures),
    sayMoney(o.total, costs),
    sayMoney(o.expected, costs)
  ])
});

/** Of a check that passed a few numbers are enough; of any other every one. */
const ENOUGH = 3;
function limitsOf({ outcome }: JudgedCheck): string {
  const held = outcome.numbers.filter((n) => n.limit).map((n) => `${n.name} ${n.value} (${n.limit})`);
  const few = outcome.result === 'pass' ? held.slice(0, ENOUGH) : held;
  return [...few, ...(held.length > few.length ? [`${held.length - few.length} more`] : [])].join('; ');
}

const readings = (judged: readonly JudgedCheck[], date: ReportParts['date']): ReportTable => ({
  title: 'Readings against their limits',
  head: ['Check', 'When', 'Found', 'Limits', 'Result'],
  rows: judged.map((d) => [
    checkOf(d.check).title,
    date(d.at),
    [d.outcome.says, d.outcome.voidBecause].filter(Boolean).join('. '),
    limitsOf(d),
    RESULT_WORDS[d.outcome.result]
  ])
});

const runTable = (runs: readonly RunSummary[], date: ReportParts['date']): ReportTable[] => [
  {
    title: 'Temperature logs',
    head: ['Log', 'When', 'Verdict', 'In words'],
    rows: runs.map((r) => [r.fileName, date(r.at), r.title, r.sentence])
  }
];

const proven = (proof: Proof): ReportTable => ({
  title: proof.proven ? 'How the repair is proven' : 'What the proof has, and what it lacks',
  head: ['What', 'Shown', 'By'],
  rows: proof.items.map((i) => [i.title, i.met ? 'yes' : i.needed ? 'no' : 'not shown', i.says])
});

function done(state: JobState, sheet: SpecSheet | null, date: ReportParts['date']): string[] {
  const items = state.repairs.flatMap(({ at, who, done: r }) => {
    const steps = stepsOf(r.repairs, r.withoutDrain);
    const left = steps.filter((s) => !r.steps.includes(s.id));
    const parts = r.parts
      .filter((p) => p.partNo || p.supplier)
      .map((p) => ['part', p.partNo, p.supplier && `from ${p.supplier}`].filter(Boolean).join(' '));
    const tightened = Object.entries(r.torqueNm).map(([id, nm]) => {
      const due = steps.find((s) => s.id === id)?.torque;
      const by = due ? sheet?.torqueNm?.[due] : undefined;
      return `tightened with ${say(nm, 'torque')}${by ? ` (sheet: ${say(by, 'torque')})` : ''}`;
    });
    return [
      [`${sentence(repairsDone(r.repairs))}, by ${who}, ${date(at)}`, ...parts, ...tightened].join('; '),
      ...(left.length > 0 ? [`Not ticked: ${left.map((s) => s.text.toLowerCase()).join('; ')}`] : [])
    ];
  });
  if (state.coolant) items.push(coolantWords(state.coolant.service));
  return items;
}

/** So many of what a log could not show; the rest is counted. */
const BLIND_NAMED = 5;

function notDone({ state, proof, runs, entered }: Case, date: ReportParts['date']): string[] {
  const items: string[] = [];
  const open = proof?.items.filter((i) => i.needed && !i.met) ?? [];
  if (open.length > 0) items.push(`Not proven: ${open.map((i) => midSentence(i.title)).join('; ')}`);
  const last = runs.at(-1);
  const blind = last ? notShownBy(last) : [];
  const named = blind.slice(0, BLIND_NAMED).map((b) => midSentence(FAULTS[b].title));
  const more = blind.length - named.length;
  if (blind.length > 0)
    items.push(`The last log could not show ${list(more > 0 ? [...named, `${more} more`] : named)}`);
  const voided = entered
    .filter((d) => d.outcome.result === 'void')
    .map((d) => midSentence(checkOf(d.check).title));
  if (voided.length > 0) items.push(`Done under conditions in which it does not count: ${list(voided)}`);
  if (runs.length === 0) items.push('No temperature log was made');
  if (state.lookAgain) items.push(`Recheck on ${date(state.lookAgain)}`);
  if (state.recheck)
    items.push(
      `Rechecked: ${state.recheck.done.holds ? 'still good' : 'the fault is back'}${state.recheck.done.note ? `, ${state.recheck.done.note}` : ''}`
    );
  return items;
}

/** Names in a row, the last with “and”. */
export const list = (names: readonly string[]): string =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
