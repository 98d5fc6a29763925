import type { Analysis } from '../runs/analyse';
import { notShownSpots } from '../runs/words';
import { plainText } from '../units/say';

const tenth = (x: number | null | undefined) => (x == null ? null : Math.round(x * 10) / 10);

/** The analysis as other programs read it: version 1 of `pyrethos.analysis`. Temperatures in °C, times in s. */
export function analysisFile(a: Analysis, warnings: readonly string[] = []) {
  const { features: f } = a;
  const hose = f.hose.kind === 'rush' ? f.hose : null;
  const switches = (to: 'on' | 'off') =>
    f.fan.switches.filter((s) => s.to === to).map((s) => Math.round(s.celsius));
  return {
    format: 'pyrethos.analysis' as const,
    version: 1 as const,
    modelVersion: a.modelVersion,
    verdict: a.verdict,
    suspects: a.suspects.map((s) => ({
      fault: s.fault,
      probability: Math.round(s.probability * 1000) / 1000,
      alike: s.alike,
      severity: s.severity
    })),
    features: {
      startC: tenth(f.startC),
      openingC: tenth(f.knee?.celsius ?? hose?.ectC),
      openingAtS: f.knee?.atS ?? hose?.atS ?? null,
      openingUncertaintyC: tenth(f.knee?.uncertaintyC),
      warmRateCPerMin: tenth(f.warmRateCPerMin),
      plateauC: tenth(f.plateauC),
      plateauSpreadC: tenth(f.plateauSpreadC),
      roadMinusIdleC: tenth(f.roadMinusIdleC),
      maxC: tenth(f.maxC),
      overshootC: tenth(f.overshootC),
      fanOnC: switches('on'),
      fanOffC: switches('off'),
      jumps: a.jumps,
      hose: f.hose.kind,
      secondsAboveHot: f.secondsAboveHot,
      secondsAboveStop: f.secondsAboveStop,
      durationS: f.durationS,
      segments: f.segments.map((s) => ({
        ...s,
        celsius: tenth(s.celsius),
        spreadC: tenth(s.spreadC),
        meanLoadPct: Math.round(s.meanLoadPct)
      }))
    },
    evidence: a.evidence.map((e) => ({ ...e, text: plainText(e.text) })),
    couldNotShow: notShownSpots(a).map((b) => ({
      ...b,
      because: plainText(b.because),
      toShow: plainText(b.toShow)
    })),
    warnings: [...a.warnings, ...warnings].map(plainText)
  };
}
