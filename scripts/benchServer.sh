#!/usr/bin/env bash
# Measures the server with a database of its own and the built page: bash scripts/benchServer.sh [small|middle|large]
set -u
cd "$(dirname "$0")/.." || exit 1
DATA=$PWD/.data
export ZM_DB_PORT=${ZM_BENCH_DB_PORT:-4631}
mkdir -p "$DATA"
# shellcheck source=scripts/database.sh
. scripts/database.sh
need mariadbd mariadb-server
need chromium chromium
ZM_CHROMIUM=$(command -v chromium)
export ZM_CHROMIUM
finish() {
  stop_database
  rm -rf "$DATA/bench-mariadb"
}
trap finish EXIT
trap 'exit 130' INT TERM
rm -rf "$DATA/bench-mariadb"
npm run -s build >"$DATA/build.log" 2>&1 || fail "The build failed; $DATA/build.log says more."
start_database "$DATA/bench-mariadb"
npx tsc -p apps/server/tsconfig.bench.json >>"$DATA/build.log" 2>&1 || fail "The bench could not be built; $DATA/build.log says more."
ZM_PAGES=$PWD/apps/web/dist node apps/server/dist-bench/bench/main.js "$@"
