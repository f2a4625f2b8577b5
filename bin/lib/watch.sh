#!/usr/bin/env bash
# watch.sh COMMAND…: runs it, and again whenever it ends, until this is told to stop.
set -u
child=
trap 'trap - TERM INT; [ -z "$child" ] || kill -TERM "$child" 2>/dev/null; wait; exit 0' TERM INT
while true; do
    "$@" &
    child=$!
    wait "$child"
    printf '%s ended with %s; it is started again\n' "$*" "$?"
    sleep 1 &
    wait $!
done
