#!/usr/bin/env bash
# Measures how punctual the engine's frames are, at rest and under load, beside a bare timer of the same run, with a database of its own.
# pace.sh [SECONDS OF EACH]
set -u
cd "$(dirname "$0")/.." || exit 1
DATA=$PWD/.data
export ZM_PORT=${ZM_PACE_PORT:-4660} ZM_DB_PORT=${ZM_PACE_DB_PORT:-4661} ZM_LOG_LEVEL=silent ZM_DATA=$DATA/pace
mkdir -p "$DATA"
# shellcheck source=scripts/database.sh
. scripts/database.sh
need mariadbd mariadb-server
need chromium chromium
ZM_CHROMIUM=$(command -v chromium)
export ZM_CHROMIUM
finish() {
  stop_database
  rm -rf "$DATA/pace-mariadb" "$ZM_DATA"
}
trap finish EXIT
trap 'exit 130' INT TERM
rm -rf "$DATA/pace-mariadb" "$ZM_DATA"
npm run -s build >"$DATA/build.log" 2>&1 || fail "The build failed; $DATA/build.log says more."
start_database "$DATA/pace-mariadb"
node scripts/pace.mjs "${1:-600}"
