#!/usr/bin/env bash
# Measures whether the memory of a server stays small and flat while it imports and runs, with a database of its own: soak.sh [MINUTES, each an hour of the play]
set -u
cd "$(dirname "$0")/.." || exit 1
export ZM_LOG_LEVEL=silent
. scripts/ownDatabase.sh soak "${ZM_SOAK_PORT:-4660}"
node --no-warnings --conditions=@zm/source --import @swc-node/register/esm-register scripts/soak.mjs "${1:-4}"
