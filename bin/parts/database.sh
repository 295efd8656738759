# The database server: a MariaDB of our own under the data folder, on loopback.
# shellcheck shell=bash

# The account that owns the database server: the only one beside ours that its socket lets in, and only as itself.
database_owner() { if is_root; then echo mysql; else id -un; fi; }

# database_root COMMAND ARGUMENTS...: a MariaDB client as the owner of the server, by the socket.
database_root() {
    local client=$1
    shift
    as_user "$(database_owner)" "$client" --no-defaults --socket="$RUN/db/db.sock" --user="$(database_owner)" "$@"
}

# schema_url NAME: how whoever runs this comes to the database to change its tables, by the socket and without a password.
schema_url() { printf 'mysql://%s@localhost/%s?unix_socket=%s' "$(id -un)" "$1" "$RUN/db/db.sock"; }

# app_rights NAME: what the app may do there, and nothing else: no table of it is made, changed or dropped.
app_rights() { printf "GRANT SELECT, INSERT, UPDATE, DELETE ON %s.* TO 'sitzplatz'@'127.0.0.1';" "$1"; }

# schema_rights NAME: what whoever runs this may do there. Where that is the owner, it may do so anyway.
schema_rights() { [ "$(id -un)" = "$(database_owner)" ] || printf "GRANT ALL ON %s.* TO '%s'@'localhost';" "$1" "$(id -un)"; }

# database_files: makes what the server needs before it can start: its folders, its first tables, and who may enter.
database_files() {
    local data=$VAR/mariadb scratch=$VAR/mariadb-tmp owner password log=$VAR/log/database-made.log user=()
    owner=$(database_owner)
    is_root && user=(--user=mysql)
    # A MariaDB that starts clears what another left in its folder for temporary tables, also of one that is at work: each has its own.
    # MariaDB lets everybody into its socket, so its folder does not.
    mkdir -p "$scratch" "$RUN/db"
    is_root && chown mysql: "$scratch" "$RUN/db"
    chmod 700 "$scratch"
    chmod 750 "$RUN/db"
    take_port DATABASE_PORT 23061
    setting APP_SECRET "$(random_word)" > /dev/null
    if [ ! -d "$data/mysql" ]; then
        say "Making the database"
        rm -rf "$data" "$data.new"
        mkdir -p "$data.new"
        is_root && chown mysql: "$data.new"
        TMPDIR=$scratch mariadb-install-db --no-defaults "${user[@]}" --datadir="$data.new" --auth-root-authentication-method=socket --auth-root-socket-user="$owner" --skip-test-db > "$log" 2>&1 || fail "The database could not be made; $log says why."
        mv "$data.new" "$data"
    fi
    # Read at every start, before anybody can connect: a folder made by an earlier version had a root without a password and an app that could do more.
    password=$(setting DATABASE_PASSWORD "$(random_word)")
    cat > "$RUN/accounts.sql" <<SQL
CREATE USER IF NOT EXISTS '$owner'@'localhost' IDENTIFIED VIA unix_socket;
ALTER USER '$owner'@'localhost' IDENTIFIED VIA unix_socket;
GRANT ALL PRIVILEGES ON *.* TO '$owner'@'localhost' WITH GRANT OPTION;
DROP USER IF EXISTS 'root'@'127.0.0.1', 'root'@'::1', 'root'@'%', ''@'localhost', ''@'%'$([ "$owner" = root ] || echo ", 'root'@'localhost'");
CREATE DATABASE IF NOT EXISTS sitzplatz CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;
$([ "$(id -un)" = "$owner" ] || echo "CREATE USER '$(id -un)'@'localhost' IDENTIFIED VIA unix_socket;")
$(schema_rights sitzplatz)
CREATE USER IF NOT EXISTS 'sitzplatz'@'127.0.0.1';
ALTER USER 'sitzplatz'@'127.0.0.1' IDENTIFIED BY '$password';
GRANT ALL ON sitzplatz.* TO 'sitzplatz'@'127.0.0.1';
REVOKE ALL ON sitzplatz.* FROM 'sitzplatz'@'127.0.0.1';
$(app_rights sitzplatz)
SQL
    chmod 640 "$RUN/accounts.sql"
    is_root && chown root:mysql "$RUN/accounts.sql"
    database_url
}

# database_url: how the app comes to it.
database_url() { set_setting SITZPLATZ_DATABASE_URL "mysql://sitzplatz:$(setting DATABASE_PASSWORD '')@127.0.0.1:$(setting DATABASE_PORT 0)/sitzplatz"; }

# run_database: becomes the server.
run_database() {
    local user=()
    is_root && user=(--user=mysql)
    rm -f "$RUN/db/db.sock"
    exec mariadbd --no-defaults "${user[@]}" --datadir="$VAR/mariadb" --tmpdir="$VAR/mariadb-tmp" --socket="$RUN/db/db.sock" --pid-file="$RUN/db/db.pid" --port="$(setting DATABASE_PORT 23061)" --bind-address=127.0.0.1 \
        --init-file="$RUN/accounts.sql" --character-set-server=utf8mb4 --collation-server=utf8mb4_unicode_ci --innodb-buffer-pool-size=256M \
        --innodb-flush-log-at-trx-commit="${SITZPLATZ_DB_FLUSH:-1}" --skip-log-bin --skip-name-resolve --max-connections=60 --local-infile=0
}

# await_database: until it answers; its accounts are as they should be from then on.
await_database() {
    local waited=0
    until database_root mariadb -e 'SELECT 1' > /dev/null 2>&1; do
        waited=$((waited + 1))
        # Somebody else may have bound it in the moment between: there are others, and the supervisor tries again by itself.
        if [ $((waited % 10)) = 0 ] && tail -n 6 "$VAR/log/database.log" 2> /dev/null | grep -q 'Address already in use'; then
            : > "$VAR/log/database.log"
            take_port DATABASE_PORT $(($(setting DATABASE_PORT 23061) + 1 + RANDOM % 50))
            database_url
        fi
        [ $waited -lt 300 ] || fail "The database did not answer within 60 seconds. Restart the machine if it is busy; else $VAR/log/database.log says why."
        sleep 0.2
    done
}

# knows_change VERSION: whether this checkout has that change of the tables, as its name stands in the database.
knows_change() { [ -e "$ROOT/migrations/$(basename "${1//\\//}").php" ]; }

# no_later_version COMPLAINT: what a later version made of the tables, this one would write wrongly.
no_later_version() {
    local each
    while read -r each; do
        knows_change "$each" || fail "$1"
    done < <(database_root mariadb -N -r -e 'SELECT version FROM doctrine_migration_versions' sitzplatz 2> /dev/null)
}
