#!/usr/bin/env bash
# Remakes docs/screenshots from the demo: a database of its own, the built page, one picture of each main view.
set -u
cd "$(dirname "$0")/.." || exit 1
DATA=$PWD/.data
export ZM_PORT=${ZM_SHOTS_PORT:-4620} ZM_DB_PORT=${ZM_SHOTS_DB_PORT:-4621}
mkdir -p "$DATA"
# shellcheck source=scripts/database.sh
. scripts/database.sh
need chromium chromium
SERVER_PID=
finish() {
  [ -n "$SERVER_PID" ] && kill -TERM "$SERVER_PID" 2>/dev/null && wait "$SERVER_PID" 2>/dev/null
  stop_database
  rm -rf "$DATA/shots-mariadb"
}
trap finish EXIT
trap 'exit 130' INT TERM
rm -rf "$DATA/shots-mariadb"
npm run -s build >"$DATA/build.log" 2>&1 || fail "The build failed; $DATA/build.log says more."
start_database "$DATA/shots-mariadb"
node apps/server/dist/main.js >"$DATA/shots-server.log" 2>&1 &
SERVER_PID=$!
for _ in $(seq 100); do port_taken "$ZM_PORT" && break; sleep 0.2; done
ZM_CHROMIUM=$(command -v chromium) node scripts/screenshots.mjs
