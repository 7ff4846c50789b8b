#!/usr/bin/env bash
# Kills server and database at random moments while two clients edit and a run goes on, with a database of its own, and reports what was lost.
# faults.sh [KILLS OF THE SERVER] [KILLS OF THE DATABASE] [SEED]
set -u
cd "$(dirname "$0")/.." || exit 1
DATA=$PWD/.data
export ZM_PORT=${ZM_FAULTS_PORT:-4650} ZM_DB_PORT=${ZM_FAULTS_DB_PORT:-4651} ZM_LOG_LEVEL=silent ZM_DATA=$DATA/faults
mkdir -p "$DATA"
# shellcheck source=scripts/database.sh
. scripts/database.sh
KEEPER_PID=
finish() {
  [ -n "$KEEPER_PID" ] && kill -TERM "$KEEPER_PID" 2>/dev/null
  DB_PID=$(cat "$ZM_DB_PID_FILE" 2>/dev/null || echo "${DB_PID:-}")
  stop_database
  rm -rf "$DATA/faults-mariadb" "$ZM_DATA"
}
trap finish EXIT
trap 'exit 130' INT TERM
export ZM_DB_PID_FILE="$DATA/faults-mariadb/mariadb.pid"
rm -rf "$DATA/faults-mariadb" "$ZM_DATA"
[ -n "${ZM_BUILT:-}" ] || npm run -s build >"$DATA/build.log" 2>&1 || fail "The build failed; $DATA/build.log says more."
start_database "$DATA/faults-mariadb"
keep_database "$DATA/faults-mariadb" &
KEEPER_PID=$!
node scripts/faults.mjs "${1:-50}" "${2:-20}" "${3:-1}"
