#!/usr/bin/env bash
# npm run mutants FILE [TEST ...]: changes FILE in every small way there is and counts the changes that no test notices.
# By hand: it takes minutes. Without tests named, those of the file's folder are run. Strings are left alone: words are no logic.
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."
file=${1:?name the file whose tests are to be tried}
shift
export MUTANTS_TESTS="${*:-$(dirname "$file")}"
exec node_modules/.bin/stryker run tests/mutants.config.js --mutate "$file"
