import type { FaultId } from '../vehicle/faults';
import { midSentence } from '../base/text';
import type { PlantParams } from '../physics/plant/params';
import { sayC } from '../units/say';
import { defineFault, usual, type Curve, type Fault, type Shown } from './fault';
import { fanUnseen } from './unseen';

/** The electric fan, its relays, controller and command. */
const electricFan = (p: PlantParams) => p.fan.kind !== 'none';
const relayFan = (p: PlantParams) => p.fan.kind === 'stages';
/** A fan whose drive nobody named may be driven either way. */
const controllerFan = ({ fan }: PlantParams) =>
  fan.kind === 'proportional' || (fan.kind === 'stages' && fan.supposed);

const deadFan = {
  driven: (_: PlantParams, s: number) => ({ fanStrength: 1 - s }),
  /** The same fault in a log whose fan column is sensed at the fan itself. */
  silent: (_: PlantParams, s: number) => ({ fanStrength: 1 - s, fanDriveShown: s < 1 })
};

/** Relays weld a stage at a time: the low one up to half severity, then all. */
const stuckPct = (p: PlantParams, s: number): number =>
  p.fan.kind === 'stages' && p.fan.stages.length > 1 && s <= 0.5 ? p.fan.stages[0].pct : 100;

const beforeTheFan =
  (title: string) =>
  ({ maxC, fanOnC }: Shown) =>
    fanOnC === null || maxC >= fanOnC
      ? {
          because: `${midSentence(title)} would have changed the curve by less than this run can resolve`,
          toShow: 'Hold a fast idle until the fan has switched twice'
        }
      : {
          because: `coolant never reached ${sayC(fanOnC)}, where the fan should come on`,
          toShow: 'Hold a fast idle until the coolant reaches the fan’s switching temperature'
        };

const switchingUnseen = ({ maxC, fanOnC }: Shown) => ({
  because:
    fanOnC === null || maxC >= fanOnC
      ? 'the fan is not in the log'
      : `coolant never reached ${sayC(fanOnC)}, where the fan should come on`,
  toShow: 'Hold a fast idle until the fan switches, with its command logged'
});

/** What a driver tells of a fan that stands still, whatever keeps it from running. */
const STANDS_STILL = {
  'gauge-high': 0.35,
  'fan-never': 0.25,
  'smell-steam': 0.1,
  'power-reduced': 0.2,
  'ac-off': 0.14
};

/** All that leaves the fan without power or motion draws one curve; only the part that must be there differs. */
const deadCurve = (title: string, applies: (p: PlantParams) => boolean): Curve => ({
  kind: 'warms',
  scale: 'share of airflow lost',
  variants: deadFan,
  applies,
  plain: 1,
  blind: beforeTheFan(title)
});

export const fan = {
  'fan-relay-contacts': defineFault({
    title: 'Fan relay contacts burnt',
    means: 'Clicks, passes nothing',
    confirm: 'Contact drop, swap, socket feed',
    prior: 3,
    repair: 'relay',
    told: STANDS_STILL,
    codes: ['P0483'],
    like: ['fan-motor-dead'],
    part: 'fan relay',
    curve: deadCurve('Fan relay contacts burnt', relayFan)
  }),
  'fan-relay-welded': defineFault({
    title: 'Fan relay welded',
    means: 'Stays closed: the fan runs unasked',
    confirm: 'Relay out: the fan stops',
    prior: 3,
    repair: 'relay',
    told: { 'gauge-low': 0.12, 'fan-always': 0.9, 'noise-roar': 0.06 },
    worse: ['start', 'key-off'],
    part: 'fan relay',
    curve: {
      kind: 'warms',
      scale: 'drive without command, up to 100 %',
      variants: usual((p, s) => ({ fanStuckPct: stuckPct(p, s) })),
      applies: relayFan,
      severities: [0.4, 1],
      blind: fanUnseen
    }
  }),
  'fan-relay-coil': defineFault({
    title: 'Fan relay coil open',
    means: 'Coil open: no click',
    confirm: 'Coil resistance, swap',
    prior: 2,
    repair: 'relay',
    told: STANDS_STILL,
    codes: ['P0480', 'P0481', 'P0482', 'P0691', 'P0692', 'P0693', 'P0694'],
    like: ['fan-motor-dead'],
    part: 'fan relay',
    curve: deadCurve('Fan relay coil open', relayFan)
  }),
  'fan-command-missing': defineFault({
    title: 'Fan command missing',
    means: 'The control unit or its wire does not ask',
    confirm: 'Control pin at the threshold, commanded test',
    prior: 2,
    repair: 'fan-command',
    told: STANDS_STILL,
    codes: ['P0480', 'P0481', 'P0482', 'P0691', 'P0692', 'P0693', 'P0694'],
    part: 'electric fan',
    curve: {
      kind: 'warms',
      scale: 'no meaning',
      variants: usual(() => ({ fanCommandWorks: false })),
      applies: electricFan,
      plain: 1,
      blind: beforeTheFan('Fan command missing')
    }
  }),
  'fan-feed-open': defineFault({
    title: 'Fan feed open',
    means: 'Fuse, supply or ground',
    confirm: 'Volts at the supply pin',
    prior: 3,
    repair: 'connector',
    told: STANDS_STILL,
    codes: ['P0480', 'P0481', 'P0482', 'P0485', 'P0691', 'P0692', 'P0693', 'P0694'],
    like: ['fan-motor-dead'],
    part: 'electric fan',
    curve: deadCurve('Fan feed open', electricFan)
  }),
  'fan-motor-dead': defineFault({
    title: 'Fan motor dead',
    means: 'Motor, or what feeds it',
    confirm: 'Fused direct feed and its current',
    prior: 5,
    repair: 'fan-motor',
    told: STANDS_STILL,
    worse: ['idle', 'crawl', 'stopping'],
    codes: ['P0217', 'P0483', 'P0528'],
    part: 'electric fan',
    curve: deadCurve('Fan motor dead', electricFan)
  }),
  'fan-motor-weak': defineFault({
    title: 'Fan motor weak',
    means: 'Turns slowly, moves little air',
    confirm: 'Direct feed and its current',
    prior: 2,
    repair: 'fan-motor',
    told: { 'gauge-high': 0.2, 'noise-rattle': 0.6 },
    codes: ['P0484', 'P0494'],
    part: 'electric fan',
    curve: {
      kind: 'warms',
      scale: 'share of airflow lost, up to 80 %',
      variants: usual((_, s) => ({ fanStrength: 1 - 0.8 * s })),
      applies: electricFan,
      severities: [0.6, 1],
      blind: beforeTheFan('Fan motor weak')
    }
  }),
  'fan-controller-shorted': defineFault({
    title: 'Fan controller shorted',
    means: 'Drives the fan without a command',
    confirm: 'Command against output',
    prior: 3,
    repair: 'fan-controller',
    told: { 'gauge-low': 0.12, 'fan-always': 0.9, 'fan-odd': 0.75 },
    worse: ['start', 'key-off'],
    codes: ['P0484', 'P0493', 'P0495'],
    part: 'fan controller',
    curve: {
      kind: 'warms',
      scale: 'drive without command, up to 100 %',
      variants: usual((_, s) => ({ fanStuckPct: 40 + 60 * s, fanStuckWanders: true })),
      applies: controllerFan,
      severities: [0.3, 1],
      blind: fanUnseen
    }
  }),
  'fan-controller-dead': defineFault({
    title: 'Fan controller dead',
    means: 'No output with good supply and command',
    confirm: 'Command against output',
    prior: 3,
    repair: 'fan-controller',
    told: STANDS_STILL,
    codes: ['P0480', 'P0481', 'P0482', 'P0483', 'P0691', 'P0692', 'P0693', 'P0694'],
    like: ['fan-motor-dead'],
    part: 'fan controller',
    curve: deadCurve('Fan controller dead', controllerFan)
  }),
  'fan-setpoint-modified': defineFault({
    title: 'Fan switching point altered',
    means: 'An added resistor or another trick',
    confirm: 'A look for what was added, switching points against the sheet',
    prior: 1.5,
    repair: 'modification-out',
    told: { 'gauge-high': 0.2, 'fan-always': 0.15, 'fan-odd': 0.1 },
    part: 'electric fan',
    curve: {
      kind: 'warms',
      scale: 'fan up to 20 °C early',
      variants: { early: (_, s) => ({ fanShiftC: -20 * s }), late: (_, s) => ({ fanShiftC: 14 * s }) },
      applies: electricFan,
      severities: [0.4, 0.8],
      blind: switchingUnseen
    }
  })
} satisfies Partial<Record<FaultId, Fault>>;
