#!/usr/bin/env bash
# Starts the servers, watches over them, and stops them all when it is told to; called by bin/start, which holds the lock.
. "$(dirname "$0")/common.sh"
use_data_folder "${SITZPLATZ_VAR:-$ROOT/var}"
PATH=$PATH:/usr/sbin
PORT=${SITZPLATZ_PORT:-8080}
PHP_VERSION=$(php -r 'echo PHP_MAJOR_VERSION.".".PHP_MINOR_VERSION;')
PIDS=()
DATABASE_PID=

stop_all() {
    trap '' INT TERM
    local pid
    for pid in $(printf '%s\n' "${PIDS[@]}" | tac); do kill "$pid" 2> /dev/null || true; done
    for pid in "${PIDS[@]}"; do wait "$pid" 2> /dev/null || true; done
    if [ -n "$DATABASE_PID" ]; then
        kill "$DATABASE_PID" 2> /dev/null || true
        wait "$DATABASE_PID" 2> /dev/null || true
    fi
    rm -f "$RUN/serve.pid" "$RUN/pids" "$RUN/ready"
}
trap stop_all EXIT
trap 'exit 0' INT TERM

printf '%s\n' $$ > "$RUN/serve.pid"
start_database
set_setting SITZPLATZ_PORT "$PORT"
# device_port NAME FIRST: where a stand-in listens, another one if somebody else does by now.
device_port() {
    local port
    port=$(setting "$1" "$(free_port "$2")")
    port_is_free "$port" || set_setting "$1" "$(free_port $((port + 1)))"
}
device_port SITZPLATZ_GAUGE_PORT 34061
device_port SITZPLATZ_THERMOMETER_PORT 35061
DEMO=1
[ "${SITZPLATZ_EMPTY:-0}" = 1 ] && DEMO=0
DEMO=$(setting SITZPLATZ_DEMO "$DEMO")

# Where the web server's user cannot read the code, it is given a copy that it can.
APP=$ROOT
if is_root && ! as_user www-data test -r "$ROOT/public/index.php"; then
    APP=$VAR/app
    rm -rf "$APP"
    mkdir -p "$APP"
    tar -C "$ROOT" -cf - bin catalogue composer.json config core demo docs migrations public src templates vendor | tar -C "$APP" -xf - --no-same-owner
    chmod -R a+rX "$APP"
fi

console() { php "$APP/bin/console" "$@"; }
rm -rf "$VAR/cache/prod"
console doctrine:migrations:migrate --no-interaction --allow-no-migration > "$VAR/log/migrate.log" 2>&1 || { tail -n 12 "$VAR/log/migrate.log" >&2; fail "The tables could not be brought up to date; $VAR/log/migrate.log says why."; }
if [ "$DEMO" = 1 ]; then console sitzplatz:demo:load --once ${SITZPLATZ_DEMO_WITHOUT_YEAR:+--without-year}; fi
console cache:warmup > "$VAR/log/warmup.log" 2>&1 || { tail -n 12 "$VAR/log/warmup.log" >&2; fail "The app does not start; $VAR/log/warmup.log says why."; }
if is_root; then
    chown -R www-data: "$VAR/cache" "$VAR/log"
    chown mysql: "$VAR/log/mariadb.log"
    chown root:www-data "$VAR/app.env"
    chmod 640 "$VAR/app.env"
    chmod a+rx "$RUN"
else
    chmod 600 "$VAR/app.env"
fi

# device COMMAND: a reader or a stand-in that goes on beside the app.
device() {
    become www-data php "$APP/bin/console" "sitzplatz:$1" 9>&- < /dev/null >> "$VAR/log/${1%%:*}.log" 2>&1 &
    PIDS+=($!)
    remember $!
}
for each in gauge thermometer; do
    # What a simulated device says proves nothing: outside of the demo there is none.
    [ "$DEMO" != 1 ] || device $each:stand-in
    device $each:read
done
# It prints by itself: where tests count prints, nobody else may.
[ "$DEMO" != 1 ] || [ -n "${SITZPLATZ_DEMO_WITHOUT_YEAR:-}" ] || device printer:stand-in

USER_LINES=
is_root && USER_LINES=$'user = www-data\ngroup = www-data\nlisten.owner = www-data\nlisten.group = www-data'
cat > "$RUN/fpm.conf" <<CONF
[global]
error_log = $VAR/log/fpm.log
daemonize = no
[www]
$USER_LINES
listen = $RUN/fpm.sock
pm = static
pm.max_children = 6
pm.max_requests = 5000
clear_env = yes
env[SITZPLATZ_VAR] = $VAR
env[PATH] = /usr/bin:/bin
php_admin_flag[opcache.enable] = on
php_admin_value[opcache.validate_timestamps] = 0
php_admin_value[opcache.memory_consumption] = 128
php_admin_value[opcache.max_accelerated_files] = 20000
php_admin_value[realpath_cache_size] = 4096K
php_admin_value[realpath_cache_ttl] = 3600
php_admin_value[memory_limit] = 192M
php_admin_value[max_execution_time] = 30
php_admin_value[post_max_size] = 136M
php_admin_value[upload_max_filesize] = 16M
php_admin_flag[expose_php] = off
php_admin_flag[display_errors] = off
CONF
# Preloading is read before the pool's own settings, so it stands on the command line.
PRELOAD=("-d" "opcache.preload=$VAR/cache/prod/App_KernelProdContainer.preload.php")
is_root && PRELOAD+=("-d" "opcache.preload_user=www-data")
"php-fpm$PHP_VERSION" -y "$RUN/fpm.conf" -c /etc/php/"$PHP_VERSION"/fpm/php.ini "${PRELOAD[@]}" --nodaemonize $(is_root && echo -R) 9>&- < /dev/null > /dev/null 2>> "$VAR/log/fpm.log" &
PIDS+=($!)
remember $!

mkdir -p "$RUN/nginx"
is_root && chown www-data: "$RUN/nginx"
cat > "$RUN/nginx.conf" <<CONF
daemon off;
$(is_root && echo 'user www-data;')
worker_processes 1;
pid $RUN/nginx.pid;
error_log $VAR/log/nginx.log warn;
events { worker_connections 256; }
http {
    types {
        text/html html; text/css css; application/javascript js; image/svg+xml svg; image/png png;
        font/woff2 woff2; application/json json map; text/plain txt;
    }
    default_type application/octet-stream;
    access_log off;
    server_tokens off;
    client_max_body_size 20m;
    client_body_temp_path $RUN/nginx/body; fastcgi_temp_path $RUN/nginx/fastcgi; proxy_temp_path $RUN/nginx/proxy; uwsgi_temp_path $RUN/nginx/uwsgi; scgi_temp_path $RUN/nginx/scgi;
    gzip on; gzip_min_length 600; gzip_types text/css application/javascript application/json image/svg+xml;
    # A page of a foreign name would be let in by the browser as that name's own.
    server {
        listen 127.0.0.1:$PORT default_server;
        server_name _;
        default_type application/problem+json;
        return 421 '{"type":"about:blank","title":"Not this address","status":421,"detail":"Open the app at http://127.0.0.1:$PORT/.","errors":[]}';
    }
    server {
        listen 127.0.0.1:$PORT;
        server_name 127.0.0.1 localhost;
        root $APP/public;
        location /build/ { add_header Cache-Control "public, max-age=31536000, immutable"; add_header X-Content-Type-Options nosniff; try_files \$uri =404; }
        location = /seat.svg { add_header Cache-Control "public, max-age=86400"; }
        # A part's file may be large; everything else is small.
        location ~ ^/api/(parts/read|plans/file|runs/[^/]+/file)\$ { client_max_body_size 136m; try_files /none @app; }
        location / { try_files /none @app; }
        location @app {
            fastcgi_pass unix:$RUN/fpm.sock;
            fastcgi_param SCRIPT_FILENAME $APP/public/index.php;
            fastcgi_param SCRIPT_NAME /index.php;
            fastcgi_param DOCUMENT_ROOT $APP/public;
            fastcgi_param REQUEST_URI \$request_uri;
            fastcgi_param QUERY_STRING \$query_string;
            fastcgi_param REQUEST_METHOD \$request_method;
            fastcgi_param CONTENT_TYPE \$content_type;
            fastcgi_param CONTENT_LENGTH \$content_length;
            fastcgi_param SERVER_PROTOCOL \$server_protocol;
            fastcgi_param SERVER_NAME \$host;
            fastcgi_param SERVER_PORT \$server_port;
            fastcgi_param REMOTE_ADDR \$remote_addr;
            fastcgi_param HTTPS \$https if_not_empty;
            fastcgi_buffers 16 32k;
            fastcgi_buffer_size 32k;
        }
    }
}
CONF
nginx -e "$VAR/log/nginx.log" -c "$RUN/nginx.conf" -p "$RUN" 9>&- < /dev/null > /dev/null 2>> "$VAR/log/nginx.log" &
PIDS+=($!)
remember $!

waited=0
until curl -fsS -o /dev/null "http://127.0.0.1:$PORT/api/health" 2> /dev/null; do
    for pid in "${PIDS[@]}"; do kill -0 "$pid" 2> /dev/null || fail "A server ended while starting; look into $VAR/log."; done
    waited=$((waited + 1))
    [ $waited -lt 150 ] || fail "The app did not answer within 30 seconds; look into $VAR/log."
    sleep 0.2
done
touch "$RUN/ready"
say "Sitzplatz is ready: http://127.0.0.1:$PORT/"
[ -n "${SITZPLATZ_DETACHED:-}" ] || say "Stop it with Ctrl-C."

wait -n "$DATABASE_PID" "${PIDS[@]}" || true
say "A server ended by itself; look into $VAR/log. Everything is stopped."
exit 1
