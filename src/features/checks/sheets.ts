import type { Component } from 'svelte';
import type { CheckId } from '$core/checks/registry';
import type { ThermalState } from '$core/thermal/state';
import ByHandSheet from './ByHandSheet.svelte';
import ClutchColdTurnSheet from './ClutchColdTurnSheet.svelte';
import ClutchPlaySheet from './ClutchPlaySheet.svelte';
import CodesSheet from './CodesSheet.svelte';
import ColdAgreementSheet from './ColdAgreementSheet.svelte';
import EctCircuitSheet from './EctCircuitSheet.svelte';
import EctLadderSheet from './EctLadderSheet.svelte';
import EctSubstituteSheet from './EctSubstituteSheet.svelte';
import FanCommandSheet from './FanCommandSheet.svelte';
import FanSwitchingSheet from './FanSwitchingSheet.svelte';
import GaugeCompareSheet from './GaugeCompareSheet.svelte';
import HoseRushSheet from './HoseRushSheet.svelte';
import KeyOffFanSheet from './KeyOffFanSheet.svelte';
import LevelAndLookSheet from './LevelAndLookSheet.svelte';
import SoakSheet from './SoakSheet.svelte';
import WiggleSheet from './WiggleSheet.svelte';
import type { SheetProps } from './types';

/** The instrument of a check, and the readings it starts from. A check without one is judged by hand. */
export interface CheckSheet {
  readonly component: Component<SheetProps<never>, Record<string, never>, 'readings'>;
  readonly empty: (heat: ThermalState) => object;
}

const sheet = (component: unknown, empty: CheckSheet['empty']): CheckSheet => ({
  component: component as CheckSheet['component'],
  empty
});

const SHEETS: Partial<Record<CheckId, CheckSheet>> = {
  soak: sheet(SoakSheet, ({ basis, ambientC }) => ({
    hoursStood: null,
    lastC: basis?.kind === 'ran-until' ? basis.coolantC : null,
    ambientC
  })),
  codes: sheet(CodesSheet, () => ({ codes: [] })),
  'level-and-look': sheet(LevelAndLookSheet, () => ({
    level: null,
    leaks: null,
    colour: null,
    face: null,
    belt: null,
    hoses: null,
    connector: null,
    added: null,
    note: '',
    fixAnyway: []
  })),
  'cold-agreement': sheet(ColdAgreementSheet, () => ({ ect: null, housing: null, iat: null, ambient: null })),
  'clutch-cold-turn': sheet(ClutchColdTurnSheet, () => ({
    firstTurn: null,
    freeTurns: null,
    laterTurns: null
  })),
  'ect-ladder': sheet(EctLadderSheet, () => ({ points: [] })),
  'ect-circuit': sheet(EctCircuitSheet, () => ({
    unpluggedC: null,
    bridgedC: null,
    openV: null,
    signalV: null,
    groundV: null
  })),
  'ect-substitute': sheet(EctSubstituteSheet, () => ({
    substituteC: null,
    air: null,
    oldOffC: null
  })),
  wiggle: sheet(WiggleSheet, () => ({
    sensorPlug: null,
    loom: null,
    unitPlug: null,
    ground: null,
    fanPlug: null,
    jumpC: null
  })),
  'gauge-compare': sheet(GaugeCompareSheet, () => ({ needlePct: null, scanC: null, thermometer: null })),
  'hose-rush': sheet(HoseRushSheet, () => ({ felt: null, coolantC: null, by: 'hand' })),
  'fan-switching': sheet(FanSwitchingSheet, () => ({
    stages: [{ name: 'low', onC: null, offC: null }],
    hottestC: null,
    acOn: false,
    moving: false
  })),
  'fan-command': sheet(FanCommandSheet, () => ({ click: null, turns: null, commandedPct: 100 })),
  'key-off-fan': sheet(KeyOffFanSheet, ({ coolantC, running }) => ({
    ranMin: null,
    stillRunning: false,
    coolantC: running ? coolantC : null
  })),
  'clutch-play': sheet(ClutchPlaySheet, () => ({ tipMm: null, moves: null, feels: null }))
};

const BY_HAND: CheckSheet = sheet(ByHandSheet, () => ({ judged: null, found: '' }));

export const sheetOf = (id: CheckId): CheckSheet => SHEETS[id] ?? BY_HAND;
