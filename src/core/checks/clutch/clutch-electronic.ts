import { z } from 'zod';
import { defineField } from '../../units/field';
import { ENGAGED_RATIO, FREE_RATIO } from '../../physics/clutch/speed';
import type { SpecSheet } from '../../vehicle/spec-sheet';
import { say } from '../../units/say';
import { defineCheck, outcome } from '../check';
import { strength } from '../strength';
import { sayVolts } from '../circuit-check';
import { withoutElectronicClutch } from '../vehicle-has';

const fanRpm = z.number().min(0, 'A speed is 0 rpm or more').max(9000);
const speeds = {
  engineRpm: defineField(z.number().min(300, 'The engine turns at 300 rpm or more').max(9000), {
    label: 'Engine',
    quantity: 'rotation',
    bench: { instrument: 'tachometer', place: 'engine' }
  }),
  fanRpm: defineField(fanRpm, {
    label: 'Fan',
    quantity: 'rotation',
    bench: { instrument: 'tachometer', place: 'fan' }
  })
};
const readings = () =>
  z.object({
    pairs: defineField(
      z
        .array(
          z.object({
            commandPct: defineField(
              z.number().min(0, 'A command is 0 to 100 %').max(100, 'A command is 0 to 100 %'),
              { label: 'Command', quantity: 'share' }
            ),
            ...speeds
          })
        )
        .min(1, 'Take one command with its speeds at least')
        .max(30),
      { label: 'Commands with their speeds', add: 'Add the reading' }
    ),
    unplugged: defineField(z.object(speeds), { label: 'Unplugged it should engage' }).nullable(),
    /** Across its plug with the key on and the least command, where power is what frees it. */
    plugV: defineField(
      z.number('Volts are a number').min(0, 'Volts are 0 or more').max(32, 'No supply here is above 32 V'),
      {
        label: 'At its plug, least command',
        quantity: 'voltage',
        hint: 'if it is locked: power or seized',
        bench: { part: 'clutch-plug' }
      }
    )
      .nullable()
      .default(null),
    /** What the speed pickup gives, and the fan speed by tachometer at that moment. */
    pickup: defineField(
      z.object({
        hz: defineField(z.number().min(0.1, 'Pulses a second are above 0').max(5000), {
          label: 'Pulses a second',
          quantity: 'number'
        }),
        fanRpm: defineField(fanRpm.min(30), { label: 'Fan meanwhile', quantity: 'rotation' })
      }),
      { label: 'Speed pickup, if it is in doubt' }
    ).nullable()
  });
export type ClutchElectronicReadings = z.infer<ReturnType<typeof readings>>;

/** Commands must lie this far apart before following can be seen, %. */
const APART_PCT = 40;
const LOCKED = 0.78;
/** A coil gets its supply or it does not: half a battery lies clear of both. */
const POWERED_V = 6;
const PULSES_OFF = 0.12;

/** Share of its pulley's speed that a command should give: by the sheet's table, or a usual line. */
export function commandedShare(sheet: SpecSheet | null, pct: number): number {
  const rows = (sheet?.clutch?.kind === 'electronic' ? (sheet.clutch.speedTable ?? []) : [])
    .filter((r) => r.length >= 2 && r[1] <= 1.2)
    .sort((a, b) => a[0] - b[0]);
  const k = rows.findIndex((r) => r[0] >= pct);
  if (rows.length >= 2) {
    if (k <= 0) return k === 0 ? rows[0][1] : rows[rows.length - 1][1];
    const [a, b] = [rows[k - 1], rows[k]];
    return a[1] + ((b[1] - a[1]) * (pct - a[0])) / (b[0] - a[0]);
  }
  return FREE_RATIO + ((ENGAGED_RATIO - FREE_RATIO) * pct) / 100;
}

/** An electronically controlled clutch: does the fan follow its command, and what does it do unplugged. */
export const clutchElectronic = defineCheck({
  title: 'Electronic clutch',
  phases: ['R'],
  minutes: 6,
  decides: 'Follows the command, ignores it, or is locked; and what it does unplugged.',
  tools: ['Scan tool that commands', 'Optical tachometer', 'Meter'],
  cautions: ['indoor-running', 'belts', 'fan-blades'],
  gate: 'none',
  results: {
    sound: { against: ['clutch-circuit-open', 'clutch-seized', 'clutch-slipping'] },
    lockedWithPower: {
      seen: 'it is engaged at any command, with power at its plug',
      for: ['clutch-seized'],
      against: ['clutch-circuit-open', 'clutch-slipping']
    },
    lockedWithoutPower: {
      seen: 'it is engaged at any command, without power',
      for: ['clutch-circuit-open'],
      against: ['clutch-seized', 'clutch-slipping']
    },
    locked: { for: ['clutch-circuit-open', 'clutch-seized'], against: ['clutch-slipping'] },
    weak: {
      seen: 'it does not come up',
      for: ['clutch-slipping'],
      against: ['clutch-circuit-open', 'clutch-seized']
    },
    deaf: { for: ['clutch-slipping', 'clutch-circuit-open'] },
    // It is not carried along by its command, and is without power: its fluid is there, and nothing holds it.
    holdsUnplugged: { against: ['clutch-slipping', 'clutch-seized', 'clutch-circuit-open'] }
  },
  strength: strength(0.94, 0.004, 0.06, 'tachometer', 'Command against speed, and volts at its plug'),
  lacks: withoutElectronicClutch,
  readings,
  refuse: (r) =>
    r.pairs.flatMap(({ engineRpm, fanRpm }, i) =>
      fanRpm > engineRpm * 1.6
        ? [
            {
              field: `pairs.${i}.fanRpm`,
              message: `${say(fanRpm, 'rotation')} is faster than any pulley drives it at ${say(engineRpm, 'rotation')}`
            }
          ]
        : []
    ),
  judge(r, { sheet }) {
    const read = r.pairs.map((p) => ({
      ...p,
      share: p.fanRpm / p.engineRpm,
      due: commandedShare(sheet, p.commandPct)
    }));
    const pulses = r.pickup ? (r.pickup.hz * 60) / r.pickup.fanRpm : null;
    const duePulses = sheet?.clutch?.kind === 'electronic' ? (sheet.clutch.pulsesPerRev ?? null) : null;
    const numbers = [
      ...read.map((p) => ({
        name: `${p.commandPct} % at ${say(p.engineRpm, 'rotation')}`,
        value: `${say(p.fanRpm, 'rotation')}, ${(100 * p.share).toFixed(0)} %`,
        limit: `about ${(100 * p.due).toFixed(0)} %`
      })),
      ...(r.unplugged
        ? [
            {
              name: 'Unplugged',
              value: `${((100 * r.unplugged.fanRpm) / r.unplugged.engineRpm).toFixed(0)} %`,
              limit: 'engaged'
            }
          ]
        : []),
      ...(r.plugV === null
        ? []
        : [
            {
              name: 'At its plug',
              value: sayVolts(r.plugV),
              limit: `${sayVolts(POWERED_V)} or more with power`
            }
          ]),
      ...(pulses === null
        ? []
        : [
            {
              name: 'Pulses a turn',
              value: pulses.toFixed(1),
              ...(duePulses ? { limit: String(duePulses) } : {})
            }
          ])
    ];
    const unplugged = r.unplugged && r.unplugged.fanRpm / r.unplugged.engineRpm;
    const engages = unplugged !== null && unplugged >= LOCKED;
    const doubts = [
      ...(unplugged !== null && !engages
        ? [
            `Unplugged it should engage, and it turns at ${(100 * unplugged).toFixed(0)} % of its pulley’s speed`
          ]
        : []),
      ...(pulses !== null && duePulses !== null && Math.abs(pulses / duePulses - 1) > PULSES_OFF
        ? [
            `The pickup gives ${pulses.toFixed(1)} pulses a turn and not ${duePulses}: the control unit takes the fan for ${pulses > duePulses ? 'faster' : 'slower'} than it is`
          ]
        : [])
    ];
    const span = Math.max(...read.map((p) => p.commandPct)) - Math.min(...read.map((p) => p.commandPct));
    const least = read.reduce((a, b) => (b.commandPct < a.commandPct ? b : a));
    const most = read.reduce((a, b) => (b.commandPct > a.commandPct ? b : a));
    const locked = least.commandPct <= 40 && read.every((p) => p.share >= LOCKED);
    if (locked) {
      const at =
        span > 0 ? `${least.commandPct} % as at ${most.commandPct} %` : `a command of ${least.commandPct} %`;
      const engaged = `Engaged at ${at}${engages ? ' and unplugged' : ''}`;
      if (r.plugV === null)
        return outcome(
          'fail',
          `${engaged}: no power at its coil, or seized. Volts at its plug with the least command tell the two apart`,
          { numbers, doubts, found: ['locked'] }
        );
      const powered = r.plugV >= POWERED_V;
      return outcome(
        'fail',
        powered
          ? `${engaged}, with ${sayVolts(r.plugV)} at its plug: it has its power and is locked all the same`
          : `${engaged}, with ${sayVolts(r.plugV)} at its plug: nothing frees it, so look for its supply, ground and command`,
        {
          numbers,
          doubts,
          found: [powered ? 'lockedWithPower' : 'lockedWithoutPower']
        }
      );
    }
    const weak = most.commandPct >= 70 && most.share < 0.55 * most.due;
    if (!weak && span < APART_PCT)
      return outcome(
        'unclear',
        `${span > 0 ? `Commands only ${span.toFixed(0)} % apart` : 'One command only'}: command ${least.commandPct > 40 ? '10' : '90'} % as well`,
        { numbers, doubts }
      );
    const slope = (most.share - least.share) / (most.due - least.due);
    if (!weak && slope > 0.5)
      return outcome(
        'pass',
        `Follows its command, from ${(100 * least.share).toFixed(0)} to ${(100 * most.share).toFixed(0)} % of its pulley`,
        { numbers, doubts, found: ['sound'] }
      );
    const says = weak
      ? `Does not speed up: ${(100 * most.share).toFixed(0)} % of its pulley’s speed at a command of ${most.commandPct} %, about ${(100 * most.due).toFixed(0)} % expected`
      : 'Barely answers its command';
    return engages
      ? outcome('unclear', `${says}. Unplugged it engages: the clutch holds, so look at what commands it`, {
          numbers,
          doubts,
          found: ['holdsUnplugged']
        })
      : outcome('fail', says, { numbers, doubts, found: [weak ? 'weak' : 'deaf'] });
  },
  simulate(h) {
    // What has lost its fluid is not carried along without power either.
    const carried = (share: number) =>
      h.plant.clutchLocked ? 0.93 : share * (0.35 + 0.65 * h.plant.clutchGrip);
    const share = (pct: number) => carried(commandedShare(h.spec, pct));
    const engineRpm = 1200;
    return {
      pairs: [10, 50, 90].map((commandPct) => ({
        commandPct,
        engineRpm,
        fanRpm: Math.round(engineRpm * share(commandPct) * (1 + h.noise(0.03)))
      })),
      unplugged: { engineRpm, fanRpm: Math.round(engineRpm * carried(0.92)) },
      plugV: h.part('clutch-plug'),
      pickup: null
    };
  },
  words: (r) =>
    [
      ...r.pairs.map((p) => `${p.commandPct} %: ${p.fanRpm} of ${p.engineRpm} rpm`),
      r.unplugged ? `unplugged ${r.unplugged.fanRpm} of ${r.unplugged.engineRpm} rpm` : '',
      r.plugV === null ? '' : `${sayVolts(r.plugV)} at its plug`
    ]
      .filter(Boolean)
      .join(', ')
});
