# Shared by bin/start, bin/test and bin/bench: installs what is missing and runs the project's own servers.
# Ports and folders can be set from outside:
#   PEBBLERUN_PORT (8800), PEBBLERUN_DB_PORT (8854), PEBBLERUN_RUN (folder for data, logs, secrets)
# Run by root, three system users share the work: one serves the web, one works in the background and runs commands, one is the
# stand-in for a supplier. None can read what another's processes know.

ROOT=$(cd "$(dirname "${BASH_SOURCE[0]}")/../.." && pwd)
PG=/usr/lib/postgresql/15/bin
export DEBIAN_FRONTEND=noninteractive PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD=1 COMPOSER_ALLOW_SUPERUSER=1
STEP=starting

step() { STEP=$1; [ -n "${QUIET:-}" ] || printf '· %s\n' "$1"; }

# fail "why" "what to do"
fail() {
    printf '\nPebblerun stopped while %s.\n  Why: %s\n  Do:  %s\n' "$STEP" "$1" "$2" >&2
    trap - ERR
    exit 1
}
trap 'fail "a command failed (line $LINENO: $BASH_COMMAND)" "read the lines above and the logs in ${RUN:-.run}/log, then run this again"' ERR

as_root() { [ "$(id -u)" = 0 ]; }

WEB_USER=pebblerun WORK_USER=pebblerun-work STAND_IN_USER=pebblerun-stand-in
web_user() { if as_root; then echo "$WEB_USER"; else id -un; fi; }
make_users() {
    as_root || return 0
    local name
    for name in "$WEB_USER" "$WORK_USER" "$STAND_IN_USER"; do
        getent passwd "$name" > /dev/null || useradd --system --user-group --no-create-home --home-dir /nonexistent --shell /usr/sbin/nologin "$name"
    done
    # Private files are the web's; a backup reads them.
    id -nG "$WORK_USER" | tr ' ' '\n' | grep -qx "$WEB_USER" || usermod -a -G "$WEB_USER" "$WORK_USER"
}
as_somebody() { local name=$1; shift; if as_root; then setpriv --reuid="$name" --regid="$name" --init-groups "$@"; else "$@"; fi; }
as_web() { as_somebody "$WEB_USER" "$@"; }
as_work() { as_somebody "$WORK_USER" "$@"; }

# A folder of ours: nobody else made it, and nobody else may write to it.
own_folder() {
    mkdir -p "$1"
    local owner mode
    owner=$(stat -c %u "$1") mode=$(stat -c %A "$1")
    [ "$owner" = "$(id -u)" ] || fail "the folder $1 belongs to somebody else" "look what it is and move it away, or set PEBBLERUN_RUN to a folder of your own"
    [ -L "$1" ] && fail "$1 is a link" "put a folder there"
    case $mode in ?????w????|????????w?) chmod go-w "$1" ;; esac
}

# Where data, logs and secrets are: inside the project where the system user may go there, else under /var/lib.
choose_run() {
    make_users
    RUN=${PEBBLERUN_RUN:-$ROOT/.run}
    SERVE=$ROOT
    if as_root && ! as_web test -x "$ROOT" -a -r "$ROOT/artisan"; then
        [ -n "${PEBBLERUN_RUN:-}" ] || RUN=/var/lib/pebblerun/$(printf %s "$ROOT" | cksum | cut -d' ' -f1)
        as_root && mkdir -p /var/lib/pebblerun
        COPY=1
    fi
    case $RUN in "$ROOT"/*) [ -z "${COPY:-}" ] || RUN=/var/lib/pebblerun/$(printf %s "$RUN" | cksum | cut -d' ' -f1) ;; esac
    own_folder "$RUN"
    mkdir -p "$RUN"/{log,done,web,cache,storage,work,files,stand-in} && chmod 755 "$RUN" "$RUN/web"
    RUN=$(cd "$RUN" && pwd)
    ID=$(printf %s "$RUN" | cksum | cut -d' ' -f1)
    [ -z "${COPY:-}" ] || SERVE=$RUN/app
    if as_root; then
        chown "$WEB_USER" "$RUN/cache" "$RUN/storage"
        chown "$WEB_USER:$WEB_USER" "$RUN/files"
        chown "$WORK_USER" "$RUN/work"
        chown "$STAND_IN_USER" "$RUN/stand-in"
    fi
    chmod 711 "$RUN/log"
    chmod 700 "$RUN/cache" "$RUN/storage" "$RUN/work" "$RUN/stand-in"
    chmod 2770 "$RUN/files"
    close_logs
    DB_FOLDER=$RUN/postgres
    PORT=${PEBBLERUN_PORT:-8800}
    DB_PORT=${PEBBLERUN_DB_PORT:-8854}
    URL=http://127.0.0.1:$PORT
}

# Each log is for whoever writes it.
close_logs() { find "$RUN/log" -maxdepth 1 -type f -perm /077 -exec chmod go-rwx {} +; }

# once NAME FILES… -- COMMAND…: runs the command unless these files are as they were when it last succeeded.
once() {
    local name=$1 inputs=() mark
    shift
    while [ "$1" != -- ]; do inputs+=("$1"); shift; done
    shift
    mark=$(mark_of "${inputs[@]}")$*
    [ "$(cat "$RUN/done/$name" 2>/dev/null)" = "$mark" ] && return 0
    rm -f "$RUN/done/$name"
    "$@"
    echo "$mark" > "$RUN/done/$name"
}
# What a step writes itself is made of the rest.
mark_of() { (cd "$ROOT" && find "$@" -type f -not -path '*/js/generated/*' -print0 2>/dev/null | sort -z | xargs -0 cat | sha256sum); }

DEBIAN_PACKAGES="postgresql-15 php8.2-pgsql php8.2-fpm php8.2-bcmath php8.2-mbstring php8.2-xml php8.2-intl php8.2-curl php8.2-zip nginx-light libnginx-mod-stream curl"

install_debian() {
    local missing=() package
    for package in $DEBIAN_PACKAGES "$@"; do
        dpkg-query -W -f='${Status}' "$package" 2>/dev/null | grep -q 'ok installed' || missing+=("$package")
    done
    [ ${#missing[@]} = 0 ] && return 0
    step "installing Debian's packages: ${missing[*]}"
    as_root || fail "these packages are missing and only root can install them: ${missing[*]}" "run this as root, or: apt-get install ${missing[*]}"
    # Debian would start a server on its own port; this project only wants the programs.
    local policy=/usr/sbin/policy-rc.d made=
    [ -e $policy ] || { printf '#!/bin/sh\nexit 101\n' > $policy; chmod +x $policy; made=1; }
    mkdir -p /etc/postgresql-common
    [ -e /etc/postgresql-common/createcluster.conf ] || echo 'create_main_cluster = false' > /etc/postgresql-common/createcluster.conf
    { apt-get update -qq && apt-get install -y -qq --no-install-recommends -o Dpkg::Options::=--force-confdef \
        -o Dpkg::Options::=--force-confold "${missing[@]}"; } > "$RUN/log/apt.log" 2>&1 \
        || { tail -5 "$RUN/log/apt.log" >&2; [ -z "$made" ] || rm $policy; fail "apt-get could not install ${missing[*]}" "see $RUN/log/apt.log; check the package sources and the network"; }
    [ -z "$made" ] || rm $policy
}

composer_packages() {
    step "installing PHP packages"
    # Nothing of a package runs before its files are what packages.sha256 says.
    (cd "$ROOT" && rm -rf vendor.part && COMPOSER_VENDOR_DIR=vendor.part composer update --no-interaction --no-progress --no-scripts --no-plugins --no-autoloader $(sed 's/^/--with /' pins.txt)) > "$RUN/log/composer.log" 2>&1 \
        || { tail -8 "$RUN/log/composer.log" >&2; fail "Composer could not install the pinned packages" "see $RUN/log/composer.log; check the network, then run this again"; }
    php "$ROOT/bin/lib/hashes.php" check "$ROOT/vendor.part" || fail "packages came that are others than those that were looked at" "do not go on; compare them, and the mirror that they came from"
    rm -rf "$ROOT/vendor" && mv "$ROOT/vendor.part" "$ROOT/vendor"
    (cd "$ROOT" && composer dump-autoload --optimize --no-interaction) >> "$RUN/log/composer.log" 2>&1 \
        || { tail -8 "$RUN/log/composer.log" >&2; fail "Composer could not write the autoloader" "see $RUN/log/composer.log"; }
    chmod -R a+rX "$ROOT/vendor"
}

node_packages() {
    step "installing Node packages"
    (cd "$ROOT" && npm ci --no-audit --no-fund) > "$RUN/log/npm.log" 2>&1 \
        || { tail -8 "$RUN/log/npm.log" >&2; fail "npm could not install the locked packages" "see $RUN/log/npm.log; check the network, then run this again"; }
}

front_end() {
    step "building the front end"
    (cd "$ROOT" && node bin/types.mjs && npx vite build && chmod -R a+rX public) > "$RUN/log/vite.log" 2>&1 \
        || { tail -20 "$RUN/log/vite.log" >&2; fail "the front end did not build" "see $RUN/log/vite.log"; }
}

install_packages() {
    command -v php >/dev/null || fail "there is no php" "install PHP 8.2 for the command line (php8.2-cli)"
    command -v composer >/dev/null || fail "there is no composer" "install Composer 2"
    command -v node >/dev/null && command -v npm >/dev/null || fail "there is no node or npm" "install Node.js 20 with npm"
    install_debian "$@"
    [ -f "$ROOT/vendor/autoload.php" ] || rm -f "$RUN/done/composer"
    [ -d "$ROOT/node_modules/vite" ] || rm -f "$RUN/done/npm"
    [ -f "$ROOT/public/build/manifest.json" ] || rm -f "$RUN/done/vite"
    once composer composer.json pins.txt packages.sha256 -- composer_packages
    once npm package-lock.json -- node_packages
    once vite package-lock.json vite.config.ts svelte.config.js tsconfig.json resources schemas bin/types.mjs -- front_end
}

# Secrets and settings live in one file that only this machine has.
# Parsed and never run: names, an equals sign, and the rest of the line as it is.
read_settings() {
    local line name value
    while IFS= read -r line || [ -n "$line" ]; do
        case $line in ''|'#'*) continue ;; esac
        name=${line%%=*} value=${line#*=}
        [[ $name =~ ^[A-Z][A-Z0-9_]*$ ]] || fail "\"$name\" in $1 is no name of a setting" "write NAME=value, a line each"
        export "$name=$value"
    done < "$1"
}

secret() { head -c 24 /dev/urandom | base64 | tr '+/' 'ab'; }
settings() {
    local file=$RUN/settings.env keys=$RUN/keys.env
    # Whose database is another machine's says so in its settings; what the environment happens to hold does not.
    DB_HOST=127.0.0.1 ELSEWHERE=
    if grep -qs '^DB_HOST=' "$file"; then ELSEWHERE=1; fi
    [ -z "${SERVES_ONLY:-}" ] || [ -n "$ELSEWHERE" ] || fail "$file names no database" "write into it APP_KEY and DB_PASSWORD as the machine has them that made the database, DB_HOST and DB_PORT (docs/operations.md)"
    if [ ! -s "$file" ]; then
        step "making the application key and secrets"
        (umask 077; printf 'APP_KEY=base64:%s\nDB_PASSWORD=%s\n' "$(head -c 32 /dev/urandom | base64)" "$(secret)" > "$file.part" && mv "$file.part" "$file")
    fi
    # What the database is made and changed with is for whoever runs this alone: no process of the web inherits it.
    if [ ! -s "$keys" ]; then
        [ -z "$ELSEWHERE" ] || fail "the database is elsewhere and $keys is missing" "write it: DB_WORK_PASSWORD, and on one machine DB_BACKUP_PASSWORD, as the machine has them that made the database"
        local admin=cluster password; password=$(secret)
        if [ -s "$DB_FOLDER/PG_VERSION" ]; then
            # An earlier version had one role for everything.
            admin=app password=$(sed -n 's/^DB_PASSWORD=//p' "$file")
            (umask 077; sed "s/^DB_PASSWORD=.*/DB_PASSWORD=$(secret)/" "$file" > "$file.part" && mv "$file.part" "$file")
        fi
        (umask 077; printf 'DB_ADMIN=%s\nDB_ADMIN_PASSWORD=%s\nDB_OWNER_PASSWORD=%s\n' "$admin" "$password" "$(secret)" > "$keys.part" && mv "$keys.part" "$keys")
    fi
    local name
    for name in DB_WORK_PASSWORD DB_BACKUP_PASSWORD PEBBLERUN_SIGNING_KEY; do
        [ -z "$ELSEWHERE" ] || break
        grep -q "^$name=" "$keys" || (umask 077; { cat "$keys"; printf '%s=%s\n' "$name" "$(secret)"; } > "$keys.part" && mv "$keys.part" "$keys")
    done
    read_settings "$file"
    read_settings "$keys"
    export -n DB_ADMIN DB_ADMIN_PASSWORD DB_OWNER_PASSWORD DB_WORK_PASSWORD DB_BACKUP_PASSWORD PEBBLERUN_SIGNING_KEY PEBBLERUN_BACKUP_KEY
    set -a
    APP_ENV=${APP_ENV:-production} APP_URL=${APP_URL:-$URL} DB_HOST=$DB_HOST DB_PORT=$DB_PORT DB_DATABASE=${DB_DATABASE:-pebblerun} DB_USERNAME=pebblerun_web
    PEBBLERUN_MAIL_PORT=${PEBBLERUN_MAIL_PORT:-$((PORT + 25))} PEBBLERUN_SUPPLIER_PORT=${PEBBLERUN_SUPPLIER_PORT:-$((PORT + 45))} APP_CONFIG_CACHE=$RUN/cache/config.php APP_ROUTES_CACHE=$RUN/cache/routes.php LARAVEL_STORAGE_PATH=$RUN/storage PEBBLERUN_FILES=$RUN/files PEBBLERUN_ESTIMATOR=$RUN/web/sockets/estimator.sock
    set +a
    # What the cached settings were made of: a changed port or host makes them anew.
    env | grep -E '^(APP|DB|MAIL|PEBBLERUN|SESSION|LOG)_' | sort | sha256sum > "$RUN/done/environment"
    mkdir -p "$RUN/php"
    printf 'opcache.enable_cli=1\nopcache.jit=1054\nopcache.jit_buffer_size=64M\nopcache.memory_consumption=192\nopcache.max_accelerated_files=20000\nopcache.revalidate_freq=2\nmemory_limit=256M\n' > "$RUN/php/pebblerun.ini"
    export PHP_INI_SCAN_DIR=:$RUN/php
}

as_postgres() {
    if as_root; then setpriv --reuid=postgres --regid=postgres --init-groups "$@"; else "$@"; fi
}

port_taken() { (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

start_database() {
    if [ -n "$ELSEWHERE" ]; then
        step "asking for the database at $DB_HOST, port $DB_PORT"
        local asked
        for asked in $(seq 30); do
            PGPASSWORD=$DB_PASSWORD PGTARGETSESSIONATTRS=read-write psql -h "$DB_HOST" -p "$DB_PORT" -U pebblerun_web -d "$DB_DATABASE" -qtAc 'select 1' > /dev/null 2> "$RUN/log/database.log" && return 0
            sleep 1
        done
        fail "no database that takes changes answers there: $(tail -1 "$RUN/log/database.log")" "start it, or promote its replica; DB_HOST and DB_PORT stand in $RUN/settings.env"
    fi
    if [ ! -s "$DB_FOLDER/PG_VERSION" ]; then
        step "making the project's own PostgreSQL cluster"
        # It has its name only once it is whole; nothing was migrated in it yet.
        rm -f "$RUN/done/framework"
        rm -rf "$DB_FOLDER" "$DB_FOLDER.part"
        install -d -m 700 "$DB_FOLDER.part"
        if as_root; then chown postgres:postgres "$DB_FOLDER.part"; fi
        local pw; pw=$(mktemp)
        printf %s "$DB_ADMIN_PASSWORD" > "$pw"
        if as_root; then chown postgres "$pw"; fi
        (cd / && as_postgres $PG/initdb -D "$DB_FOLDER.part" -U "$DB_ADMIN" --pwfile="$pw" --auth=scram-sha-256 -E UTF8 --locale=C.UTF-8) > "$RUN/log/initdb.log" 2>&1 \
            || { rm -f "$pw"; fail "initdb failed: $(tail -1 "$RUN/log/initdb.log")" "see $RUN/log/initdb.log"; }
        rm -f "$pw"
        printf "listen_addresses = '127.0.0.1'\nunix_socket_directories = ''\nmax_connections = 60\nlog_min_error_statement = panic\n" >> "$DB_FOLDER.part/postgresql.conf"
        mv "$DB_FOLDER.part" "$DB_FOLDER"
    fi
    # A server that was killed leaves its file; a number in it may be a dead process that nobody took away.
    local server; server=$(head -1 "$DB_FOLDER/postmaster.pid" 2>/dev/null || true)
    if [ -n "$server" ] && { [ ! -d "/proc/$server" ] || grep -q '^State:.Z' "/proc/$server/status" 2>/dev/null; }; then rm -f "$DB_FOLDER/postmaster.pid"; fi
    if (cd / && as_postgres $PG/pg_ctl -D "$DB_FOLDER" status) >/dev/null 2>&1; then
        [ "$(sed -n 4p "$DB_FOLDER/postmaster.pid" 2>/dev/null)" = "$DB_PORT" ] && return 0
        step "PostgreSQL moves to port $DB_PORT"
        (cd / && as_postgres $PG/pg_ctl -D "$DB_FOLDER" -m fast -w -t 30 stop) >/dev/null
    fi
    step "starting PostgreSQL on 127.0.0.1:$DB_PORT"
    if port_taken "$DB_PORT"; then
        fail "something else already listens on port $DB_PORT" "stop it, or set PEBBLERUN_DB_PORT to a free port"
    fi
    touch "$RUN/log/postgres.log"
    if as_root; then chown postgres "$RUN/log/postgres.log"; fi
    # What a killed server left needs a moment to go.
    local tries
    for tries in 1 2 3; do
        (cd / && as_postgres $PG/pg_ctl -D "$DB_FOLDER" -l "$RUN/log/postgres.log" -o "-p $DB_PORT" -w -t 60 start 9>&-) >/dev/null && return 0
        sleep 2
    done
    false || { tail -5 "$RUN/log/postgres.log" >&2; fail "PostgreSQL did not start" "see $RUN/log/postgres.log"; }
}

run_sql() { PGPASSWORD=$DB_ADMIN_PASSWORD PGTARGETSESSIONATTRS=read-write psql -h "$DB_HOST" -p "$DB_PORT" -U "$DB_ADMIN" -qtA -v ON_ERROR_STOP=1 "$@"; }

# Two roles, neither of them a superuser: one owns the tables and changes them, one reads and writes rows for the web.
make_database() {
    [ "$(run_sql -d postgres -c "select 1 from pg_database where datname = '$1'")" = 1 ] || run_sql -d postgres -c "create database \"$1\""
    # Through a pipe: what stands on a command line is seen by everybody on the machine.
    local naming; naming=$(php -r 'echo hash_hmac("sha256", "pebblerun names a shop", getenv("APP_KEY"));')
    { printf "\\\\set naming_key '%s'\n\\\\set owner_password '%s'\n\\\\set web_password '%s'\n\\\\set work_password '%s'\n\\\\set backup_password '%s'\n\\\\set database '%s'\n" "$naming" "$DB_OWNER_PASSWORD" "$DB_PASSWORD" "$DB_WORK_PASSWORD" "$DB_BACKUP_PASSWORD" "$1"; cat "$ROOT/bin/lib/roles.sql"; } | run_sql -d "$1" -f -
}

# Root runs no PHP of the application. The web's own commands know what the web knows: its role's password, and no other.
web_artisan() { (cd "$SERVE" && as_web php "$SERVE/artisan" "$@"); }
# Work in the background and commands: a user, a role and a folder of their own. Their settings are read as they are, never cached.
work_knows() { export DB_USERNAME=pebblerun_work DB_PASSWORD=$DB_WORK_PASSWORD DB_BACKUP_PASSWORD PEBBLERUN_SIGNING_KEY PEBBLERUN_BACKUP_KEY LARAVEL_STORAGE_PATH=$RUN/work APP_CONFIG_CACHE=$RUN/work/none.php APP_ROUTES_CACHE=$RUN/work/none-routes.php TMPDIR=$RUN/work/tmp; }
artisan() { (cd "$SERVE" && work_knows && as_work php "$SERVE/artisan" "$@"); }
# As the owner of the tables.
owner_artisan() { (cd "$SERVE" && work_knows && export DB_USERNAME=pebblerun_owner DB_PASSWORD=$DB_OWNER_PASSWORD && as_work php "$SERVE/artisan" "$@"); }

make_storage() {
    as_web mkdir -p "$RUN"/storage/{logs,tmp,framework/{cache,sessions,views}}
    as_work mkdir -p "$RUN"/work/{logs,tmp,framework/{cache,sessions,views}}
    # What a kill left half-made.
    as_web find "$RUN/storage/tmp" -mindepth 1 -mmin +120 -delete 2> /dev/null || true
    as_work find "$RUN/work/tmp" -mindepth 1 -mmin +120 -delete 2> /dev/null || true
}
prepare_storage() { make_storage; publish; }

# Where the system user may not enter the project, it is served from a copy that belongs to root.
publish() {
    [ -n "${COPY:-}" ] || return 0
    step "copying the application to where it is served from"
    rm -rf "$SERVE.part"
    mkdir -p "$SERVE.part"
    (cd "$ROOT" && tar cf - app artisan bin bootstrap composer.json config core database demo formats public resources/views routes schemas vendor) | (cd "$SERVE.part" && tar xf - --no-same-owner)
    chmod -R a+rX,go-w "$SERVE.part"
    rm -rf "$SERVE" && mv "$SERVE.part" "$SERVE"
}

# Whether a process is one of ours: all of them work in one folder, but the web's workers, whose name says whose they are. A number
# in a file says nothing: it may be anybody's by now.
ours() {
    [ -d "/proc/$1" ] && ! grep -q '^State:.Z' "/proc/$1/status" 2>/dev/null || return 1
    [ "$(readlink "/proc/$1/cwd")" = "$RUN/web" ] || tr '\0' ' ' < "/proc/$1/cmdline" 2>/dev/null | grep -q "^php-fpm: pool pebblerun-$ID "
}
running() {
    local pid
    pid=$(cat "$1" 2>/dev/null) && [[ $pid =~ ^[0-9]+$ ]] && ours "$pid"
}
# What is left of ours without a file that names it: after a kill of its master, or of bin/start itself.
strays() {
    local pid known
    known=" $(for pid in "$RUN"/web/*.pid; do [ ! -f "$pid" ] || printf '%s ' "$(cat "$pid")"; done)"
    for pid in $(pgrep -f 'nginx: |php-fpm: |bin/lib/watch.sh|bin/lib/rotate.sh|bin/lib/supplier.php|artisan ' || true); do
        if [ "$pid" != $$ ] && ours "$pid" && ! has_master "$pid" "$known"; then echo "$pid"; fi
    done
}
has_master() {
    local pid=$1
    while [ "$pid" -gt 1 ]; do
        case $2 in *" $pid "*) return 0 ;; esac
        pid=$(awk '/^PPid:/ {print $2}' "/proc/$pid/status" 2>/dev/null || echo 1)
    done
    return 1
}
clear_strays() {
    local all; all=$(strays)
    [ -z "$all" ] || { step "ending what an earlier run left behind"; kill -KILL $all 2>/dev/null || true; sleep 0.3; }
}

# One start or stop at a time; whoever comes second waits, and finds it done.
alone() {
    exec 9> "$RUN/lock"
    flock -w 120 9 || fail "another bin/start or bin/stop is at work here" "wait for it, then run this again"
}

# Settings of the web's servers, from what stands beside this.
web_settings() {
    local user proxy name; user=$(web_user)
    for name in nginx.conf site.conf request.conf fastcgi.conf; do
        sed -e "s#@ROOT@#$SERVE#g; s#@RUN@#$RUN#g; s#@PORT@#$PORT#g; s#@LISTEN@#${PEBBLERUN_LISTEN:-127.0.0.1}#g; s#@USER@#$user#g; s#@RATE@#${PEBBLERUN_RATE:-40}#; s#@BURST@#${PEBBLERUN_BURST:-200}#; s#@FORMS@#${PEBBLERUN_FORMS:-2}#; s#@CALLERS@#${PEBBLERUN_CALLERS:-150}#" "$ROOT/bin/lib/$name" > "$RUN/web/$name"
    done
    # Behind a proxy, limits count the address that it names.
    : > "$RUN/web/proxies.conf" && : > "$RUN/web/callers.conf"
    for proxy in $(tr ',' ' ' <<< "${PEBBLERUN_PROXIES:-}"); do
        printf 'set_real_ip_from %s;\n' "$proxy" >> "$RUN/web/proxies.conf"
        printf '%s 1;\n' "$proxy" >> "$RUN/web/callers.conf"
    done
    cp "$ROOT/bin/lib/headers.conf" "$RUN/web/headers.conf"
    sed -e "s#@RUN@#$RUN#g; s#@USER@#$user#g; s#@ID@#$ID#g; s#@WORKERS@#${PEBBLERUN_WORKERS:-6}#" "$ROOT/bin/lib/php-fpm.conf" > "$RUN/web/php-fpm.conf"
    if ! as_root; then sed -i '/^user/d; /^group/d; /^listen.owner/d' "$RUN/web/php-fpm.conf" "$RUN/web/nginx.conf"; fi
    mkdir -p "$RUN/web/tmp" "$RUN/web/sockets"
    if as_root; then chown "$user" "$RUN/web/tmp" "$RUN/web/sockets"; fi
    chmod 700 "$RUN/web/tmp" "$RUN/web/sockets"
}
what_nginx_reads() { cat "$RUN"/web/{nginx,site,request,fastcgi,proxies,callers,headers}.conf; }

start_web() {
    web_settings
    start_watched estimator php "$SERVE/artisan" pebblerun:estimator
    if ! running "$RUN/web/php-fpm.pid"; then
        step "starting php-fpm"
        rm -f "$RUN/web/php-fpm.pid" "$RUN/web/sockets/php-fpm.sock"
        (cd "$RUN/web" && php-fpm8.2 -y "$RUN/web/php-fpm.conf" 9>&-) > "$RUN/log/php-fpm-start.log" 2>&1 \
            || { cat "$RUN/log/php-fpm-start.log" >&2; fail "php-fpm did not start" "see $RUN/log/php-fpm.log"; }
    elif [ -n "${RELOAD:-}" ]; then
        kill -USR2 "$(cat "$RUN/web/php-fpm.pid")"
    fi
    if ! running "$RUN/web/nginx.pid"; then
        step "starting nginx on $URL"
        if port_taken "$PORT"; then fail "something else already listens on port $PORT" "stop it, or set PEBBLERUN_PORT to a free port"; fi
        rm -f "$RUN"/web/sockets/{direct,proxied}.sock
        (cd "$RUN/web" && { ulimit -n 16384 2> /dev/null || true; } && nginx -e "$RUN/log/nginx.log" -c "$RUN/web/nginx.conf" -p "$RUN/web" 9>&-) 2> "$RUN/log/nginx-start.log" \
            || { cat "$RUN/log/nginx-start.log" >&2; fail "nginx did not start" "see $RUN/log/nginx.log"; }
    elif ! what_nginx_reads | cmp -s - "$RUN/web/nginx.conf.running"; then
        step "nginx takes its changed settings"
        kill -HUP "$(cat "$RUN/web/nginx.pid")"
    fi
    what_nginx_reads > "$RUN/web/nginx.conf.running"
    step "waiting for a page"
    local tries
    for tries in $(seq 60); do
        if curl -fsS -o /dev/null --max-time 5 "$URL/sign-in" 2> "$RUN/log/wait.log"; then serves_as_web; return 0; fi
        sleep 0.25
    done
    fail "no page answered at $URL/sign-in: $(cat "$RUN/log/wait.log")" "see $RUN/storage/logs and $RUN/log"
}
# The web says itself as whom the database knows it.
serves_as_web() {
    local said; said=$(curl -sS --max-time 10 "$URL/up" || true)
    case $said in *'"Database":"good"'*) return 0 ;; esac
    fail "the web has no database, or works in another role than its own: $said" "see $RUN/storage/logs"
}

# start_watched NAME COMMAND…: runs it in the background as the web's user, and again whenever it ends.
start_watched() { start_watched_as "$(web_user)" "$@"; }
start_watched_as() {
    local user=$1 name=$2 file=$RUN/web/$2.pid
    shift 2
    [ -z "${RELOAD:-}" ] || stop_one "$file"
    mkdir -p "$RUN/web/sockets"
    if as_root; then chown "$(web_user)" "$RUN/web/sockets"; fi
    if running "$file"; then return 0; fi
    step "starting the $name"
    local as=()
    if as_root && [ "$user" != root ]; then as=(setpriv "--reuid=$user" "--regid=$user" --init-groups); fi
    (cd "$RUN/web" && exec 9>&- setsid "${as[@]}" bash "$SERVE/bin/lib/watch.sh" "$@") >> "$RUN/log/$name.log" 2>&1 < /dev/null &
    echo $! > "$file"
    disown
}
# The same with what work in the background knows.
start_work() { (work_knows && start_watched_as "$(as_work id -un)" "$@"); }

# What this installation holds: "nothing", the "demo" alone, or "shops".
installation() { PGPASSWORD=$DB_PASSWORD PGTARGETSESSIONATTRS=read-write psql -h "$DB_HOST" -p "$DB_PORT" -U pebblerun_web -d "$DB_DATABASE" -qtAc 'select installation()'; }

# Work in the background, and what is due by the clock.
start_background() {
    start_work worker php "$SERVE/artisan" queue:work --sleep=1 --max-time=3600 --quiet
    # What strangers' files need has a worker, a memory and a time of its own: nothing else waits for it.
    start_work file-worker php -d memory_limit=512M "$SERVE/artisan" queue:work --queue=files --sleep=1 --max-time=3600 --quiet
    # Without a mail server of its own, a stand-in takes the mail.
    if [ -n "${MAIL_HOST:-}" ]; then stop_one "$RUN/web/mail-catcher.pid"; else start_work mail-catcher php "$SERVE/artisan" pebblerun:mail-catcher; fi
    # The demo has a stand-in for a supplier that is asked over the wire; it knows nothing of the shop.
    if [ "$(installation)" = demo ]; then
        start_watched_as "$(as_somebody "$STAND_IN_USER" id -un)" supplier env -i "PATH=$PATH" "PEBBLERUN_STAND_IN=$RUN/stand-in" php -S "127.0.0.1:$PEBBLERUN_SUPPLIER_PORT" "$SERVE/bin/lib/supplier.php"
    else
        stop_one "$RUN/web/supplier.pid"
    fi
    # The logs belong to whoever runs this.
    start_watched_as "$(id -un)" rotation bash "$SERVE/bin/lib/rotate.sh" "$RUN/log"
    start_work scheduler php "$SERVE/artisan" schedule:work --quiet
    close_logs
}

# Everything that it began goes with it.
stop_one() {
    local pid tries
    running "$1" || { rm -f "$1"; return 0; }
    pid=$(cat "$1")
    kill "-${2:-TERM}" "$pid" 2>/dev/null || true
    for tries in $(seq 100); do running "$1" || break; sleep 0.1; done
    pkill -KILL -s "$pid" 2> /dev/null || true
    rm -f "$1"
}

stop_all() {
    local name
    for name in worker file-worker estimator scheduler mail-catcher supplier rotation nginx php-fpm; do stop_one "$RUN/web/$name.pid"; done
    clear_strays
    rm -rf "$RUN"/web/sockets/* "$RUN"/web/tmp/* "$RUN/web/nginx.conf.running"
    if [ -s "$DB_FOLDER/postmaster.pid" ]; then
        (cd / && as_postgres $PG/pg_ctl -D "$DB_FOLDER" -m fast -w -t 30 stop) >/dev/null 2>&1 || true
    fi
}
