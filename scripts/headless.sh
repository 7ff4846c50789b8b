#!/usr/bin/env bash
# Runs one of the server's programs for the command line: bash scripts/headless.sh backup backup … ; the database is started where it does not run yet.
set -u
# Paths are those of whoever typed the command.
FROM=${INIT_CWD:-$PWD}
cd "$(dirname "$0")/.." || exit 1
DATA=$PWD/.data
export ZM_DB_PORT=${ZM_DB_PORT:-4601} ZM_LOG_LEVEL=silent
mkdir -p "$DATA"
# shellcheck source=scripts/database.sh
. scripts/database.sh
need_node
need mariadbd mariadb-server
need_packages
if port_taken "$ZM_DB_PORT"; then
  ZM_DB_PASSWORD=$(cat "$DATA/mariadb/password" 2>/dev/null) || fail "Port $ZM_DB_PORT is in use, and not by the database of this folder; choose another with ZM_DB_PORT=4711."
  export ZM_DB_PASSWORD
else
  trap stop_database EXIT
  start_database "$DATA/mariadb"
fi
PROGRAM=$1
shift
if [ ! -f "apps/server/dist/$PROGRAM.js" ]; then
  npm run -s build >"$DATA/build.log" 2>&1 || fail "The build failed; $DATA/build.log says more."
fi
HERE=$PWD
cd "$FROM" || exit 1
node "$HERE/apps/server/dist/$PROGRAM.js" "$@"
