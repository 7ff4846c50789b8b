#!/usr/bin/env bash
# Brings a node of the cluster of a script back: clusterNode.sh FOLDER a|b
set -u
cd "$(dirname "$0")/.." || exit 1
# shellcheck source=scripts/database.sh
. scripts/database.sh
# shellcheck source=scripts/cluster.sh
. scripts/cluster.sh "$1"
case "$2" in a) start_node a 10.77.0.1 ;; b) start_node b 10.77.0.2 ;; esac
wait
