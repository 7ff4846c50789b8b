#!/usr/bin/env bash
# Remakes docs/screenshots from the demo: a database of its own, the built page, one picture of each main view.
set -u
cd "$(dirname "$0")/.." || exit 1
SERVER_PID=
RIG_PID=
end_also() {
  [ -n "$RIG_PID" ] && kill -TERM "$RIG_PID" 2>/dev/null
  [ -n "$SERVER_PID" ] && kill -TERM "$SERVER_PID" 2>/dev/null && wait "$SERVER_PID" 2>/dev/null
}
. scripts/ownDatabase.sh shots "${ZM_SHOTS_PORT:-4620}"
need chromium chromium
export ZM_RIG_PORT=$((ZM_PORT + 968)) ZM_RIG_WEB_PORT=$((ZM_PORT + 2))
# shellcheck disable=SC2046
ZM_OUTPUT=127.0.0.1:$ZM_RIG_PORT node $(cat apps/server/node-flags) apps/server/dist/main.js >"$DATA/shots-server.log" 2>&1 &
SERVER_PID=$!
node apps/dummy-rig/dist/main.js >"$DATA/shots-rig.log" 2>&1 &
RIG_PID=$!
for _ in $(seq 100); do port_taken "$ZM_PORT" && break; sleep 0.2; done
ZM_CHROMIUM=$(command -v chromium) node scripts/screenshots.mjs
