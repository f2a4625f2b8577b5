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
say() { printf '%s\n' "$1" >&2; }
# What is taken in is a file: a device or a pipe may never end.
is_file() {
    [ -f "$1" ] && [ -r "$1" ] || { say "There is no file $1 that can be read."; exit 2; }
    [ "$(stat -Lc %s "$1")" -le "$2" ] || { say "$1 has $(($(stat -Lc %s "$1") / 1000000)) MB; $(($2 / 1000000)) at most are taken in."; exit 2; }
}
DOCUMENT=8000000 LIST=7000000 ARCHIVE=4000000000
# copy FILE NAME: for the user that works, who may not go where the caller's files are.
copy() { as_work tee "$copies/$2" < "$1" > /dev/null; }
with_copies() { make_storage; copies=$(as_work mktemp -d -p "$RUN/work/tmp"); trap 'rm -rf "$copies"' EXIT; }
what=$1
shift
case "$what ${1:-}" in
    "link "*) artisan person:password "$1" ;;
    "export "*.zip)
        file=$1; shift
        [ ! -e "$file" ] || { say "$file is there already: name another file."; exit 2; }
        trap 'rm -f "$file.part"' EXIT
        artisan shop:export "$@" > "$file.part" || { code=$?; head -c 400 "$file.part" >&2; exit "$code"; }
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
    "import "*.zip)
        is_file "$1" "$ARCHIVE"
        with_copies
        copy "$1" archive.zip
        owner_artisan shop:import "$copies/archive.zip"
        ;;
    "import "*.csv | "import "*.txt | "import "*.tsv)
        list=$1 supplier=${2:?of which supplier}; shift 2
        is_file "$list" "$LIST"
        with_copies
        copy "$list" "${list##*/}"
        code=0
        said=$(artisan prices:import "$copies/${list##*/}" "$supplier" "$@" 2>&1) || code=$?
        printf '%s\n' "${said//"$copies/"/}"
        exit "$code"
        ;;
    # One file, and nothing or options after it: a plan with everything it needs.
    "import "*.json)
        case ${2:-} in
            "" | -*)
                bundle=$1; shift
                is_file "$bundle" "$DOCUMENT"
                with_copies
                copy "$bundle" bundle.json
                artisan plan:import "$copies/bundle.json" "$@" 2>&1
                exit
                ;;
        esac
        platform=${1:?a platform} parts=${2:?its parts}; shift 2
        is_file "$platform" "$DOCUMENT"
        is_file "$parts" "$DOCUMENT"
        with_copies
        copy "$platform" platform.json
        copy "$parts" parts.json
        code=0
        said=$(artisan library:import "$copies/platform.json" "$copies/parts.json" "$@" 2>&1) || code=$?
        said=${said//"$copies/platform.json"/$platform}
        printf '%s\n' "${said//"$copies/parts.json"/$parts}"
        exit "$code"
        ;;
    *)
        say "Nothing is taken in from ${1:-nothing}: name an archive (.zip), a plan or a platform and its parts (.json), or a price list (.csv)."
        exit 2
        ;;
esac
