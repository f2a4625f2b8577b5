#!/usr/bin/env bash
# kills.sh PLACE TIMES: kills what serves there, one after the other, and starts it again. Says how often.
set -u
RUN=$1 TIMES=$2
cd "$(dirname "$0")/../.."
ID=$(printf %s "$RUN" | cksum | cut -d' ' -f1)
for ((n = 0; n < TIMES; n++)); do
    sleep 0.7
    case $((n % 5)) in
        0) kill -KILL "$(head -1 "$RUN/postgres/postmaster.pid")" ;;
        1) pkill -KILL -f "php-fpm: pool pebblerun-$ID" ;;
        2) kill -KILL "$(cat "$RUN/web/nginx.pid")"; pkill -KILL -P "$(cat "$RUN/web/nginx.pid")" ;;
        3) kill -KILL "$(cat "$RUN/web/php-fpm.pid")" ;;
        4) kill -KILL "$(cat "$RUN/web/estimator.pid")" "$(cat "$RUN/web/worker.pid")" ;;
    esac
    bash bin/start > /dev/null || exit 1
done
echo "$TIMES"
