import { writeFileSync } from 'node:fs';
import { byAdvice, byTheBook, play, playAll, type Played } from './play';

/** One share of the jobs: `foreign.mjs HOW FROM TO FILE`. Each worker of the benchmark is one of these. */
const HOW: Readonly<Record<string, (seed: number) => Played>> = {
  advice: (seed) => play(seed, byAdvice),
  book: (seed) => play(seed, byTheBook, 40),
  all: playAll
};
const [how, from, to, file] = process.argv.slice(2);
const all: Played[] = [];
for (let seed = Number(from); seed <= Number(to); seed++) all.push(HOW[how](seed));
writeFileSync(file, JSON.stringify(all));
