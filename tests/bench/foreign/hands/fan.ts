import type { FaultId } from '../../../../src/core/vehicle/faults';
import type { Sick } from '../faults';
import { commanded, controller, relaySocket } from '../wires';
import { FAST, has, r1, stopC, hot, worked, scanOf, clampC, type Hands } from './scene';

const fanFault = (s: Sick): FaultId => s.faults.find((f) => f.startsWith('fan-')) ?? 'none';

/** The electric fan, its relay and its controller. */
export const fan: Hands = {
  'fan-switching': (scene) => {
    const { s, dice } = scene;
    const { fan } = s.engine;
    if (fan.kind === 'none') return null;
    const b = hot(scene);
    const stages = fan.on.map((_, i) => ({
      name: ['low', 'high'][i],
      onC: null as number | null,
      offC: null as number | null
    }));
    const level = (i: number) =>
      fan.kind === 'controller' ? 18 + 55 * i : (100 * (i + 0.6)) / fan.on.length;
    const was = stages.map((_, i) => b.now.fanPct >= level(i));
    let hottestC = scanOf(b);
    b.run(
      { ...FAST, minutes: 25 },
      (m) => m.coolantC > stopC(s),
      (m) => {
        hottestC = Math.max(hottestC, m.readC);
        stages.forEach((stage, i) => {
          const on = m.fanPct >= level(i) && fan.strength > 0.02;
          if (on && !was[i]) stage.onC ??= m.readC;
          if (!on && was[i] && stage.onC !== null) stage.offC ??= m.readC;
          was[i] = on;
        });
      }
    );
    if (
      !stages.some((st) => st.onC !== null) &&
      hottestC < 138 &&
      hottestC > -38 &&
      hottestC < s.holdsC + 6 &&
      dice.chance(0.5)
    )
      return null;
    const ok = stages.map((st) =>
      st.onC !== null && st.offC !== null && st.offC >= st.onC ? { ...st, offC: null } : st
    );
    return { stages: ok, hottestC: Math.min(214, hottestC), by: 'scan', acOn: false, moving: false };
  },
  'fan-command': ({ s, seed, dice }) => {
    if (s.engine.fan.kind === 'none') return null;
    const { click, turns } = commanded(fanFault(s), s.bad, seed);
    return {
      commandedPct: 80,
      click: s.engine.fan.kind === 'controller' || dice.chance(0.15) ? 'unknown' : click,
      turns
    };
  },
  'fan-direct-feed': ({ s, dice }) => {
    if (s.engine.fan.kind === 'none') return null;
    const dead = has(s, 'fan-motor-dead');
    const weak = has(s, 'fan-motor-weak');
    const at = dice.chance(0.75) ? 'plug' : 'socket';
    const open = at === 'socket' && has(s, 'fan-feed-open') && dice.chance(0.4);
    const amps = dead || open ? 0 : (weak ? 1 / (2 + 3 * s.bad) : 1) * 16;
    return {
      at,
      turns: dead || open ? 'no' : weak ? (s.bad > 0.3 ? 'slow' : 'full') : 'full',
      amps: dice.chance(0.25) ? null : r1(amps * (1 + 0.04 * dice.bell())),
      feedV: 12.4
    };
  },
  'relay-bench': ({ s, seed, dice }) => {
    if (s.engine.fan.kind !== 'stages') return null;
    const coil = has(s, 'fan-relay-coil');
    const burnt = has(s, 'fan-relay-contacts');
    const way = (seed * 0.618) % 1;
    return {
      coilOhm: coil ? 9e6 : Math.round(92 * (1 + 0.03 * dice.bell())),
      clicks: coil ? 'no' : 'yes',
      dropV: coil
        ? null
        : burnt
          ? way < 0.6
            ? r1(Math.min(12, 6 + 5 * s.bad))
            : 12.4
          : Math.round(100 * (0.06 + 0.02 * dice.next())) / 100,
      loadA: coil ? null : 10,
      restOhm: has(s, 'fan-relay-welded') ? 0.2 : 9e6
    };
  },
  'relay-swap': ({ s, ambientC }) => {
    const f = fanFault(s);
    if (s.engine.fan.kind !== 'stages' || ambientC < -60) return null;
    const then =
      f === 'fan-relay-welded'
        ? 'stops'
        : s.engine.fan.stuck > 0
          ? 'runs-on'
          : f === 'fan-relay-contacts' || f === 'fan-relay-coil'
            ? 'runs'
            : ['fan-motor-dead', 'fan-feed-open', 'fan-command-missing'].includes(f)
              ? 'dead'
              : 'ran';
    return { identical: true, donorSafe: true, donor: 'horn', then, putBack: true };
  },
  'relay-socket': ({ s, seed, dice }) =>
    s.engine.fan.kind === 'stages' ? relaySocket(fanFault(s), s.bad, seed, dice) : null,
  'controller-in-out': ({ s, seed, dice }) =>
    s.engine.fan.kind === 'controller' ? controller(fanFault(s), s.bad, seed, dice) : null,
  'key-off-fan': (scene) => {
    const { s } = scene;
    if (s.engine.fan.kind === 'none') return null;
    const b = worked(scene);
    const coolantC = Math.round(clampC(b.now.coolantC));
    const runs = s.engine.fan.stuck > 25 && (has(s, 'fan-relay-welded') || has(s, 'fan-controller-shorted'));
    return { ranMin: runs ? 20 : scene.dice.chance(0.2) ? 2 : 0, coolantC, stillRunning: runs };
  }
};
