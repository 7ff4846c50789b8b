#!/usr/bin/env bash
# Two servers on a Galera cluster in a network of its own on this machine, which is cut and healed; docs/cluster.md. Needs root.
set -u
cd "$(dirname "$0")/.." || exit 1
DATA=$PWD/.data
mkdir -p "$DATA"
# shellcheck source=scripts/database.sh
. scripts/database.sh
need mariadbd mariadb-server
need garbd galera-arbitrator-4
[ -e /usr/lib/galera/libgalera_smm.so ] || need no-such-command galera-4
need rsync rsync
need ip iproute2
WHERE=$(mktemp -d /tmp/zealous-mark-cluster-XXXXXX)
chmod 755 "$WHERE"
# shellcheck source=scripts/cluster.sh
. scripts/cluster.sh "$WHERE"
trap end_cluster EXIT
trap 'exit 130' INT TERM
[ -n "${ZM_BUILT:-}" ] || npm run -s build >"$DATA/build.log" 2>&1 || fail "The build failed; $DATA/build.log says more."
start_cluster
node --no-warnings scripts/network.mjs "$WHERE"
