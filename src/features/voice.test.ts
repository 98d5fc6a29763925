import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, it } from 'vitest';

/** What the product used to say, and what it says now (docs/voice.md). */
const SAID: readonly (readonly [old: RegExp, better: string])[] = [
  [/To bear in mind/, 'Cautions'],
  [/Write it down|Written down before|Not written down/, 'Save reading, Earlier readings, Not saved'],
  [/\bLeave it\b(?! (as|empty))|Take back|Let me look again/, 'Cancel, Remove, Check my entry'],
  [/Judged as you enter/, 'Result as you type'],
  [/Speaks (for|against)/, 'Points to, Rules against'],
  [/Enough is known|Being wrong costs|being sure would take/, 'Ready to repair, and why'],
  [
    /Check on anyway|What it would do, and what else/,
    'Check further, What each result would mean, other checks'
  ],
  [/Nothing bears on it/, 'No evidence yet'],
  [/What would have to be wrong|No single finding carries/, 'If one of these is wrong, the answer changes'],
  [/Often changed first|Here it is the cause with/, 'Often replaced first for this complaint'],
  [
    /All well after|>Off the road<|>In the end<|in the end\./,
    'Chance of cure, Days off the road, Expected total'
  ],
  [/Put right anyway|Real, and not the cause|Fitted and not what it was/, 'Fix anyway, not the cause'],
  [/As what it closes|Say how it ended|How they ended/, 'Outcome, Close the job'],
  [
    /Look at it again on|Looked at again|To be looked at again|It holds\./,
    'Recheck on, Rechecked, Rechecks due'
  ],
  [/Fits this run best|'Could be'/, 'Best match for this run, Other matches'],
  [/where it should have been today|could not have shown/, 'expected today, could not show'],
  [/['`"]Knee\b|No knee|Moving less idle|'Warmed at/, 'Opening point, Road minus idle, Warm-up rate'],
  [/'Plateau'|Expected plateau/, 'Steady temperature'],
  [/Never had to|Against the band|Rank what there is/, 'Not needed in this run, Compared with expected'],
  [/'End the run'|end it and judge|Silence, I am|the key is out/, 'Stop recording, Mute, Engine stopped'],
  [/Nothing called for yet|Nothing left that is worth/, 'No checks here yet'],
  [
    /more that could be done|\} do not apply|that this vehicle cannot have/,
    'more checks, not applicable, not on this vehicle'
  ],
  [
    /This puts on the plan|Part of every job|Changed or tried before|Nothing before on this/,
    'Planned checks, Always done'
  ],
  [/Narrow this list|Look through all jobs|Words of a job/, 'Filter, All jobs, Search jobs'],
  [
    /Hours hands on|Right the first time|'Came back|fitted needlessly|'In the shop'/,
    'Labour hours, Fixed first time, Comebacks'
  ],
  [/Over the year<|(has|have) drifted`|No vehicle has drifted/, 'Trends, is changing'],
  [
    /Shop: rates|Money is written|Labour, an hour|Price of yours|On the shelf|Their part number|Quoted by/,
    'Shop settings and prices'
  ],
  [
    /What it does:|What it is known by|Sits at the|Shut again by|Drives the air/,
    'Used for, Normal behaviour, Location'
  ],
  [/>one count<|A resistor across it|"Switches at"/, 'ADC step, Resistor in parallel, Switching temperature'],
  [
    /"Comes out"|"Filled with"|"Wanted mixture"|It is there\./,
    'Drained, Refilled with, Target mixture, Target reached'
  ],
  [/What would it change|"As it is now"|How badly|"The cure"|Over the last fifth|Reading off by/, 'What if'],
  [
    /Drop this entry|Kept in this browser|Who is at the bench</,
    'Discard entry, Waiting on this device, Signed in as'
  ],
  [/What we (found|did)|The repair is proven: after it/, 'We found, We replaced, We drove it again'],
  [/\d\} dB|toFixed\(0\)\} dB/, 'strong, clear or weak, with the figure behind a tap'],
  [
    /look for \$\{|'from the shelf'|\} % is</,
    'Check the thermostat before it sticks open, in stock, 3 % tolerance'
  ],
  [/Fan does not run|a run blind to|100 in 100/, 'Fan motor dead']
];

/** Source as a reader of the screen meets it: without what is only said to developers. */
const told = (text: string): string =>
  text
    .replace(/<!--[\s\S]*?-->|\/\*[\s\S]*?\*\//g, (c) => c.replace(/[^\n]/g, ''))
    .replace(/(^|\s)\/\/ .*$/gm, '');

const under = (folder: string): string[] =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' }).map((f) => join(folder, f));
const files = under('src').filter(
  (f) => /\.(ts|svelte)$/.test(f) && !/\.test\.ts$|^src\/simulation\//.test(f)
);

it.each(SAID)('says no more %s, but %s', (old, better) => {
  const left = files.flatMap((file) =>
    told(readFileSync(file, 'utf8'))
      .split('\n')
      .flatMap((line, i) =>
        old.test(line) ? [`${file}:${i + 1} says "${line.trim()}"; better: ${better}`] : []
      )
  );
  expect(files.length).toBeGreaterThan(300);
  expect(left).toEqual([]);
});

it('is in the demo’s stored words too', () => {
  const stored = under('demo/year').map((f) => [f, readFileSync(f, 'utf8')] as const);
  expect(stored.length).toBeGreaterThan(100);
  for (const [old] of SAID) expect(stored.filter(([, text]) => old.test(text)).map(([f]) => f)).toEqual([]);
});
