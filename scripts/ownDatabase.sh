#!/usr/bin/env bash
# A built product with a database and a folder of its own, for a script that may do with them as it likes. Sourced as  . scripts/ownDatabase.sh NAME PORT ;
# PORT is the server's, the one behind it the database's. All goes when the script ends; what else is to be ended stands in the function end_also.
NAME=$1
DATA=$PWD/.data
export ZM_PORT=$2 ZM_DB_PORT=$(($2 + 1)) ZM_DATA=$DATA/$NAME
mkdir -p "$DATA"
# shellcheck source=scripts/database.sh
. scripts/database.sh
need mariadbd mariadb-server
OWN=$DATA/$NAME-mariadb
export ZM_DB_PID_FILE=$OWN/mariadb.pid
finish() {
  declare -F end_also >/dev/null && end_also
  # The database may have been killed, so the one that runs now may be another than the one that was started.
  DB_PID=$(cat "$ZM_DB_PID_FILE" 2>/dev/null || echo "${DB_PID:-}")
  stop_database
  rm -rf "$OWN" "$ZM_DATA"
}
trap finish EXIT
trap 'exit 130' INT TERM
rm -rf "$OWN" "$ZM_DATA"
[ -n "${ZM_BUILT:-}" ] || npm run -s build >"$DATA/build.log" 2>&1 || fail "The build failed; $DATA/build.log says more."
start_database "$OWN"
