#!/usr/bin/env bash
# Makes the settings and the tables, has the supervisor start the servers, and stops them all when it is told to; called by bin/start, which holds the lock.
. "$(dirname "$0")/common.sh"
use_data_folder "${SITZPLATZ_VAR:-$ROOT/var}"
PATH=$PATH:/usr/sbin
umask 027
PORT=${SITZPLATZ_PORT:-8080}
PHP_VERSION=$(php -r 'echo PHP_MAJOR_VERSION.".".PHP_MINOR_VERSION;')
. "$ROOT/bin/parts/settings.sh"
. "$ROOT/bin/parts/tls.sh"
STARTED=$(random_word)
SUPERVISOR=

stop_all() {
    trap '' INT TERM
    rm -f "$RUN/ready"
    [ -z "$SUPERVISOR" ] || { kill "$SUPERVISOR" 2> /dev/null && wait "$SUPERVISOR" 2> /dev/null; } || true
    # Nothing of ours stays behind, also where the supervisor was killed.
    stop_leftovers
}
trap stop_all EXIT
trap 'exit 0' INT TERM

reserve_port "$PORT" || fail "Port $PORT is taken by another program. Set SITZPLATZ_PORT to a free one, for example $(free_port $((PORT + 1)))."
set_setting SITZPLATZ_PORT "$PORT"
take_port SITZPLATZ_GAUGE_PORT 24061
take_port SITZPLATZ_THERMOMETER_PORT 25061
# What the app goes by from now on: when it stops taking anything new, and where its backups go.
for each in SITZPLATZ_DISK_FLOOR_MB SITZPLATZ_BACKUP_MB SITZPLATZ_FRONT; do
    [ -z "${!each:-}" ] || set_setting "$each" "${!each}"
done
for each in SITZPLATZ_BACKUPS SITZPLATZ_BACKUP_KEY; do
    [ -z "${!each:-}" ] || set_setting "$each" "$(readlink -m "${!each}")"
done
FRONT=$(sed -n 's/^SITZPLATZ_FRONT=//p' "$VAR/app.env")
[ "$FRONT" != none ] || FRONT=
[ -z "$FRONT" ] || printf '%s' "$FRONT" | grep -Eq '^[0-9]{1,3}(\.[0-9]{1,3}){3}(/[0-9]{1,2})?$' || fail "SITZPLATZ_FRONT has to be the address of the web server in front of this one, such as 192.168.1.5, or none, not $FRONT."
DEMO=1
[ "${SITZPLATZ_EMPTY:-0}" = 1 ] && DEMO=0
DEMO=$(setting SITZPLATZ_DEMO "$DEMO")

# Where the web server's user cannot read the code, it is given a copy that it can.
APP=$ROOT
if is_root && ! as_user www-data test -r "$ROOT/public/index.php"; then
    APP=$VAR/app
    rm -rf "$APP"
    mkdir -p "$APP"
    tar -C "$ROOT" -cf - bin catalogue composer.json config core demo docs migrations public src templates translations vendor | tar -C "$APP" -xf - --no-same-owner
    chmod -R a+rX "$APP"
fi

database_files
open_network
mkdir -p "$VAR/log/app" "$VAR/cache/prod" "$VAR/reserve"
if is_root; then
    # What the app writes, only it writes: whoever else runs a command has a cache and a log of its own.
    chown -R www-data: "$VAR/log/app" "$VAR/cache/prod" "$VAR/reserve"
    chmod a+x "$VAR" "$VAR/log" "$VAR/cache" "$RUN"
    chown root:www-data "$VAR/app.env"
    chmod 640 "$VAR/app.env"
else
    chmod 600 "$VAR/app.env"
fi
PLACES_HERE=(keeper learner gauge-reader thermometer-reader)
if [ "$DEMO" = 1 ]; then
    # What a simulated device says proves nothing: outside of the demo there is none.
    PLACES_HERE+=(gauge thermometer)
    # It prints by itself: where tests count prints, nobody else may.
    [ -n "${SITZPLATZ_DEMO_WITHOUT_YEAR:-}" ] || PLACES_HERE+=(printer)
fi
# Tests make their own.
[ -n "${SITZPLATZ_DEMO_WITHOUT_YEAR:-}" ] || PLACES_HERE+=(backup)
write_php
write_web
write_supervisor "${PLACES_HERE[@]}"

export APP PHP_VERSION
rm -f "$RUN/own/"*.last
(
    exec 8>> "$RUN/own/supervisor"
    exec supervisord -n -c "$RUN/supervisor.conf" < /dev/null > "$VAR/log/supervisor.out" 2>&1
) &
SUPERVISOR=$!
supervisor() { supervisorctl -c "$RUN/supervisor.conf" "$@"; }

await_database
console() { php "$APP/bin/console" "$@"; }
no_later_version "$VAR was made by a later version of Sitzplatz. Start it with that version, or put back a backup from before it."
# Compiled code of the app lies in the data folder. One that was brought here from elsewhere has none that is run: beside the code
# stands by which word we know our own.
OWN_CACHES=$ROOT/vendor/.caches/$(printf '%s' "$VAR" | sha256sum | cut -c1-12)
caches_are_ours() { [ -s "$VAR/cache/word" ] && [ "$(cat "$VAR/cache/word")" = "$(cat "$OWN_CACHES.word" 2> /dev/null)" ]; }
forget_caches() {
    rm -rf "$VAR/cache/"*-by-*
    as_user www-data find "$VAR/cache/prod" -mindepth 1 -delete
    random_word | tee "$OWN_CACHES.word" > "$VAR/cache/word"
}
if mkdir -p "$ROOT/vendor/.caches" 2> /dev/null && [ -w "$ROOT/vendor/.caches" ]; then
    caches_are_ours || rm -f "$OWN_CACHES"
    once "$OWN_CACHES" "$APP/src" "$APP/core" "$APP/config" "$APP/catalogue" "$APP/translations" "$APP/templates" "$APP/vendor/.made" -- forget_caches
else
    OWN_CACHES=$VAR/cache/nobody
    forget_caches
fi
SITZPLATZ_DATABASE_URL=$(schema_url sitzplatz) console doctrine:migrations:migrate --no-interaction --allow-no-migration > "$VAR/log/migrate.log" 2>&1 || { tail -n 12 "$VAR/log/migrate.log" >&2; fail "The tables could not be brought up to date; $VAR/log/migrate.log says why."; }
KEY=$(sed -n 's/^SITZPLATZ_BACKUP_KEY=//p' "$VAR/app.env")
console sitzplatz:backup:key "${KEY:-$VAR/backup.key}" ${KEY:+--chosen} || fail "The key of the backups cannot be used."
if [ "$DEMO" = 1 ]; then console sitzplatz:demo:load --once ${SITZPLATZ_DEMO_WITHOUT_YEAR:+--without-year}; fi
as_user www-data env SITZPLATZ_VAR="$VAR" php "$APP/bin/console" cache:warmup > "$VAR/log/warmup.log" 2>&1 || { tail -n 12 "$VAR/log/warmup.log" >&2; fail "The app does not start; $VAR/log/warmup.log says why."; }
supervisor start php web "beside:*" > "$VAR/log/started.log" 2>&1 || { cat "$VAR/log/started.log" >&2; fail "The servers could not be started; $VAR/log/supervisor.log says why."; }

# Only our own answer counts: whoever else listened there would not know the word of this start.
waited=0
until curl -fsS "http://127.0.0.1:$PORT/api/health" 2> /dev/null | grep -qF "$STARTED"; do
    kill -0 "$SUPERVISOR" 2> /dev/null || fail "The supervisor ended while starting; look into $VAR/log."
    waited=$((waited + 1))
    if [ $waited -gt 10 ] && tail -n 3 "$VAR/log/web-errors.log" 2> /dev/null | grep -q 'Address already in use'; then
        fail "Port $PORT${BIND:+, or port $NETWORK_PORT of $BIND,} was taken by another program meanwhile. Set SITZPLATZ_PORT${BIND:+ or SITZPLATZ_TLS_PORT} to a free one."
    fi
    [ $waited -lt 150 ] || fail "The app did not answer within 30 seconds; look into $VAR/log."
    sleep 0.2
done
touch "$RUN/ready"
say "Sitzplatz is ready: http://127.0.0.1:$PORT/"
[ -z "$BIND" ] || say "In the network: https://${NETWORK_NAMES[0]}:$NETWORK_PORT/ (how a tablet comes to trust it: /trust there)"
[ -n "${SITZPLATZ_DETACHED:-}" ] || say "Stop it with Ctrl-C."

wait "$SUPERVISOR" || true
say "The supervisor ended; look into $VAR/log. Everything is stopped."
exit 1
