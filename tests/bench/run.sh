#!/usr/bin/env bash
# npm run bench [part ...]: builds, starts a database of its own, measures. Parts: plant analyse import page phone table live band ladder circuits memory views confusion alarms
set -euo pipefail
. "$(dirname "${BASH_SOURCE[0]}")/../../bin/lib.sh"
need_modules
work=$(mktemp -d)
chmod 755 "$work"
trap 'pg_end "$work/pg"; rm -rf "$work"' EXIT
npm run --silent build >/dev/null 2>&1
PYRETHOS_PG_PORT=0 pg_begin "$work/pg" 2>/dev/null
export TEST_DATABASE_URL=$DATABASE_URL PYRETHOS_LOG=warn
unset DATABASE_URL
# Bundled like the product, so that what is measured is what runs.
node_modules/.bin/esbuild tests/bench/all.ts --bundle --platform=node --format=esm --target=node20 --packages=external --outfile=dist/bench/all.mjs --log-level=error
node dist/bench/all.mjs "$@"
