#!/usr/bin/env bash
# The private MariaDB of this project: on loopback, its data inside the project. Sourced by start and test.

say() { printf '%s\n' "$*"; }
fail() { printf '%s\n' "$*" >&2; exit 1; }

as_root() {
  if [ "$(id -u)" = 0 ]; then "$@"; return; fi
  command -v sudo >/dev/null 2>&1 || fail "Installing $PACKAGE needs root: run  apt-get install $PACKAGE  as root once, then try again."
  sudo "$@"
}

# Installs a Debian package when COMMAND is missing: need COMMAND PACKAGE
need() {
  PACKAGE=$2
  command -v "$1" >/dev/null 2>&1 && return
  [ -x "/usr/sbin/$1" ] && return
  command -v apt-get >/dev/null 2>&1 || fail "$PACKAGE is missing and this is not a Debian machine: install it, then try again."
  say "Installing $PACKAGE …"
  # policy-rc.d keeps Debian from starting a service of its own.
  local policy=/usr/sbin/policy-rc.d made=0
  if [ ! -e "$policy" ]; then as_root sh -c "printf '#!/bin/sh\nexit 101\n' > $policy && chmod +x $policy"; made=1; fi
  as_root apt-get update -qq >/dev/null 2>&1 || true
  as_root env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "$PACKAGE" >"$DATA/install.log" 2>&1 \
    || { [ $made = 1 ] && as_root rm -f "$policy"; fail "$PACKAGE could not be installed; the last lines of $DATA/install.log say why."; }
  [ $made = 1 ] && as_root rm -f "$policy"
  return 0
}

need_node() {
  command -v node >/dev/null 2>&1 || fail "Node 20 is missing: install it, then try again."
  local major; major=$(node -p 'process.versions.node.split(".")[0]')
  [ "$major" -ge 20 ] || fail "Node 20 or newer is needed; this is $(node -v)."
}

# Installs the packages of the lock file, when it has changed since the last time.
need_packages() {
  local now; now=$(sha256sum package-lock.json | cut -d' ' -f1)
  [ -d node_modules ] && [ "$(cat node_modules/.installed 2>/dev/null)" = "$now" ] && return
  say "Installing packages …"
  # A line that breaks off once is tried again; what is wrong with the packages themselves stays wrong.
  local tries=1
  until npm ci --no-audit --no-fund --loglevel=error >"$DATA/npm.log" 2>&1; do
    tries=$((tries + 1))
    { [ $tries -le 3 ] && grep -qE "network|ECONN|ETIMEDOUT" "$DATA/npm.log"; } || { tail -5 "$DATA/npm.log" >&2; fail "The packages could not be installed; $DATA/npm.log says more."; }
    sleep 2
  done
  printf '%s' "$now" >node_modules/.installed
}

port_taken() { node -e 'const s=require("net").connect(+process.argv[1],"127.0.0.1");s.on("connect",()=>process.exit(0));s.on("error",()=>process.exit(1))' "$1"; }

# Stops the process of a pid file when it still lives and its command line holds this text: stop_leftover FILE TEXT
stop_leftover() {
  local pid
  pid=$(cat "$1" 2>/dev/null) || return 0
  [ -r "/proc/$pid/cmdline" ] && tr '\0' ' ' <"/proc/$pid/cmdline" | grep -qF -- "$2" || return 0
  kill -TERM "$pid" 2>/dev/null
  for _ in $(seq 100); do kill -0 "$pid" 2>/dev/null || return 0; sleep 0.1; done
  fail "Process $pid of an earlier start does not stop; end it with  kill -9 $pid  and try again."
}

# Runs MariaDB over the data in $1 and waits for nothing; also brings one back that was killed. What an edit needs at most is set on purpose: pieces of an edit
# are below a megabyte, a statement of a thousand rows a few.
launch_database() {
  local dir=$1 mariadbd
  mariadbd=$(command -v mariadbd || echo /usr/sbin/mariadbd)
  "$mariadbd" --no-defaults --user="$(id -un)" --datadir="$dir/data" --bind-address=127.0.0.1 --port="$ZM_DB_PORT" --socket="$DB_SOCKET" --pid-file="$dir/mariadb.pid" \
    --skip-name-resolve --character-set-server=utf8mb4 --innodb-flush-log-at-trx-commit=1 --innodb-doublewrite=1 \
    --max-allowed-packet=64M --max-connections=100 --wait-timeout=86400 --innodb-lock-wait-timeout=10 --local-infile=1 --secure-file-priv="$dir/files" \
    >>"$dir/mariadb.log" 2>&1 9>&- &
  DB_PID=$!
}

# Asks the database as whoever runs it, through its socket: root has no password that anybody could use over the network.
# A database made before is entered as the root that it then had, and closed to it.
ask_database() { mariadb --no-defaults --socket="$DB_SOCKET" --user="$(id -un)" -N -B -e "$1" 2>/dev/null || mariadb --no-defaults --socket="$DB_SOCKET" --user=root -N -B -e "$1"; }

# Lets in whoever runs the database through its socket, root through the socket alone, and the server by its password; nobody else.
close_doors() {
  local user other; user=$(id -un)
  ask_database "CREATE USER IF NOT EXISTS '$user'@'localhost' IDENTIFIED VIA unix_socket; GRANT ALL ON *.* TO '$user'@'localhost' WITH GRANT OPTION;
    ALTER USER '$user'@'localhost' IDENTIFIED VIA unix_socket; ALTER USER IF EXISTS 'root'@'localhost' IDENTIFIED VIA unix_socket;" || return 1
  for other in $(ask_database "SELECT CONCAT('\'', user, '\'@\'', host, '\'') FROM mysql.global_priv
    WHERE NOT (host = 'localhost' AND user IN ('root', '$user', 'mariadb.sys')) AND NOT (host = '127.0.0.1' AND user = 'zealous')"); do
    ask_database "DROP USER $other" || return 1
  done
}

# Starts MariaDB on port $ZM_DB_PORT with its data in $1.
start_database() {
  local dir=$1 user
  user=$(id -un)
  mkdir -p "$dir" || fail "The folder $dir cannot be written; run this from a folder that is yours."
  [ -w "$dir" ] || fail "The folder $dir cannot be written; run this from a folder that is yours."
  chmod 700 "$dir"
  mkdir -p "$dir/files"
  case "$ZM_DB_PORT" in "" | *[!0-9]*) fail "ZM_DB_PORT is a port, a whole number such as 4601; \"$ZM_DB_PORT\" is none." ;; esac
  DB_SOCKET="$(mktemp -d /tmp/zealous-mark-XXXXXX)/db.sock"
  if port_taken "$ZM_DB_PORT"; then fail "Port $ZM_DB_PORT, which the database needs, is in use; stop what uses it, or choose another with ZM_DB_PORT=4711."; fi
  # What a start that was cut off has left half made holds nothing yet; it is made anew beside it and then put in its place at once.
  if [ ! -d "$dir/data/mysql" ] || { [ ! -e "$dir/data/zealous-made" ] && [ ! -s "$dir/password" ]; }; then
    rm -rf "$dir/data.new"
    mariadb-install-db --no-defaults --user="$user" --datadir="$dir/data.new" --auth-root-authentication-method=socket --auth-root-socket-user="$user" --skip-test-db >"$dir/install.log" 2>&1 \
      || fail "The database could not be made; $dir/install.log says why."
    : >"$dir/data.new/zealous-made"
    rm -rf "$dir/data"
    mv "$dir/data.new" "$dir/data"
  fi
  launch_database "$dir"
  # A password of its own for each database, which whoever can read the data can read as well.
  [ "$(cat "$dir/password" 2>/dev/null | wc -c)" -ge 48 ] || (umask 077 && head -c 24 /dev/urandom | od -An -tx1 | tr -d ' \n' >"$dir/password")
  chmod 600 "$dir/password"
  ZM_DB_PASSWORD=$(cat "$dir/password")
  export ZM_DB_PASSWORD
  local tries=0
  until ask_database "SELECT 1" >/dev/null 2>&1; do
    kill -0 "$DB_PID" 2>/dev/null || fail "The database did not start: $(grep -i error "$dir/mariadb.log" | tail -1)"
    tries=$((tries + 1)); [ $tries -lt 300 ] || fail "The database did not answer within a minute; $dir/mariadb.log says why."
    sleep 0.2
  done
  ask_database "CREATE DATABASE IF NOT EXISTS zealous_mark CHARACTER SET utf8mb4 COLLATE utf8mb4_bin;
    CREATE USER IF NOT EXISTS 'zealous'@'127.0.0.1' IDENTIFIED BY '$ZM_DB_PASSWORD';
    ALTER USER 'zealous'@'127.0.0.1' IDENTIFIED BY '$ZM_DB_PASSWORD';
    REVOKE FILE ON *.* FROM 'zealous'@'127.0.0.1';
    GRANT ALL ON zealous_mark.* TO 'zealous'@'127.0.0.1'; GRANT ALL ON \`zealous\_test\_%\`.* TO 'zealous'@'127.0.0.1';" || fail "The database could not be set up; $dir/mariadb.log says why."
  close_doors || fail "The database could not be closed to others; $dir/mariadb.log says why."
}

# Brings the database in $1 back whenever it has stopped by itself. Runs until it is killed; $DB_PID is then that of the newest.
keep_database() {
  while true; do
    kill -0 "$DB_PID" 2>/dev/null || launch_database "$1"
    sleep 0.5
  done
}

stop_database() {
  [ -n "${DB_PID:-}" ] || return 0
  kill -TERM "$DB_PID" 2>/dev/null
  wait "$DB_PID" 2>/dev/null
  [ -n "${DB_SOCKET:-}" ] && rm -rf "$(dirname "$DB_SOCKET")"
  DB_PID=
}
