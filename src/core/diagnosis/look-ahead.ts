import { chancesOf, entropyOf, type Belief, type Weighed } from './belief';

/**
 * Looking ahead asks thousands of times what one more finding would leave. A finding speaks of a few suspects, so it
 * touches a few hypotheses; of the others the sums are known already. And what is summed is laid out so that the
 * innermost loop multiplies and takes no exponential and no logarithm.
 */

/** Must be the share of a group in `belief.ts` that is no complaint: no check is one. */
const SHARED = 0.8;
/** Hypotheses less likely than this are no reason for or against a check: of some 600 they hold 1 in 10,000 together. */
const NEGLIGIBLE = 1e-7;

/** A finding that is foreseen, on the hypotheses that it touches; arrays run over these. */
export interface ForeseenWeight extends Weighed {
  /** Places of the hypotheses on which it weighs anything. */
  readonly touched: Int32Array;
  readonly nats: Float64Array;
  /** e^w: where it is the strongest of its group, or the first. */
  readonly whole: Float64Array;
  /** e^(0.8 w): where a stronger one is there, which leaves it a share. */
  readonly shared: Float64Array;
  /** e^(−0.2 w): what a still stronger one would take away of it. */
  readonly eased: Float64Array;
}

export function foreseeWeight({ group, weights }: Weighed): ForeseenWeight {
  const touched = Int32Array.from(Array.from(weights.keys()).filter((h) => weights[h] !== 0));
  const nats = Float64Array.from(touched, (h) => weights[h]);
  return {
    group,
    weights,
    touched,
    nats,
    whole: nats.map(Math.exp),
    shared: nats.map((w) => Math.exp(SHARED * w)),
    eased: nats.map((w) => Math.exp((SHARED - 1) * w))
  };
}

/** How likely an outcome is under each hypothesis: the same under all but some. */
export interface Given {
  readonly usual: number;
  readonly touched: Int32Array;
  /** Beyond the usual. */
  readonly more: Float64Array;
}

export function givenOf(likelihoods: Float64Array, usual: number): Given {
  const touched = Int32Array.from(Array.from(likelihoods.keys()).filter((h) => likelihoods[h] !== usual));
  return { usual, touched, more: Float64Array.from(touched, (h) => likelihoods[h] - usual) };
}

/** The strongest finding of a group on each hypothesis, nats, and e^(−0.2 of it). */
interface Strongest {
  readonly nats: Float64Array;
  readonly eased: Float64Array;
}

/** A belief as looking ahead asks for it: chances of the hypotheses that count (0 of the others), their logarithms. */
export interface Ahead {
  readonly p: Float64Array;
  readonly logP: Float64Array;
  /** Uncertainty, bits. */
  readonly bits: number;
  readonly strongest: ReadonlyMap<string, Strongest>;
}

/** A belief with what looking ahead from it needs. */
export interface Outlook extends Ahead {
  readonly belief: Belief;
  /** Chances of every hypothesis. */
  readonly chances: Float64Array;
}

export function ahead(belief: Belief): Outlook {
  const chances = chancesOf(belief.log);
  const p = chances.map((c) => (c > NEGLIGIBLE ? c : 0));
  let total = 0;
  for (let h = 0; h < p.length; h++) total += p[h];
  for (let h = 0; h < p.length; h++) p[h] /= total;
  const strongest = new Map<string, Strongest>();
  for (const [group, { strongest: nats }] of belief.groups)
    strongest.set(group, { nats, eased: nats.map((s) => Math.exp((SHARED - 1) * s)) });
  return { belief, chances, p, logP: p.map((c) => (c > 0 ? Math.log(c) : 0)), bits: entropyOf(p), strongest };
}

/** What one more finding would leave. */
export function aheadWith(from: Ahead, more: ForeseenWeight): Ahead {
  const { touched, nats, whole, shared, eased, group } = more;
  const had = from.strongest.get(group);
  const n = from.p.length;
  const p = from.p.slice();
  const logP = from.logP.slice();
  const top: Strongest = had
    ? { nats: had.nats.slice(), eased: had.eased.slice() }
    : { nats: new Float64Array(n), eased: new Float64Array(n).fill(1) };
  let total = 1;
  for (let i = 0; i < touched.length; i++) {
    const h = touched[i];
    let factor = whole[i];
    let added = nats[i];
    const s = had ? had.nats[h] : 0;
    if (Math.abs(added) > Math.abs(s)) {
      factor *= had ? had.eased[h] : 1;
      added -= (1 - SHARED) * s;
      top.nats[h] = nats[i];
      top.eased[h] = eased[i];
    } else {
      factor = shared[i];
      added *= SHARED;
    }
    if (p[h] === 0) continue;
    total += p[h] * (factor - 1);
    p[h] *= factor;
    logP[h] += added;
  }
  const logTotal = Math.log(total);
  let bits = 0;
  for (let h = 0; h < n; h++) {
    if (p[h] === 0) continue;
    p[h] /= total;
    logP[h] -= logTotal;
    bits -= p[h] * logP[h];
  }
  return { p, logP, bits: bits / Math.LN2, strongest: new Map(from.strongest).set(group, top) };
}

/** Uncertainty that one more finding would leave, bits: as {@link aheadWith}, without keeping anything. */
export function bitsWith(from: Ahead, more: ForeseenWeight): number {
  const { touched, nats, whole, shared, group } = more;
  const { p, logP } = from;
  const had = from.strongest.get(group);
  // Of what it does not touch the sums stand already.
  let total = 1;
  let weighted = -from.bits * Math.LN2;
  for (let i = 0; i < touched.length; i++) {
    const h = touched[i];
    const was = p[h];
    if (was === 0) continue;
    let factor = whole[i];
    let added = nats[i];
    if (had) {
      const s = had.nats[h];
      if (Math.abs(added) > Math.abs(s)) {
        factor *= had.eased[h];
        added -= (1 - SHARED) * s;
      } else {
        factor = shared[i];
        added *= SHARED;
      }
    }
    const q = was * factor;
    total += q - was;
    weighted += q * (logP[h] + added) - was * logP[h];
  }
  return (Math.log(total) - weighted / total) / Math.LN2;
}

/** How likely an outcome is. */
export function likelihoodOf({ p }: Ahead, { usual, touched, more }: Given): number {
  let sum = usual;
  for (let i = 0; i < touched.length; i++) sum += p[touched[i]] * more[i];
  return sum;
}
