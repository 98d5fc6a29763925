import type { SpecSheet } from '../../../src/core/vehicle/spec-sheet';
import type { Dice } from './dice';
import type { Clutch, Engine, Fan } from './engine';

/** What a vehicle of this world is made as, before years and a fault change it. */
export interface Made {
  readonly engine: Engine;
  /** Its sensor: ohms at a temperature, by this world's own law (three constants of its maker). */
  readonly ohmAt: (celsius: number) => number;
  readonly sheet: SpecSheet;
  /** What a sound one holds when warm. */
  readonly holdsC: number;
  readonly capKPa: number;
}

interface Kind {
  readonly name: string;
  readonly fuel: 'petrol' | 'diesel';
  readonly litres: number;
  readonly opensC: number;
  readonly fan: 'stage' | 'two stages' | 'controller' | 'thermal' | 'electronic';
  readonly side: 'outlet' | 'inlet';
  readonly heated?: boolean;
}
/** Kinds that are on no demo sheet. */
const KINDS: readonly Kind[] = [
  { name: 'Corvane Tern 1.2', fuel: 'petrol', litres: 1.2, opensC: 87, fan: 'stage', side: 'outlet' },
  { name: 'Ostrelle Wharf 2.0', fuel: 'petrol', litres: 2.0, opensC: 83, fan: 'two stages', side: 'inlet' },
  {
    name: 'Kvesta Crate 1.5 turbo',
    fuel: 'petrol',
    litres: 1.5,
    opensC: 95,
    fan: 'controller',
    side: 'outlet',
    heated: true
  },
  {
    name: 'Lundmar Hauler 4.4 diesel',
    fuel: 'diesel',
    litres: 4.4,
    opensC: 82,
    fan: 'thermal',
    side: 'outlet'
  },
  {
    name: 'Lundmar Ridge 6.1 diesel',
    fuel: 'diesel',
    litres: 6.1,
    opensC: 84,
    fan: 'electronic',
    side: 'outlet'
  },
  {
    name: 'Tarrock Plover 1.9 diesel',
    fuel: 'diesel',
    litres: 1.9,
    opensC: 88,
    fan: 'controller',
    side: 'outlet'
  }
];

/** Ohms by two exponentials: no curve of the product's own families. */
const sensorLaw = (r25: number, steep: number) => (c: number) =>
  r25 * Math.exp(steep * (1 / (c + 273) - 1 / 298) + 0.02 * ((c - 25) / 60) ** 2);

export function drawVehicle(dice: Dice, gaps: boolean): Made {
  const k = dice.of(KINDS);
  const L = k.litres;
  const diesel = k.fuel === 'diesel';
  const spread = (value: number, share = 0.12) => dice.around(value, share);
  const most = (diesel ? 38 : 52) * L ** 0.85;
  const idle = (diesel ? 3.1 : 4.2) * L ** 0.75;
  const onAt = k.opensC + 14 + (diesel ? -2 : 0);
  const electric = k.fan === 'stage' || k.fan === 'two stages' || k.fan === 'controller';
  const fan: Fan = {
    kind: !electric ? 'none' : k.fan === 'controller' ? 'controller' : 'stages',
    on: k.fan === 'stage' ? [onAt] : k.fan === 'two stages' ? [onAt, onAt + 5] : [onAt - 2, onAt + 7],
    off: k.fan === 'stage' ? [onAt - 5] : k.fan === 'two stages' ? [onAt - 5, onAt] : [onAt - 8, onAt - 2],
    works: true,
    strength: spread(1, 0.06),
    stuck: 0,
    shiftC: 0
  };
  const clutch: Clutch | null =
    k.fan === 'thermal'
      ? { kind: 'thermal', engagesC: 66 + 2 * dice.bell(), releasesC: 52, grip: 1, locked: false }
      : k.fan === 'electronic'
        ? { kind: 'electronic', engagesC: k.opensC + 14, releasesC: k.opensC + 4, grip: 1, locked: false }
        : null;
  const capKPa = dice.of([90, 100, 110, 130]);
  const open = k.opensC + 0.9 * dice.bell();
  const law = sensorLaw(dice.of([2050, 2450, 2750]), dice.of([3350, 3520, 3700]));
  const engine: Engine = {
    diesel,
    ironKJ: spread(13 * L + 14),
    coolantKJ: spread(3.6 * (1.4 + 0.9 * L)),
    wallKW: spread(0.95 * L ** 0.6),
    wallShare: spread(diesel ? 0.27 : 0.33, 0.08),
    idleKW: spread(idle),
    mostKW: most,
    skinKW: spread(0.008 * L ** 0.55, 0.25),
    pumpKgS: spread(1.1 * L ** 0.5),
    pumpShare: 1,
    radiatorKW: spread((diesel ? 1.0 : 1.15) * 0.75 * L ** 0.55),
    coreShare: 1,
    airShare: 1,
    fanKgS: spread(0.75 * L ** 0.55),
    ramKgS: spread(2.1 * L ** 0.5),
    heaterKW: spread(0.026 + 0.005 * L, 0.15),
    heaterShare: 1,
    heaterOn: 0,
    opensC: open,
    fullC: open + 12,
    heatedC: k.heated ? 16 : 0,
    waxS: spread(11, 0.25),
    leastOpen: 0.002,
    mostOpen: 1,
    sensorS: spread(5, 0.3),
    branchShare: 1,
    reads: (c) => c + 0,
    fan,
    clutch,
    boilsC: 108 + capKPa / 6,
    gasKW: 0,
    air: 0
  };
  const sensorOff = 0.5 * dice.bell();
  engine.reads = (c) => c + sensorOff;
  const drop = (share: number) => gaps && dice.chance(share);
  const table = [-20, 0, 20, 40, 60, 80, 100, 120].map((c): [number, number] => [c, Math.round(law(c))]);
  const sheet = {
    format: 'pyrethos.spec-sheet',
    version: 1,
    name: k.name,
    engine: {
      fuel: k.fuel,
      displacementL: drop(0.3) ? null : L,
      coolantL: drop(0.5) ? null : Math.round(10 * (3 + 1.9 * L)) / 10
    },
    cap: drop(0.4) ? null : { kPa: capKPa },
    thermostat: {
      startOpenC: k.opensC,
      fullOpenC: k.opensC + 12,
      minLiftMm: drop(0.5) ? null : 8,
      side: drop(0.4) ? null : k.side,
      heaterOhm: k.heated && !drop(0.3) ? 15 : null
    },
    regulating: drop(0.4) ? null : { lowC: k.opensC - 3, highC: onAt - 1 },
    limits: drop(0.4) ? null : { hotC: k.opensC + 26, stopC: k.opensC + 32, openCapC: 50 },
    fan: drop(0.25)
      ? null
      : {
          drive: !electric ? 'none' : k.fan === 'controller' ? 'controller' : 'relay',
          stages: electric
            ? fan.on.map((onC, i) => ({ name: ['low', 'high'][i], onC, offC: fan.off[i] }))
            : []
        },
    clutch: clutch
      ? clutch.kind === 'thermal'
        ? {
            kind: 'thermal',
            engageAirC: drop(0.4) ? null : 66,
            releaseAirC: drop(0.4) ? null : 52,
            maxRpm: drop(0.4) ? null : 2700
          }
        : { kind: 'electronic' }
      : null,
    ect: drop(0.5)
      ? null
      : {
          curve: drop(0.3) ? null : { kind: 'table', points: table },
          openReadsC: drop(0.4) ? null : -40,
          shortReadsC: drop(0.4) ? null : 140,
          referenceV: drop(0.4) ? null : 5,
          pullUpOhm: drop(0.4) ? null : 2200
        },
    gauge: drop(0.8)
      ? null
      : {
          points: [
            [0, 50],
            [50, 90],
            [100, 125]
          ]
        }
  } as unknown as SpecSheet;
  return { engine, ohmAt: law, sheet, holdsC: open + 4, capKPa };
}
