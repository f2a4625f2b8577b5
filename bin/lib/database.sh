#!/usr/bin/env bash
# database.sh stop|start: takes the project's own database away as a power cut would, and brings it back.
set -Eeuo pipefail
. "$(dirname "$0")/ground.sh"
QUIET=1
choose_run
settings
case ${1:-} in
    stop) (cd / && as_postgres $PG/pg_ctl -D "$DB_FOLDER" -m immediate -w -t 30 stop) > /dev/null ;;
    start) start_database ;;
    *) fail "unknown word \"${1:-}\"" "use: database.sh stop|start" ;;
esac
