#!/usr/bin/env bash
# Measures how punctual the engine's frames are, at rest and under load, beside a bare timer of the same run, with a database of its own.
# pace.sh [SECONDS OF EACH]
set -u
cd "$(dirname "$0")/.." || exit 1
export ZM_LOG_LEVEL=silent
. scripts/ownDatabase.sh pace "${ZM_PACE_PORT:-4660}"
need chromium chromium
ZM_CHROMIUM=$(command -v chromium)
export ZM_CHROMIUM
node scripts/pace.mjs "${1:-600}"
