#!/usr/bin/env bash
# Becomes one of the servers, in the place of its predecessor; called by the supervisor, again and again.
#   run.sh database | php | web | gauge | gauge-reader | thermometer | thermometer-reader | keeper | learner | backup | printer
. "$(dirname "$0")/common.sh"
use_data_folder "$SITZPLATZ_VAR"
PATH=$PATH:/usr/sbin
umask 027
place=$1

# What ends at once is not started again at once, and never later than in two seconds.
last=$(stat -c %Y "$RUN/own/$place.last" 2> /dev/null || echo 0)
[ $(($(date +%s) - last)) -ge 2 ] || sleep 1.5
touch "$RUN/own/$place.last"

# A server that was killed may leave workers behind, and they its port or its socket.
vacate "$place" 10
exec 8>> "$RUN/own/$place"
flock -n 8 || exit 1

# device COMMAND: a reader of devices, or a stand-in for one.
device() { become www-data php "$APP/bin/console" "sitzplatz:$1"; }
case $place in
    database) run_database ;;
    # Whatever php.ini says: compiled by the JIT of PHP 8.2 the same runs come to another chance.
    php) exec "php-fpm$PHP_VERSION" -y "$RUN/fpm.conf" -c "/etc/php/$PHP_VERSION/fpm/php.ini" -d opcache.jit_buffer_size=0 -d "opcache.preload=$VAR/cache/prod/App_KernelProdContainer.preload.php" \
        $(is_root && echo "-d opcache.preload_user=www-data -R") --nodaemonize ;;
    web) exec nginx -e stderr -c "$RUN/nginx.conf" -p "$RUN" ;;
    gauge) device gauge:stand-in ;;
    gauge-reader) device gauge:read ;;
    thermometer) device thermometer:stand-in ;;
    thermometer-reader) device thermometer:read ;;
    keeper) device keep ;;
    # Whatever waits goes first.
    learner) renice -n 10 $$ > /dev/null || true; device learn ;;
    backup) exec bash "$ROOT/bin/backup" --watch ;;
    printer) device printer:stand-in ;;
    *) fail "There is no server $place." ;;
esac
