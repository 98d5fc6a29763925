import { LEAD_OHM } from './fan-relay';
import { GROUND, OPEN_OHM, type Network } from './network';
import { sizesFrom, type Template } from './template';

/** A gauge's movement, and a sender of one wire about warm, Ω: their ratio sets the needle. */
const GAUGE_OHM = 60;
const SENDER_OHM = 60;

function network(state: string, fault: string, size: number, batteryV: number): Network {
  const is = (id: string, bad: number, good: number) => (fault === id ? bad : good);
  return {
    sources: [{ node: '15', volts: batteryV, ohm: is('supply-missing', OPEN_OHM, LEAD_OHM) }],
    resistors: [
      ['15', 'gauge', is('gauge-open', OPEN_OHM, GAUGE_OHM)],
      ['gauge', 'wire', is('wire-open', OPEN_OHM, LEAD_OHM)],
      ['gauge', GROUND, is('wire-grounded', size, OPEN_OHM)],
      ...(state === 'grounded' ? [['wire', GROUND, LEAD_OHM] as const] : []),
      ...(state === 'connected'
        ? ([
            ['wire', 'body', is('sender-open', OPEN_OHM, is('sender-off', SENDER_OHM * size, SENDER_OHM))],
            ['body', GROUND, is('body-resists', size, LEAD_OHM)]
          ] as const)
        : [])
    ]
  };
}

/** A dash gauge with a sender of one wire, grounded by its thread. */
export const GAUGE_CIRCUIT: Template = {
  id: 'gauge',
  title: 'Gauge with a sender of one wire',
  states: [
    { id: 'off', title: 'Wire off the sender' },
    { id: 'grounded', title: 'Wire held to ground' },
    { id: 'connected', title: 'Wire on the sender, engine warm' }
  ],
  taps: [
    { id: '15', title: 'Gauge, supply', terminal: '15' },
    { id: 'gauge', title: 'Gauge, sender terminal', terminal: null },
    { id: 'wire', title: 'Sender wire', terminal: null },
    { id: 'body', title: 'Sender body', terminal: '31' }
  ],
  sights: [
    {
      id: 'needle',
      title: 'Needle',
      steps: ['cold end', 'between', 'hot end'],
      states: ['off', 'grounded', 'connected'],
      step: (volts) => {
        const across = volts('15') - volts('gauge');
        const share = volts('15') > 1 ? across / volts('15') : 0;
        return share < 0.15 ? 0 : share > 0.85 ? 2 : 1;
      }
    }
  ],
  faults: [
    { id: 'sound', title: 'Gauge and sender sound', prior: 0.3 },
    { id: 'supply-missing', title: 'Gauge has no supply', prior: 0.08 },
    { id: 'gauge-open', title: 'Gauge open', prior: 0.14 },
    { id: 'wire-open', title: 'Sender wire open', prior: 0.14 },
    { id: 'wire-grounded', title: 'Sender wire touches ground', prior: 0.12 },
    { id: 'body-resists', title: 'Sender has poor ground', prior: 0.12 },
    { id: 'sender-open', title: 'Sender open', prior: 0.06 },
    { id: 'sender-off', title: 'Sender of another kind, or worn', prior: 0.1 }
  ],
  sizes: {
    'wire-grounded': sizesFrom(0.5, 60),
    'body-resists': sizesFrom(8, 2000),
    'sender-off': [0.2, 0.35, 0.5, 2, 4, 8]
  },
  network
};
