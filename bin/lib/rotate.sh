#!/usr/bin/env bash
# rotate.sh FOLDER [once]: keeps the logs in a folder small. One that grew past a size, or is a week old, is copied aside, packed and
# emptied, for whoever writes it keeps it open; three of each stay. The application's own log rotates by itself.
set -u
FOLDER=$1
LARGE=${PEBBLERUN_LOG_SIZE:-8M}
DAYS=7
KEEP=3

rotate() {
    local log=$1 n
    for ((n = KEEP - 1; n >= 1; n--)); do [ ! -e "$log.$n.gz" ] || mv "$log.$n.gz" "$log.$((n + 1)).gz"; done
    (umask 077; gzip -c "$log" > "$log.1.gz.part") && mv "$log.1.gz.part" "$log.1.gz" && : > "$log"
}

# A log is as old as what was packed of it last, or as the note beside it.
is_due() {
    [ -s "$1" ] || return 1
    [ -z "$(find "$1" -size +"$LARGE")" ] || return 0
    local since; since=$(dirname "$1")/.$(basename "$1").since
    [ ! -e "$1.1.gz" ] || since=$1.1.gz
    [ -e "$since" ] || : > "$since"
    [ -n "$(find "$since" -mtime +"$((DAYS - 1))")" ]
}

while true; do
    for log in "$FOLDER"/*.log; do
        if [ -f "$log" ] && is_due "$log"; then rotate "$log"; fi
    done
    [ "${2:-}" != once ] || exit 0
    sleep 20 &
    wait $!
done
