# The settings of the servers, written anew at every start.
# shellcheck shell=bash

write_php() {
    {
        printf '%s\n' '[global]' 'error_log = /proc/self/fd/2' 'daemonize = no'
        pool www 6
        # Sums that keep a core busy: few at once and behind all others, so that somebody who opens a list does not wait for ten who choose.
        pool sums 4
    } > "$RUN/fpm.conf"
}

# pool NAME WORKERS
pool() {
    local users=
    is_root && users=$'user = www-data\ngroup = www-data\nlisten.owner = www-data\nlisten.group = www-data'
    cat <<CONF
[$1]
$users
listen = $RUN/$1.sock
listen.mode = 0660
$(is_root && [ "$1" = sums ] && echo 'process.priority = 10')
pm = static
pm.max_children = $2
pm.max_requests = 5000
clear_env = yes
env[SITZPLATZ_VAR] = $VAR
env[SITZPLATZ_STARTED] = $STARTED
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
}

# program PLACE PRIORITY STOP SECONDS: one server for the supervisor. Started first, it is stopped last.
program() {
    local run=${ROOT//%/%%}/bin/parts/run.sh
    cat <<CONF
[program:$1]
command=/usr/bin/env bash "$run" $1
priority=$2
autostart=$([ "$1" = database ] && echo true || echo false)
autorestart=true
startsecs=0
stopsignal=$3
stopwaitsecs=$4
killasgroup=true
stdout_logfile=${VAR//%/%%}/log/$1.log
stdout_logfile_maxbytes=4MB
stdout_logfile_backups=3
CONF
    if [ "$1" = web ]; then
        # What was asked stands apart from what went wrong.
        printf '%s\n' "stderr_logfile=${VAR//%/%%}/log/web-errors.log" stderr_logfile_maxbytes=4MB stderr_logfile_backups=3
    else
        echo redirect_stderr=true
    fi
}

# write_supervisor PLACE...: with these servers beside the database, PHP and the web server.
write_supervisor() {
    local place
    {
        cat <<CONF
[supervisord]
nodaemon=true
umask=027
logfile=${VAR//%/%%}/log/supervisor.log
logfile_maxbytes=1MB
logfile_backups=3
pidfile=${RUN//%/%%}/supervisor.pid
childlogdir=${VAR//%/%%}/log
$(is_root && echo user=root)
[unix_http_server]
file=${RUN//%/%%}/supervisor.sock
chmod=0700
[rpcinterface:supervisor]
supervisor.rpcinterface_factory=supervisor.rpcinterface:make_main_rpcinterface
[supervisorctl]
serverurl=unix://${RUN//%/%%}/supervisor.sock
CONF
        program database 10 TERM 60
        program php 20 QUIT 10
        program web 30 QUIT 10
        for place in "$@"; do program "$place" 40 TERM 10; done
        # These are stopped together, not one after the other.
        printf '[group:beside]\npriority=40\nprograms=%s\n' "$(IFS=,; echo "$*")"
    } > "$RUN/supervisor.conf"
}

# front: the web server in front of this one, if one was named, says whom it passes on.
front() {
    [ -n "${FRONT:-}" ] || return 0
    printf '    set_real_ip_from %s;\n    real_ip_header X-Forwarded-For;\n    real_ip_recursive on;\n' "$FRONT"
}

# write_web: the web server, on this machine alone, or over TLS in the network of the shop.
write_web() {
    mkdir -p "$RUN/nginx"
    is_root && chown www-data: "$RUN/nginx"
    chmod 700 "$RUN/nginx"
    # On every answer, also on those that do not come from the app; it sets its own, with what a page may load.
    cat > "$RUN/headers.conf" <<CONF
add_header X-Content-Type-Options nosniff always;
add_header Referrer-Policy same-origin always;
add_header Cross-Origin-Opener-Policy same-origin always;
add_header Cross-Origin-Resource-Policy same-origin always;
add_header Strict-Transport-Security \$hsts always;
add_header X-Request-Id \$request_id always;
CONF
    cat > "$RUN/plain.conf" <<CONF
include $RUN/headers.conf;
add_header Content-Security-Policy "default-src 'none'; style-src 'self'; frame-ancestors 'none'" always;
CONF
    # The status stays the one that led here. What could not even be read as an address has none to go on from.
    cat > "$RUN/problem.conf" <<CONF
error_page 400 408 414 494 /.problem;
error_page 401 403 404 405 411 413 429 495 496 497 500 501 502 503 504 @problem;
location = /.problem { internal; include $RUN/said.conf; }
location @problem { include $RUN/said.conf; }
CONF
    cat > "$RUN/said.conf" <<CONF
include $RUN/plain.conf;
add_header Cache-Control no-store always;
add_header Retry-After \$retry_after always;
types { }
default_type application/problem+json;
return 200 '{"type":"\$type","title":"\$title","status":\$status,"detail":"\$detail","errors":[]}';
CONF
    cat > "$RUN/nginx.conf" <<CONF
daemon off;
$(is_root && echo 'user www-data;')
worker_processes 1;
pid $RUN/nginx.pid;
error_log stderr warn;
# Whoever opens hundreds and says nothing takes none from others.
worker_rlimit_nofile 20000;
events { worker_connections 8192; }
http {
    types {
        text/html html; text/css css; application/javascript js; image/svg+xml svg; image/png png;
        font/woff2 woff2; application/json json map; text/plain txt; application/manifest+json webmanifest;
    }
    default_type application/octet-stream;
    # Without what was asked after the path, without cookies and without bodies: none of them belongs into a log.
    log_format asked '\$time_iso8601 \$request_id \$remote_addr \$status \$request_method \$uri \$body_bytes_sent \$request_time';
    access_log /dev/stdout asked;
    server_tokens off;
    client_max_body_size 256k;
    client_header_timeout 10s; client_body_timeout 10s; send_timeout 30s; keepalive_timeout 30s; reset_timedout_connection on;
    # What was refused is not taken to its end.
    lingering_time 3s; lingering_timeout 1s;
    client_body_temp_path $RUN/nginx/body; fastcgi_temp_path $RUN/nginx/fastcgi; proxy_temp_path $RUN/nginx/proxy; uwsgi_temp_path $RUN/nginx/uwsgi; scgi_temp_path $RUN/nginx/scgi;
    gzip on; gzip_min_length 600; gzip_types text/css application/javascript application/json image/svg+xml application/manifest+json;
    # By the address alone: a cookie that nobody knows yet is anybody's. A whole workshop may stand behind one.
$(front)
    limit_req_zone \$binary_remote_addr zone=costly:2m rate=40r/s;
    limit_conn_zone \$binary_remote_addr zone=connections:2m;
    limit_conn_zone \$binary_remote_addr zone=uploads_of:1m;
    limit_conn_zone \$hostname zone=uploads:1m;
    limit_conn connections 200;
    limit_req_status 429; limit_conn_status 429;
    limit_req_log_level info; limit_conn_log_level info;
    map \$status \$type { default 'about:blank'; 429 busy; }
    map \$status \$retry_after { default ''; 429 1; }
    # The app says itself what is wrong; what does not reach it is said in the same form.
    map \$status \$title {
        default 'Not possible'; 400 'Not understood'; 401 'Not signed in'; 404 'Not here'; 405 'Not possible'; 408 'Too slow'; 413 'Too large'; 414 'Too long'; 429 'Too often';
        500 'Our fault'; 502 'Starting again'; 503 'Starting again'; 504 'Too slow';
    }
    map \$status \$detail {
        default 'This cannot be asked in this way.'; 401 'Sign in first. What you typed is kept.'; 404 'There is no such file.'; 405 'This address cannot be used in this way.'; 408 'The connection was too slow. Send it again.';
        413 'This is too large. Send a smaller file.'; 414 'The address is too long.'; 429 'That was too much at once. Wait a second, then send it again.'; 500 'Something went wrong here. Nothing was saved; try again.';
        502 'The app is starting again. It is back in a few seconds; what you typed is kept.'; 503 'The app is starting again. It is back in a few seconds; what you typed is kept.';
        504 'This took too long and was given up. Try again.';
    }
    # Behind a front even what comes from this machine may be from elsewhere.
    map \$remote_addr \$passed_on { ~^127\. ''; default 1; }
    map \$https \$hsts { on 'max-age=2592000'; default ''; }
    # A page of a foreign name would be let in by the browser as that name's own.
    server {
        listen 127.0.0.1:$PORT default_server;
        server_name _;
        default_type application/problem+json;
        include $RUN/plain.conf;
        include $RUN/problem.conf;
        location / { types { } return 421 '{"type":"about:blank","title":"Not this address","status":421,"detail":"Open the app at http://127.0.0.1:$PORT/.","errors":[]}'; }
    }
    server {
        listen 127.0.0.1:$PORT;
        server_name 127.0.0.1 localhost;
        set \$from_network \$passed_on;
        include $RUN/app.conf;
    }
$(network_servers)
}
CONF
    cat > "$RUN/app.conf" <<CONF
root $APP/public;
set \$pool www;
include $RUN/plain.conf;
include $RUN/problem.conf;
location /build/ { include $RUN/plain.conf; add_header Cache-Control "public, max-age=31536000, immutable"; try_files \$uri =404; }
# What the build knows of itself is nobody's business.
location ~ /\. { return 404; }
location ~ ^/(seat\.svg|seat-192\.png|seat-512\.png|manifest\.webmanifest)\$ { include $RUN/plain.conf; add_header Cache-Control "public, max-age=86400"; }
# It asks for what the page asks for, and is looked at anew each time.
location = /sw.js {
    alias $APP/public/build/sw.js;
    include $RUN/headers.conf;
    add_header Content-Security-Policy "default-src 'none'; connect-src 'self'" always;
    add_header Cache-Control no-cache;
}
# A front that is left out would go round all that follows.
location ~ ^/index\.php { return 404; }
# Costly operations and large bodies, as docs/openapi.yaml has them.
$(php "$ROOT/bin/parts/locations.php" "$ROOT/docs/openapi.yaml")
location = /.signed-in { internal; client_max_body_size 0; set \$asked /api/signed-in; set \$way GET; set \$length ''; include $RUN/php.conf; fastcgi_pass_request_body off; fastcgi_pass unix:$RUN/www.sock; }
location / { try_files /none @app; }
location @app {
    set \$asked \$request_uri;
    set \$way \$request_method;
    set \$length \$content_length;
    # The app sends the others itself.
    add_header Strict-Transport-Security \$hsts always;
    add_header X-Request-Id \$request_id always;
    fastcgi_pass unix:$RUN/\$pool.sock;
    include $RUN/php.conf;
}
CONF
    cat > "$RUN/php.conf" <<CONF
fastcgi_param SCRIPT_FILENAME $APP/public/index.php;
fastcgi_param SCRIPT_NAME /index.php;
fastcgi_param DOCUMENT_ROOT $APP/public;
fastcgi_param REQUEST_URI \$asked;
fastcgi_param QUERY_STRING \$query_string;
fastcgi_param REQUEST_METHOD \$way;
fastcgi_param CONTENT_TYPE \$content_type;
fastcgi_param CONTENT_LENGTH \$length;
fastcgi_param SERVER_PROTOCOL \$server_protocol;
fastcgi_param SERVER_NAME \$host;
fastcgi_param SERVER_PORT \$server_port;
fastcgi_param REMOTE_ADDR \$remote_addr;
fastcgi_param HTTPS \$https if_not_empty;
fastcgi_param SITZPLATZ_FROM_NETWORK \$from_network if_not_empty;
fastcgi_param HTTP_X_REQUEST_ID \$request_id;
fastcgi_buffers 16 32k;
fastcgi_buffer_size 32k;
CONF
}
