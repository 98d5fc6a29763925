#!/usr/bin/env bash
# npm run bench:diagnosis [jobs] [even jobs]: plays whole jobs on every core and writes docs/benchmark.md
# npm run bench:diagnosis foreign [jobs]: the same in a world that shares no code with the product's own
# npm run bench:diagnosis learned [jobs] [trained on]: what a player that learns names from the same readings, every check done
# npm run bench:diagnosis strengths [jobs]: what each check says of each suspect, beside what is supposed
set -euo pipefail
. "$(dirname "${BASH_SOURCE[0]}")/../../../bin/lib.sh"
need_modules
for part in run report strengths; do
  node_modules/.bin/esbuild tests/bench/diagnosis/$part.ts --bundle --platform=node --format=esm --target=node20 --packages=external --outfile=dist/bench/diagnosis-$part.mjs --log-level=error
done
for part in run report learned; do
  node_modules/.bin/esbuild tests/bench/foreign/$part.ts --bundle --platform=node --format=esm --target=node20 --packages=external --outfile=dist/bench/foreign-$part.mjs --log-level=error
done
foreign() { node dist/bench/foreign-report.mjs dist/bench/foreign-run.mjs "$@"; }
if [ "${1:-}" = foreign ]; then foreign "${@:2}"; exit; fi
if [ "${1:-}" = learned ]; then exec node dist/bench/foreign-learned.mjs dist/bench/foreign-run.mjs "${@:2}"; fi
if [ "${1:-}" = strengths ]; then exec node dist/bench/diagnosis-strengths.mjs "${@:2}"; fi
node dist/bench/diagnosis-report.mjs dist/bench/diagnosis-run.mjs "$@"
# Both worlds side by side, where no numbers of jobs are asked for.
if [ $# -eq 0 ]; then foreign; fi
