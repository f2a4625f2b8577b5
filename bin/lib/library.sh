#!/usr/bin/env bash
# What of bin/pebblerun needs the database: import and export.
#   library.sh export FILE.zip [--shop=NAME]            everything that a shop owns
#   library.sh export PLATFORM FOLDER [--shop=NAME]     one platform: FOLDER/platform.json and FOLDER/parts.json
#   library.sh import FILE.zip                          an archive, into an empty installation
#   library.sh import PLATFORM.json PARTS.json [--shop=NAME] [--dry-run]
#   library.sh export plan:NUMBER FILE.json             a plan with everything it needs
#   library.sh import BUNDLE.json [--customer=NAME] [--title=NAME] [--dry-run]      such a plan, as a job
#   library.sh import LIST.csv SUPPLIER [--shop=NAME] [--dry-run] [--leave-out] [--column=FIELD=HEAD] [--decimal=comma] [--taxed] ...     a price list
set -Eeuo pipefail
. "$(dirname "$0")/ground.sh"
QUIET=1
choose_run
settings
trap - ERR
export APP_CONFIG_CACHE=$RUN/cache/none.php
say() { printf '%s\n' "$1" >&2; }
what=$1
shift
case "$what ${1:-}" in
    "export "*.zip)
        file=$1; shift
        [ ! -e "$file" ] || { say "$file is there already: name another file."; exit 2; }
        artisan shop:export "$@" > "$file.part" || { code=$?; cat "$file.part" >&2; rm -f "$file.part"; exit "$code"; }
        mv "$file.part" "$file"
        say "Everything the shop owns is in $file."
        ;;
    "export plan:"*)
        file=${2:?a file}
        [ ! -e "$file" ] || { say "$file is there already: name another file."; exit 2; }
        artisan plan:export "${1#plan:}" > "$file.part" || { code=$?; cat "$file.part" >&2; rm -f "$file.part"; exit "$code"; }
        mv "$file.part" "$file"
        say "The plan with everything it needs is in $file."
        ;;
    "export "*)
        key=${1:?a platform} folder=${2:?a folder}; shift 2
        mkdir -p "$folder"
        for one in platform.json parts.json parts.csv; do
            artisan library:export "$key" "$one" "$@" > "$folder/$one.part" || { code=$?; cat "$folder/$one.part" >&2; rm -f "$folder/$one.part"; exit "$code"; }
            mv "$folder/$one.part" "$folder/$one"
        done
        say "$folder/platform.json, $folder/parts.json and $folder/parts.csv are written."
        ;;
    # Numbers go on after those of the archive, and a job points at a plan that points at it: as the owner of the tables.
    "import "*.zip) owner_artisan shop:import < "$1" ;;
    "import "*.csv | "import "*.txt | "import "*.tsv)
        list=$1 supplier=${2:?of which supplier}; shift 2
        [ -r "$list" ] || { say "There is no file $list that can be read."; exit 2; }
        copies=$(as_user mktemp -d)
        trap 'rm -rf "$copies"' EXIT
        as_user tee "$copies/${list##*/}" < "$list" > /dev/null
        artisan prices:import "$copies/${list##*/}" "$supplier" "$@" 2>&1 | sed "s#$copies/##g"
        exit "${PIPESTATUS[0]}"
        ;;
    # One file, and nothing or options after it: a plan with everything it needs.
    "import "*.json)
        case ${2:-} in
            "" | -*)
                bundle=$1; shift
                [ -r "$bundle" ] || { say "There is no file $bundle that can be read."; exit 2; }
                copies=$(as_user mktemp -d)
                trap 'rm -rf "$copies"' EXIT
                as_user tee "$copies/bundle.json" < "$bundle" > /dev/null
                artisan plan:import "$copies/bundle.json" "$@" 2>&1
                exit "${PIPESTATUS[0]}"
                ;;
        esac
        platform=${1:?a platform} parts=${2:?its parts}; shift 2
        # The system user may not go where the caller's files are.
        copies=$(as_user mktemp -d)
        trap 'rm -rf "$copies"' EXIT
        for one in platform parts; do as_user tee "$copies/$one.json" < "${!one}" > /dev/null; done
        artisan library:import "$copies/platform.json" "$copies/parts.json" "$@" 2>&1 | sed "s#$copies/platform.json#$platform#g; s#$copies/parts.json#$parts#g"
        exit "${PIPESTATUS[0]}"
        ;;
esac
