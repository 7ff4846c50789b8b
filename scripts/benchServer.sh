#!/usr/bin/env bash
# Measures the server with a database of its own and the built page: bash scripts/benchServer.sh [small|middle|large]
set -u
cd "$(dirname "$0")/.." || exit 1
. scripts/ownDatabase.sh bench "${ZM_BENCH_PORT:-4630}"
need chromium chromium
ZM_CHROMIUM=$(command -v chromium)
export ZM_CHROMIUM
npx tsc -p apps/server/tsconfig.bench.json >>"$DATA/build.log" 2>&1 || fail "The bench could not be built; $DATA/build.log says more."
ZM_PAGES=$PWD/apps/web/dist node apps/server/dist-bench/bench/main.js "$@"
