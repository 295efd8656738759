# Backups: how they are made, looked at and put back.
# shellcheck shell=bash

# A step that fails ends it all, also where what it prints is taken: half a backup is none.
shopt -s inherit_errexit

BACKUPS=${SITZPLATZ_BACKUPS:-$(setting SITZPLATZ_BACKUPS "$VAR/backups")}
# What somebody chose; else the one made here, beside the backups and not among them.
CHOSEN_KEY=${SITZPLATZ_BACKUP_KEY:-$(sed -n 's/^SITZPLATZ_BACKUP_KEY=//p' "$VAR/app.env" 2> /dev/null || true)}
BACKUP_KEY=${CHOSEN_KEY:-$VAR/backup.key}
BACKUP_MB=${SITZPLATZ_BACKUP_MB:-$(sed -n 's/^SITZPLATZ_BACKUP_MB=//p' "$VAR/app.env" 2> /dev/null || true)}
BACKUP_MB=${BACKUP_MB:-4096}

# What a backup holds, and nothing else is taken out of one.
BACKUP_PARTS=(manifest database.sql.gz keys.env tls.tar)
TLS_FILES=(authority.pem authority.key server.pem server.key server.names)

# What somebody is signed in with is of no use to whoever puts a backup back, and of use to a thief: its table stays empty.
NOT_KEPT=session

# rows_of: counts the rows of each table in a dump that passes, and fails if it does not end as one does.
rows_of() {
    awk -v out="$1" '
        /^CREATE TABLE `/ { split($0, part, "`"); rows[part[2]] += 0 }
        /^INSERT INTO `/ { split($0, part, "`"); table = part[2]; if ($0 ~ /VALUES \(/) rows[table]++; next }
        /^\(/ { rows[table]++ }
        /^-- Dump completed/ { whole = 1 }
        END { for (each in rows) print each, rows[each] | ("sort > " out); close("sort > " out); exit !whole }'
}

# kind_of_backup: sealed, encrypted too: with a key that somebody chose, or that is known to be written down; else backup. A key that may be lost opens nothing.
kind_of_backup() {
    local key
    if [ -n "$CHOSEN_KEY" ]; then echo sealed; return; fi
    key=$(php "$ROOT/bin/console" sitzplatz:backup:key --fingerprint "$BACKUP_KEY")
    database_root mariadb -N -e "SELECT IF(COUNT(*) = 1, 'sealed', 'backup') FROM (SELECT fingerprint, written_down_at FROM backup_key ORDER BY id DESC LIMIT 1) last WHERE fingerprint = '$key' AND written_down_at IS NOT NULL" sitzplatz
}

# keep_key FILE: so that the next backups are proven by the same key: whoever wrote it down has the right one.
keep_key() {
    if grep -Eiq '^([0-9A-Z]{4}[ -]?){7}$' "$1"; then install -m 600 "$1" "$VAR/backup.key"; else set_setting SITZPLATZ_BACKUP_KEY "$(readlink -m "$1")"; fi
}

# clear_up FOLDER: removes what an earlier backup of this data folder left there that was cut off, and nothing of anybody else.
clear_up() {
    local left
    for left in "$1"/.sitzplatz-making-??????; do
        [ -d "$left" ] && [ ! -L "$left" ] && [ -O "$left" ] && [ "$(cat "$left/of" 2> /dev/null)" = "$VAR" ] || continue
        rm -rf "$left"
    done
}

# newest_change: the last change of the tables that this database has been through.
newest_change() { database_root mariadb -N -r -e 'SELECT MAX(version) FROM doctrine_migration_versions' sitzplatz; }

# make_backup FOLDER: writes one there and prints its path.
make_backup() {
    local folder=$1 name stage kind how=()
    umask 077
    mkdir -p "$folder" || fail "The folder for backups, $folder, cannot be made. Set SITZPLATZ_BACKUPS to one that can."
    [ -r "$BACKUP_KEY" ] || fail "The key $BACKUP_KEY cannot be read. Nothing was written."
    exec 6> "$VAR/backup.lock"
    flock -n 6 || fail "Another backup of $VAR is being made. Wait for it."
    clear_up "$folder"
    local free needed
    free=$(df -Pk "$folder" | awk 'NR==2 {print $4}')
    needed=$(($(du -sk "$VAR/mariadb/sitzplatz" 2> /dev/null | cut -f1 || echo 0) / 2 + 51200))
    [ "$free" -ge "$needed" ] || fail "Only $((free / 1024)) MB are free for backups in $folder; $((needed / 1024)) MB may be needed. Make room, or set SITZPLATZ_BACKUPS to another disk."
    name=sitzplatz-$(date -u +%Y%m%dT%H%M%SZ)
    stage=$(mktemp -d "$folder/.sitzplatz-making-XXXXXX")
    printf '%s' "$VAR" > "$stage/of"
    # One moment of the whole database, while everybody goes on; photos are rows of it.
    database_root mariadb-dump --single-transaction --quick --hex-blob --no-tablespaces --skip-lock-tables --skip-triggers --ignore-table-data="sitzplatz.$NOT_KEPT" sitzplatz \
        | tee >(rows_of "$stage/rows" || touch "$stage/cut-off"; touch "$stage/counted") | gzip -3 > "$stage/database.sql.gz" || { rm -rf "$stage"; fail "The database could not be copied. No backup was made."; }
    until [ -e "$stage/counted" ]; do sleep 0.1; done
    [ ! -e "$stage/cut-off" ] || { rm -rf "$stage"; fail "The database was not read to its end. No backup was made."; }
    grep -E '^(APP_SECRET|SITZPLATZ_DEMO)=' "$VAR/app.env" > "$stage/keys.env"
    local each files=()
    for each in "${TLS_FILES[@]}"; do [ ! -f "$VAR/tls/$each" ] || files+=("$each"); done
    if [ ${#files[@]} -gt 0 ]; then tar -C "$VAR/tls" -cf "$stage/tls.tar" "${files[@]}"; else tar -cf "$stage/tls.tar" -T /dev/null; fi
    {
        echo "sitzplatz backup 2"
        echo "made $(date -u +%Y-%m-%dT%H:%M:%SZ)"
        echo "change $(newest_change)"
        (cd "$stage" && sha256sum database.sql.gz keys.env tls.tar | sed 's/^/sha256 /')
        sed 's/^/rows /' "$stage/rows"
    } > "$stage/manifest"
    kind=$(kind_of_backup)
    [ "$kind" = sealed ] || how=(--prove)
    name=$name.$kind
    tar -C "$stage" -cf - "${BACKUP_PARTS[@]}" | php "$ROOT/bin/console" sitzplatz:seal "${how[@]}" "$BACKUP_KEY" > "$stage/$name" || { rm -rf "$stage"; fail "The backup could not be proven by its key. None was made."; }
    sync "$stage/$name"
    (cd "$stage" && sha256sum "$name" > "$name.sha256")
    mv "$stage/$name.sha256" "$stage/$name" "$folder/"
    rm -rf "$stage"
    exec 6>&-
    echo "$folder/$name"
}

# open_backup FILE KEY STAGE: takes it apart there, once it is proven, whole, and what it says it is. An empty KEY: whoever asks says that it is to be trusted.
open_backup() {
    local file=$1 key=$2 stage=$3 listed kind
    [ -f "$file" ] || fail "There is no backup $file."
    kind=$(head -c 16 "$file" | tr -d '\0')
    if [ -n "$key" ]; then
        php "$ROOT/bin/console" sitzplatz:seal --open "$key" < "$file" > "$stage/opened.tar" || {
            [ ! -f "$file.sha256" ] || [ "$(cut -c1-64 "$file.sha256")" = "$(sha256sum < "$file" | cut -c1-64)" ] || fail "$file is not as it was written: its checksum differs. Take another."
            fail "The backup is not opened by this key, or was changed since. One from before keys is put back with --trusted."
        }
    else
        case $kind in
            'sitzplatz sealed') fail "This backup is sealed. Set SITZPLATZ_BACKUP_KEY to a file with its key." ;;
            'sitzplatz proven') tail -c +36 "$file" | head -c -64 > "$stage/opened.tar" ;;
            *) cp "$file" "$stage/opened.tar" ;;
        esac
    fi
    file=$stage/opened.tar
    listed=$(only_files "$file") || fail "This is no backup of Sitzplatz, or it is not whole."
    [ "$listed" = "$(printf '%s\n' "${BACKUP_PARTS[@]}" | sort)" ] || fail "This is no backup of Sitzplatz, or it is not whole."
    local each
    for each in "${BACKUP_PARTS[@]}"; do tar -xOf "$file" "$each" > "$stage/$each"; done
    rm -f "$stage/opened.tar"
    case $(head -n 1 "$stage/manifest") in 'sitzplatz backup '[12]) ;; *) fail "This backup was made by another version of the app." ;; esac
    (
        cd "$stage"
        grep -E '^sha256 [0-9a-f]{64}  (database\.sql\.gz|keys\.env|tls\.tar)$' manifest | sed 's/^sha256 //' > digests
        [ "$(wc -l < digests)" = 3 ] && sha256sum --quiet -c digests > /dev/null 2>&1
    ) || fail "What the backup holds is not as it was written. Take another."
    local change
    change=$(sed -n 's/^change //p' "$stage/manifest")
    [ -z "$change" ] || knows_change "$change" || fail "This backup was made by a later version of Sitzplatz. Put it back with that version."
}

# only_files ARCHIVE: the names in it, sorted; fails if anything is no plain file.
only_files() {
    local listed
    listed=$(tar -tvf "$1" 2> /dev/null) || return 1
    ! grep -q '^[^-]' <<< "$listed" || return 1
    tar -tf "$1" 2> /dev/null | sort
}

# put_back_tls STAGE: the certificates, by their names, never what else an archive says.
put_back_tls() {
    local listed each
    # Backups of the first kind had them in a folder.
    listed=$(tar -tf "$1/tls.tar" | sed 's|^tls/||' | grep . || true)
    [ -n "$listed" ] || return 0
    ! tar -tvf "$1/tls.tar" | grep -q '^[^-d]' || fail "The backup has something among its certificates that is no file. Nothing was put back."
    mkdir -p "$VAR/tls"
    chmod 700 "$VAR/tls"
    for each in $listed; do
        [[ " ${TLS_FILES[*]} " == *" $each "* ]] || fail "The backup has something among its certificates that is none: ${each//[^A-Za-z0-9.\/_-]/?}. Nothing was put back."
        (umask 077; tar -xOf "$1/tls.tar" "$each" > "$VAR/tls/$each" 2> /dev/null || tar -xOf "$1/tls.tar" "tls/$each" > "$VAR/tls/$each")
    done
}

# fill_database STAGE: as somebody who may make and fill tables of this schema and nothing else; the client runs no command of the machine.
fill_database() {
    local word said=$1/said
    word=$(random_word)
    database_root mariadb -e "CREATE OR REPLACE USER 'restoring'@'localhost' IDENTIFIED BY '$word'; GRANT SELECT, INSERT, CREATE, DROP, ALTER, INDEX, REFERENCES, LOCK TABLES ON sitzplatz.* TO 'restoring'@'localhost'"
    gunzip -c "$1/database.sql.gz" | MYSQL_PWD=$word as_user "$(database_owner)" mariadb --no-defaults --sandbox --binary-mode --local-infile=0 --socket="$RUN/db/db.sock" --user=restoring sitzplatz > /dev/null 2> "$said" \
        || fail "The backup holds more than tables and rows, or is not whole: $(grep -m 1 ERROR "$said" | tr -cd '[:print:]' | cut -c1-200)"
    database_root mariadb -e "DROP USER 'restoring'@'localhost'"
    [ "$(database_root mariadb -N -e "SELECT COUNT(*) FROM information_schema.tables WHERE table_schema = 'sitzplatz' AND (engine IS NULL OR engine <> 'InnoDB' OR create_options LIKE '%DIRECTORY%')")" = 0 ] || fail "The backup has tables of a kind that this app does not make."
    no_later_version "This backup was made by a later version of Sitzplatz. Put it back with that version."
}

# compare_rows STAGE: a line for each table, and whether all have as many rows as were backed up.
compare_rows() {
    local same=0 table wanted found compared=0
    while read -r table wanted; do
        found=$(database_root mariadb -N -e "SELECT COUNT(*) FROM \`$table\`" sitzplatz 2> /dev/null || echo none)
        printf '%-32s %10s %10s %s\n' "$table" "$wanted" "$found" "$([ "$wanted" = "$found" ] && echo same || echo DIFFERS)"
        [ "$wanted" = "$found" ] || same=1
        compared=$((compared + 1))
    done < <(sed -nE 's/^rows ([a-z0-9_]+ [0-9]+)$/\1/p' "$1/manifest")
    [ "$compared" = "$(database_root mariadb -N -e "SELECT COUNT(*) FROM information_schema.tables WHERE table_schema = 'sitzplatz'")" ] || same=1
    return $same
}
