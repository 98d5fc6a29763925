import { seeded } from '../../../src/core/base/random';
import { solve } from '../../../src/core/schedule/solve';
import {
  byPlan,
  drawFates,
  firstCome,
  inHindsight,
  mostUrgent,
  play,
  type Went
} from '../../../src/simulation/depot/day';
import { drawDepot, MONDAY } from '../../../src/simulation/depot/draw';

/** Days of depots drawn at random, in which things take what they take: `npm run bench:schedule [days]`. */
const days = Number(process.argv[2] ?? 40);

const sums = new Map<string, Went & { days: number }>();
const add = (who: string, w: Went) => {
  const had = sums.get(who) ?? { kept: 0, promised: 0, lostSoaks: 0, vehicleHours: 0, overtimeH: 0, days: 0 };
  sums.set(who, {
    kept: had.kept + w.kept,
    promised: had.promised + w.promised,
    lostSoaks: had.lostSoaks + w.lostSoaks,
    vehicleHours: had.vehicleHours + w.vehicleHours,
    overtimeH: had.overtimeH + w.overtimeH,
    days: had.days + 1
  });
};
let bound = 0;
for (let day = 1; day <= days; day++) {
  const random = seeded(day);
  const vehicles = 5 + Math.floor(random() * 56);
  const people = Math.max(2, Math.min(15, Math.round(vehicles / 4 + random() * 3)));
  const workload = drawDepot(random, { vehicles, people });
  const fates = drawFates(random, workload);
  add('Pyrethos', play(workload, fates, byPlan(workload, { morning: 400, anew: 30 })));
  add('First come, first served', play(workload, fates, firstCome));
  add('Most urgent first', play(workload, fates, mostUrgent));
  bound += inHindsight(workload, fates, 800).kept;
}
console.log(
  '| planner | promises kept | lost soaks a day | hours of all vehicles until done | overtime, h |'
);
console.log('|---|---|---|---|---|');
for (const [who, w] of sums)
  console.log(
    `| ${who} | ${((100 * w.kept) / w.promised).toFixed(1)} % | ${(w.lostSoaks / w.days).toFixed(2)} | ${(w.vehicleHours / w.days).toFixed(0)} | ${(w.overtimeH / w.days).toFixed(2)} |`
  );
const { promised } = sums.get('Pyrethos')!;
console.log(`| With everything known before | ${((100 * bound) / promised).toFixed(1)} % | 0 | – | – |`);

const median = (list: number[]) => list.toSorted((a, b) => a - b)[list.length >> 1];
const took = (tries: number, anew: boolean) =>
  median(
    Array.from({ length: 5 }, (_, i) => {
      const workload = drawDepot(seeded(i + 1), { vehicles: 60, people: 12 });
      const previous = anew ? solve(workload, { seed: 1, tries: 50 }).plan.assigned : [];
      const from = performance.now();
      solve({ ...workload, now: MONDAY + 60, previous }, { seed: 1, tries });
      return performance.now() - from;
    })
  );
console.log(
  `\n60 vehicles, 12 people: planned in ${took(600, false).toFixed(0)} ms (600 plans tried), anew in ${took(100, true).toFixed(0)} ms (100)`
);
