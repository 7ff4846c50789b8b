#!/usr/bin/env bash
# A leader and its spare, with a database of their own, through faults: spare.sh [KILLS] [HAND-OVERS]
set -u
cd "$(dirname "$0")/.." || exit 1
KEEPER_PID=
. scripts/ownDatabase.sh spare "${ZM_FAULTS_PORT:-4680}"
node --no-warnings --conditions=@zm/source --import @swc-node/register/esm-register scripts/spare.mjs "${1:-50}" "${2:-10}"
