#!/usr/bin/env bash
# A network of its own on this machine, with three machines in it: two with a node of a Galera cluster each, and one with the arbitrator; docs/cluster.md. Needs root.
# Sourced as  . scripts/cluster.sh FOLDER ; all goes when `end_cluster` is called. Each machine is a network namespace, zm-a 10.77.0.1, zm-b 10.77.0.2, zm-c 10.77.0.3; the
# script itself is at 10.77.0.254, and whatever a machine sends passes the bridge zm-hub.
FOLDER=$1
GALERA=/usr/lib/galera/libgalera_smm.so
# Short, so that a cluster that loses a machine stands again soon.
TIMEOUTS="evs.keepalive_period=PT0.15S;evs.inactive_check_period=PT0.1S;evs.suspect_timeout=PT0.5S;evs.inactive_timeout=PT1.5S;evs.install_timeout=PT1.5S;evs.join_retrans_period=PT0.15S"
MACHINES="a:10.77.0.1 b:10.77.0.2 c:10.77.0.3"

in_machine() { local name=$1; shift; ip netns exec "zm-$name" "$@"; }

make_network() {
  end_network
  ip link add zm-hub type bridge && ip addr add 10.77.0.254/24 dev zm-hub && ip link set zm-hub up || fail "A network cannot be made here; this needs root and the package iproute2."
  local each name address
  for each in $MACHINES; do
    name=${each%%:*} address=${each#*:}
    ip netns add "zm-$name" && ip link add "zm-$name" type veth peer name eth0 netns "zm-$name" || fail "The machine $name cannot be made."
    ip link set "zm-$name" master zm-hub up
    in_machine "$name" ip addr add "$address/24" dev eth0
    in_machine "$name" ip link set eth0 up
    in_machine "$name" ip link set lo up
  done
}

end_network() {
  local each
  for each in $MACHINES; do ip netns del "zm-${each%%:*}" 2>/dev/null; ip link del "zm-${each%%:*}" 2>/dev/null; done
  ip link del zm-hub 2>/dev/null
  return 0
}

# Starts the node of a machine: start_node NAME ADDRESS [--wsrep-new-cluster]
start_node() {
  local name=$1 address=$2 dir=$FOLDER/node-$1
  shift 2
  mkdir -p "$dir/files"
  # A node that hands its data to another one does not do that as root.
  chown -R mysql "$dir"
  if [ ! -d "$dir/data/mysql" ]; then
    mariadb-install-db --no-defaults --user=mysql --datadir="$dir/data" --auth-root-authentication-method=socket --auth-root-socket-user="$(id -un)" --skip-test-db >"$dir/install.log" 2>&1 \
      || fail "The node $name could not be made; $dir/install.log says why."
  fi
  in_machine "$name" mariadbd --no-defaults --user=mysql --datadir="$dir/data" --bind-address=0.0.0.0 --port=3306 --socket="$dir/db.sock" --pid-file="$dir/pid" \
    --skip-name-resolve --character-set-server=utf8mb4 --max-allowed-packet=64M --max-connections=100 --local-infile=1 --secure-file-priv="$dir/files" \
    --binlog-format=ROW --default-storage-engine=InnoDB --innodb-autoinc-lock-mode=2 --innodb-flush-log-at-trx-commit=2 \
    --wsrep-on=ON --wsrep-provider="$GALERA" --wsrep-cluster-name=zealous --wsrep-cluster-address="gcomm://10.77.0.1,10.77.0.2,10.77.0.3" \
    --wsrep-node-name="$name" --wsrep-node-address="$address" --wsrep-sst-method=rsync \
    --wsrep-provider-options="$TIMEOUTS;gcache.size=64M" \
    "$@" >>"$dir/log" 2>&1 &
  echo $! >"$dir/job"
}

ask_node() { mariadb --no-defaults --socket="$FOLDER/node-$1/db.sock" --user="$(id -un)" -N -B -e "$2"; }

# Waits until a node belongs to a cluster that counts.
await_node() {
  local tries=0
  until [ "$(ask_node "$1" "SELECT variable_value FROM information_schema.global_status WHERE variable_name = 'wsrep_ready'" 2>/dev/null)" = ON ]; do
    tries=$((tries + 1)); [ $tries -lt 300 ] || fail "The node $1 is not ready within a minute; $FOLDER/node-$1/log says why."
    sleep 0.2
  done
}

# It leaves a file where it is started.
start_arbitrator() { (cd "$FOLDER" && exec ip netns exec zm-c garbd --group zealous --address "gcomm://10.77.0.1,10.77.0.2" --options "$TIMEOUTS" >"$FOLDER/arbitrator.log" 2>&1) & }

# All of it, with the database and its user; the password stands in ZM_DB_PASSWORD.
start_cluster() {
  mkdir -p "$FOLDER"
  ZM_DB_PASSWORD=$(head -c 24 /dev/urandom | od -An -tx1 | tr -d ' \n')
  export ZM_DB_PASSWORD
  make_network
  start_node a 10.77.0.1 --wsrep-new-cluster
  await_node a
  ask_node a "CREATE DATABASE zealous_mark CHARACTER SET utf8mb4 COLLATE utf8mb4_bin; CREATE USER 'zealous'@'%' IDENTIFIED BY '$ZM_DB_PASSWORD'; GRANT ALL ON zealous_mark.* TO 'zealous'@'%';" || fail "The database could not be set up."
  start_node b 10.77.0.2
  await_node b
  start_arbitrator
}

end_cluster() {
  local each
  for each in $MACHINES; do ip netns pids "zm-${each%%:*}" 2>/dev/null | xargs -r kill -9 2>/dev/null; done
  sleep 0.3
  end_network
  rm -rf "$FOLDER"
}
