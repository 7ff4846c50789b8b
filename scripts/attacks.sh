#!/usr/bin/env bash
# Attacks a server of its own, with a database of its own: attacks.sh [REQUESTS] [SEED]. With PORT=4600 in front, one that runs already and whose shows may be lost.
set -u
cd "$(dirname "$0")/.." || exit 1
RUN="node --no-warnings --conditions=@zm/source --import @swc-node/register/esm-register scripts/attacks.mjs"
if [ -n "${PORT:-}" ]; then exec $RUN "$PORT" "${1:-100000}" "${2:-1}"; fi
export ZM_LOG_LEVEL=silent
SERVER_PID=
end_also() { [ -n "$SERVER_PID" ] && kill -TERM "$SERVER_PID" 2>/dev/null; }
. scripts/ownDatabase.sh attacks "${ZM_ATTACKS_PORT:-4660}"
# shellcheck disable=SC2046
ZM_OSC=127.0.0.1:$((ZM_PORT + 4165)) node $(cat apps/server/node-flags) apps/server/dist/main.js >"$DATA/attacks.log" 2>&1 &
SERVER_PID=$!
for _ in $(seq 150); do port_taken "$ZM_PORT" && break; sleep 0.2; done
$RUN "$ZM_PORT" "${1:-100000}" "${2:-1}"
STATUS=$?
kill -0 "$SERVER_PID" 2>/dev/null || { say "The server has ended: $(tail -3 "$DATA/attacks.log")"; STATUS=1; }
[ -r "/proc/$SERVER_PID/status" ] && say "Memory of the server: $(awk '/VmRSS/ {print int($2/1024)" MB"} /VmHWM/ {print "at most "int($2/1024)" MB"}' "/proc/$SERVER_PID/status" | tr '\n' ' ')"
exit $STATUS
