#!/usr/bin/env bash
# Kills server and database at random moments while clients edit, undo and record and a run goes on, with a database of its own, and reports what was lost.
# faults.sh [KILLS OF THE SERVER] [KILLS OF THE DATABASE] [SEED]
set -u
cd "$(dirname "$0")/.." || exit 1
export ZM_LOG_LEVEL=silent
KEEPER_PID=
end_also() { [ -n "$KEEPER_PID" ] && kill -TERM "$KEEPER_PID" 2>/dev/null; }
. scripts/ownDatabase.sh faults "${ZM_FAULTS_PORT:-4650}"
keep_database "$OWN" &
KEEPER_PID=$!
node --no-warnings --conditions=@zm/source --import @swc-node/register/esm-register scripts/faults.mjs "${1:-50}" "${2:-20}" "${3:-1}"
