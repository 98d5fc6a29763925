import type { TemplateId } from '$core/checks/circuit-check';

/**
 * Schematics in our own style: the power runs thick from left to right, the control thin below it; a part is a box
 * with its name, and carries the elements that can fail in it. Plain data, drawn by Schematic.svelte.
 */
export interface Part {
  readonly kind: 'box' | 'contact' | 'motor' | 'ground' | 'source' | 'gauge';
  readonly x: number;
  readonly y: number;
  readonly name: string;
  /** Element faults that would lie here. */
  readonly faults: readonly string[];
}
interface TapPlace {
  readonly id: string;
  readonly x: number;
  readonly y: number;
  /** Where its value stands. */
  readonly below?: boolean;
}
interface Wire {
  readonly path: string;
  readonly thin?: boolean;
  /** A link that is no wire: what moves what. */
  readonly link?: boolean;
}
export interface Drawing {
  readonly width: number;
  readonly height: number;
  readonly wires: readonly Wire[];
  readonly parts: readonly Part[];
  readonly taps: readonly TapPlace[];
}

const part = (kind: Part['kind'], x: number, y: number, name: string, ...faults: string[]): Part => ({
  kind,
  x,
  y,
  name,
  faults
});

const FAN_RELAY: Drawing = {
  width: 880,
  height: 290,
  wires: [
    { path: 'M60 90 H820' },
    { path: 'M60 225 H770', thin: true },
    { path: 'M385 112 V202', link: true }
  ],
  parts: [
    part('source', 60, 90, 'Battery'),
    part('box', 170, 90, 'Fuse', 'fuse-open', 'feed-resists'),
    part('contact', 385, 90, 'Contacts', 'contacts-open', 'contacts-burnt', 'contacts-welded'),
    part('motor', 650, 90, 'Fan', 'motor-open', 'motor-weak'),
    part('ground', 820, 90, 'Ground', 'ground-open', 'ground-resists'),
    part('source', 60, 225, 'Ignition'),
    part('box', 170, 225, 'Feed', 'coil-feed-open'),
    part('box', 385, 225, 'Coil', 'coil-open'),
    part('box', 560, 225, 'Wire', 'command-wire-open'),
    part('box', 770, 225, 'Control unit', 'command-missing', 'command-stuck')
  ],
  taps: [
    { id: '30', x: 280, y: 90 },
    { id: '87', x: 480, y: 90 },
    { id: 'motorPlus', x: 570, y: 90, below: true },
    { id: 'motorMinus', x: 735, y: 90, below: true },
    { id: '86', x: 280, y: 225, below: true },
    { id: '85', x: 480, y: 225, below: true },
    { id: 'unit', x: 655, y: 225, below: true }
  ]
};

const FAN_PAIR: Drawing = {
  width: 880,
  height: 425,
  wires: [
    { path: 'M55 70 H820' },
    { path: 'M55 210 H820' },
    { path: 'M610 70 V140 H440 V210' },
    { path: 'M70 360 H790', thin: true },
    { path: 'M240 92 V340', link: true },
    { path: 'M610 92 V340', link: true }
  ],
  parts: [
    part('source', 55, 70, 'Battery'),
    part(
      'contact',
      240,
      70,
      'Relay A',
      'contacts-A-open',
      'contacts-A-burnt',
      'contacts-A-welded',
      'fuse-1-open'
    ),
    part('motor', 430, 70, 'Fan 1', 'motor-1-open'),
    part('contact', 610, 70, 'Relay C', 'changeover-stays', 'changeover-stuck-on', 'series-path-open'),
    part('ground', 820, 70, 'Ground', 'ground-1-open'),
    part('source', 55, 210, 'Battery'),
    part(
      'contact',
      240,
      210,
      'Relay B',
      'contacts-B-open',
      'contacts-B-burnt',
      'contacts-B-welded',
      'fuse-2-open'
    ),
    part('motor', 560, 210, 'Fan 2', 'motor-2-open'),
    part('ground', 820, 210, 'Ground', 'ground-2-open'),
    part('source', 70, 360, 'Ignition'),
    part('box', 240, 360, 'Coil A', 'coil-A-open', 'coil-feed-open'),
    part('box', 400, 360, 'Coil B', 'coil-B-open'),
    part('box', 610, 360, 'Coil C', 'coil-C-open'),
    part('box', 790, 360, 'Control unit', 'low-command-missing', 'high-command-missing')
  ],
  taps: [
    { id: 'A30', x: 140, y: 70 },
    { id: 'fan1Plus', x: 345, y: 70 },
    { id: 'fan1Minus', x: 515, y: 70 },
    { id: 'C87', x: 710, y: 70 },
    { id: 'B30', x: 140, y: 210 },
    { id: 'fan2Plus', x: 470, y: 210, below: true },
    { id: 'fan2Minus', x: 690, y: 210, below: true },
    { id: '86', x: 155, y: 360, below: true },
    { id: 'A85', x: 320, y: 360, below: true },
    { id: 'B85', x: 500, y: 360, below: true },
    { id: 'C85', x: 700, y: 360, below: true }
  ]
};

const FAN_CONTROLLER: Drawing = {
  width: 880,
  height: 300,
  wires: [
    { path: 'M60 90 H820' },
    { path: 'M390 90 V235 H180 ' },
    { path: 'M390 150 H470 V235 H790', thin: true }
  ],
  parts: [
    part('source', 60, 90, 'Battery'),
    part('box', 170, 90, 'Fuse', 'feed-open', 'feed-resists'),
    part('box', 390, 90, 'Controller', 'controller-shorted', 'controller-dead'),
    part('motor', 640, 90, 'Fan', 'motor-open', 'motor-weak'),
    part('ground', 820, 90, 'Ground'),
    part('ground', 180, 235, 'Ground', 'ground-open', 'ground-resists'),
    part('box', 570, 235, 'Wire', 'command-wire-open'),
    part('box', 770, 235, 'Control unit', 'command-missing', 'command-stuck')
  ],
  taps: [
    { id: 'supply', x: 280, y: 90 },
    { id: 'output', x: 520, y: 90 },
    { id: 'ground', x: 300, y: 235, below: true },
    { id: 'command', x: 470, y: 235, below: true },
    { id: 'unit', x: 668, y: 235, below: true }
  ]
};

const GAUGE: Drawing = {
  width: 880,
  height: 150,
  wires: [{ path: 'M60 70 H820' }],
  parts: [
    part('source', 60, 70, 'Ignition', 'supply-missing'),
    part('gauge', 250, 70, 'Gauge', 'gauge-open'),
    part('box', 435, 70, 'Wire', 'wire-open', 'wire-grounded'),
    part('box', 625, 70, 'Sender', 'sender-open', 'sender-off'),
    part('ground', 820, 70, 'Engine', 'body-resists')
  ],
  taps: [
    { id: '15', x: 155, y: 70, below: true },
    { id: 'gauge', x: 345, y: 70, below: true },
    { id: 'wire', x: 530, y: 70, below: true },
    { id: 'body', x: 720, y: 70, below: true }
  ]
};

export const SCHEMATICS: Readonly<Record<TemplateId, Drawing>> = {
  'fan-relay': FAN_RELAY,
  'fan-pair': FAN_PAIR,
  'fan-controller': FAN_CONTROLLER,
  gauge: GAUGE
};
