# Backups: how they are made, looked at and put back.
# shellcheck shell=bash

# A step that fails ends it all, also where what it prints is taken: half a backup is none.
shopt -s inherit_errexit

BACKUPS=${SITZPLATZ_BACKUPS:-$(setting SITZPLATZ_BACKUPS "$VAR/backups")}
BACKUP_KEY=${SITZPLATZ_BACKUP_KEY:-$(sed -n 's/^SITZPLATZ_BACKUP_KEY=//p' "$VAR/app.env" 2> /dev/null || true)}
BACKUP_MB=${SITZPLATZ_BACKUP_MB:-$(sed -n 's/^SITZPLATZ_BACKUP_MB=//p' "$VAR/app.env" 2> /dev/null || true)}
BACKUP_MB=${BACKUP_MB:-4096}

# What a backup holds, and nothing else is taken out of one.
BACKUP_PARTS=(manifest database.sql.gz keys.env tls.tar)

# rows_of: counts the rows of each table in a dump that passes, and fails if it does not end as one does.
rows_of() {
    awk -v out="$1" '
        /^CREATE TABLE `/ { split($0, part, "`"); rows[part[2]] += 0 }
        /^INSERT INTO `/ { split($0, part, "`"); table = part[2]; if ($0 ~ /VALUES \(/) rows[table]++; next }
        /^\(/ { rows[table]++ }
        /^-- Dump completed/ { whole = 1 }
        END { for (each in rows) print each, rows[each] | ("sort > " out); close("sort > " out); exit !whole }'
}

# make_backup FOLDER: writes one there and prints its path.
make_backup() {
    local folder=$1 name stage target part
    umask 077
    mkdir -p "$folder" || fail "The folder for backups, $folder, cannot be made. Set SITZPLATZ_BACKUPS to one that can."
    [ -z "$BACKUP_KEY" ] || [ -r "$BACKUP_KEY" ] || fail "The key $BACKUP_KEY cannot be read. Nothing was written."
    # What an earlier one left that was cut off.
    find "$folder" -maxdepth 1 \( -name '.making-*' -o -name '*.part' \) -exec rm -rf {} +
    local free needed
    free=$(df -Pk "$folder" | awk 'NR==2 {print $4}')
    needed=$(($(du -sk "$VAR/mariadb/sitzplatz" 2> /dev/null | cut -f1 || echo 0) / 2 + 51200))
    [ "$free" -ge "$needed" ] || fail "Only $((free / 1024)) MB are free for backups in $folder; $((needed / 1024)) MB may be needed. Make room, or set SITZPLATZ_BACKUPS to another disk."
    name=sitzplatz-$(date -u +%Y%m%dT%H%M%SZ)
    stage=$folder/.making-$name
    mkdir "$stage"
    # One moment of the whole database, while everybody goes on; photos are rows of it.
    database_root mariadb-dump --single-transaction --quick --hex-blob --no-tablespaces --skip-lock-tables sitzplatz \
        | tee >(rows_of "$stage/rows" || touch "$stage/cut-off"; touch "$stage/counted") | gzip -3 > "$stage/database.sql.gz" || { rm -rf "$stage"; fail "The database could not be copied. No backup was made."; }
    until [ -e "$stage/counted" ]; do sleep 0.1; done
    [ ! -e "$stage/cut-off" ] || { rm -rf "$stage"; fail "The database was not read to its end. No backup was made."; }
    grep -E '^(APP_SECRET|SITZPLATZ_DEMO)=' "$VAR/app.env" > "$stage/keys.env"
    if [ -d "$VAR/tls" ]; then tar -C "$VAR" -cf "$stage/tls.tar" tls; else tar -cf "$stage/tls.tar" -T /dev/null; fi
    {
        echo "sitzplatz backup 1"
        echo "made $(date -u +%Y-%m-%dT%H:%M:%SZ)"
        (cd "$stage" && sha256sum database.sql.gz keys.env tls.tar | sed 's/^/sha256 /')
        sed 's/^/rows /' "$stage/rows"
    } > "$stage/manifest"
    target=$folder/$name.$([ -n "$BACKUP_KEY" ] && echo sealed || echo backup)
    part=$target.part
    if [ -n "$BACKUP_KEY" ]; then
        tar -C "$stage" -cf - "${BACKUP_PARTS[@]}" | php "$ROOT/bin/console" sitzplatz:seal "$BACKUP_KEY" > "$part" || { rm -rf "$stage" "$part"; fail "The backup could not be sealed. None was made."; }
    else
        tar -C "$stage" -cf "$part" "${BACKUP_PARTS[@]}"
    fi
    rm -rf "$stage"
    sync "$part"
    (cd "$folder" && sha256sum "$(basename "$part")" | sed 's/\.part$//' > "$target.sha256")
    mv "$part" "$target"
    echo "$target"
}

# open_backup FILE KEY STAGE: takes it apart there, if it is whole and what it says it is.
open_backup() {
    local file=$1 key=$2 stage=$3 listed
    [ -f "$file" ] || fail "There is no backup $file."
    if [ -f "$file.sha256" ]; then
        (cd "$(dirname "$file")" && sha256sum --quiet -c "$(basename "$file").sha256" > /dev/null 2>&1) || fail "$file is not as it was written: its checksum differs. Take another."
    fi
    if [ "$(head -c 16 "$file" | tr -d '\0')" = "sitzplatz sealed" ]; then
        [ -n "$key" ] || fail "This backup is sealed. Set SITZPLATZ_BACKUP_KEY to the file with its key."
        php "$ROOT/bin/console" sitzplatz:seal --open "$key" < "$file" > "$stage/opened.tar" || fail "The backup cannot be opened."
        file=$stage/opened.tar
    fi
    listed=$(tar -tf "$file" 2> /dev/null | sort | tr '\n' ' ') || true
    [ "$listed" = "$(printf '%s\n' "${BACKUP_PARTS[@]}" | sort | tr '\n' ' ')" ] || fail "This is no backup of Sitzplatz, or it is not whole."
    tar -C "$stage" -xf "$file" --no-same-owner "${BACKUP_PARTS[@]}"
    rm -f "$stage/opened.tar"
    [ "$(head -n 1 "$stage/manifest")" = "sitzplatz backup 1" ] || fail "This backup was made by another version of the app."
    (cd "$stage" && sed -n 's/^sha256 //p' manifest | sha256sum --quiet -c - > /dev/null 2>&1) || fail "What the backup holds is not as it was written. Take another."
}

# compare_rows STAGE: a line for each table, and whether all have as many rows as were backed up.
compare_rows() {
    local same=0 table wanted found
    while read -r table wanted; do
        found=$(database_root mariadb -N -e "SELECT COUNT(*) FROM \`$table\`" sitzplatz 2> /dev/null || echo none)
        printf '%-32s %10s %10s %s\n' "$table" "$wanted" "$found" "$([ "$wanted" = "$found" ] && echo same || echo DIFFERS)"
        [ "$wanted" = "$found" ] || same=1
    done < <(sed -n 's/^rows //p' "$1/manifest")
    return $same
}
