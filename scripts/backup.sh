# Part of ./wendo: backups. One file holds the database, the visits that are not in it yet, and what it was made with.
# shellcheck shell=bash disable=SC2154

# The database to work on, as its owner: the private cluster, which is started for the while if it is not running, or
# the one that WENDO_DB_URL names. Sets db_url and PGUSER, PGPASSWORD; db_started is set if it has to be stopped again.
db_open() {
    need_postgres
    db_started=""
    if [ -z "${WENDO_DB_URL:-}" ]; then
        pg_secrets
        if ! port_taken "$WENDO_PG_PORT"; then
            pg_start "$(pg_folder pg)" "$WENDO_PG_PORT"
            pg_close_doors "$(pg_folder pg)" "$WENDO_PG_PORT"
            db_started=yes
        fi
        db_url="postgresql://127.0.0.1:$WENDO_PG_PORT/wendo"
        export PGUSER=wendo_owner PGPASSWORD="$pg_owner"
    else
        db_url="${WENDO_DB_URL#jdbc:}"
        export PGUSER="${WENDO_DB_OWNER:-wendo_owner}" PGPASSWORD="${WENDO_DB_OWNER_PASSWORD:-}"
    fi
}

db_close() { if [ -n "$db_started" ]; then pg_stop "$(pg_folder pg)"; fi; }

db_ask() { "$pg_bin/psql" -X -q -A -t -d "$db_url" -v ON_ERROR_STOP=1 -c "$1"; }

backup_counts="select 'links ' || (select count(*) from link) || ', visits ' || (select count(*) from visit)
    || ', outcomes ' || (select count(*) from outcome) || ', outcomes worth ' || (select coalesce(sum(value_minor), 0) from outcome)"

# The log of visits first, then the database: a visit that is carried in between is in both, and is taken once. How far
# the log was carried is copied before the log itself; a file that has gone meanwhile is in the database.
backup() { # FOLDER
    [ -n "${1:-}" ] || fail "backup wants a folder: ./wendo backup /srv/wendo-backups"
    local target work name file number counts
    target="$(backup_path "$1")"
    mkdir -p "$target" || fail "the folder $1 could not be made"
    work="$(mktemp -d "$target/.making.XXXXXX")"
    # shellcheck disable=SC2064
    trap "rm -rf '$target'/.making.* '$target'/.checking.*" EXIT
    db_open
    mkdir "$work/visits"
    if [ -d "$WENDO_HOME/visits" ]; then
        cp "$WENDO_HOME/visits/carried" "$work/visits/" 2>/dev/null || true
        for file in "$WENDO_HOME"/visits/*.visits; do cp "$file" "$work/visits/" 2>/dev/null || true; done
    fi
    "$pg_bin/pg_dump" -Fc -Z 6 -d "$db_url" -f "$work/database.dump" || fail "the database was not read"
    counts="$(db_ask "$backup_counts")"
    printf '%s\n' "$counts" >"$work/counts"
    {
        printf 'made %s\n' "$(date -u +%Y-%m-%dT%H:%M:%SZ)"
        printf 'migration %s\n' "$(db_ask "select max(version) from flyway_schema_history where success")"
        printf 'link origin %s\n' "${WENDO_LINK_ORIGIN:-}"
        printf 'origin %s\n' "${WENDO_ORIGIN:-}"
    } >"$work/about"
    db_close
    (cd "$work" && find . -type f ! -name sums -print0 | sort -z | xargs -0 sha256sum >sums)
    name="wendo-$(date -u +%Y%m%dT%H%M%SZ).tar"
    (umask 077; backup_seal "$work" "$target/.$name") || fail "the backup was not written to $target"
    rm -rf "$work"
    if [ "$(backup_sealed_by)" != key ]; then
        work="$(mktemp -d "$target/.checking.XXXXXX")"
        backup_open "$target/.$name" "$work" || { rm -f "$target/.$name"; fail "what was written cannot be read back"; }
        number="$("$pg_bin/pg_restore" --list "$work/database.dump" | grep -c ' TABLE DATA ')"
        [ "$number" -gt 50 ] || { rm -f "$target/.$name"; fail "the backup holds $number tables only"; }
    fi
    file="$target/$name"
    [ -z "$(backup_sealed_by)" ] || file="$file.gpg"
    mv "$target/.$name" "$file"
    backup_note made "$file"
    say "Backed up to $file ($(du -h "$file" | cut -f1)): $counts"
    backup_rotate "$target"
}

# As whoever called meant it.
backup_path() { case "$1" in /*) printf '%s' "$1" ;; *) printf '%s' "$caller/$1" ;; esac; }

# With a passphrase or a key the file is encrypted; without, whoever reads the file reads all there is.
backup_sealed_by() {
    if [ -n "${WENDO_BACKUP_PASSPHRASE:-}" ]; then printf passphrase
    elif [ -n "${WENDO_BACKUP_KEY:-}" ]; then printf key; fi
}

backup_seal() { # FOLDER FILE
    case "$(backup_sealed_by)" in
        passphrase) install gpg gnupg; tar -C "$1" -cf - . | gpg --batch --yes --quiet --symmetric --cipher-algo AES256 --passphrase-fd 3 -o "$2" 3<<<"$WENDO_BACKUP_PASSPHRASE" ;;
        key) install gpg gnupg; tar -C "$1" -cf - . | gpg --batch --yes --quiet --trust-model always --encrypt -r "$WENDO_BACKUP_KEY" -o "$2" ;;
        *) tar -C "$1" -cf "$2" . ;;
    esac
}

# Unpacks it and holds it against its sums. One made with a key of somebody else cannot be read here, nor checked.
backup_open() { # FILE FOLDER
    if tar -tf "$1" >/dev/null 2>&1; then tar -C "$2" -xf "$1"
    elif [ -n "${WENDO_BACKUP_PASSPHRASE:-}" ]; then gpg --batch --quiet --decrypt --passphrase-fd 3 "$1" 3<<<"$WENDO_BACKUP_PASSPHRASE" | tar -C "$2" -xf -
    else gpg --batch --quiet --decrypt "$1" | tar -C "$2" -xf -; fi || return 1
    (cd "$2" && sha256sum --quiet -c sums)
}

# The newest stay, 14 of them unless said otherwise.
backup_rotate() { # FOLDER
    local keep="${WENDO_BACKUP_KEEP:-14}"
    case "$keep" in '' | *[!0-9]* | 0) fail "WENDO_BACKUP_KEEP is \"$keep\", but at least 1 is kept" ;; esac
    find "$1" -maxdepth 1 -name 'wendo-*.tar*' -printf '%f\n' | sort -r | tail -n "+$((keep + 1))" | while IFS= read -r old; do rm -f "$1/$old"; done
}

# Setup → Backups reads this.
backup_note() { # WHAT FILE
    printf '%s\t%s\t%s\t%s\n' "$(date -u +%Y-%m-%dT%H:%M:%SZ)" "$1" "$2" "$(stat -c %s "$2")" >>"$WENDO_HOME/backup-notes"
    chmod 600 "$WENDO_HOME/backup-notes"
}

# Into an empty home or database. What waited to be sent stays back: the original may have sent it since.
restore() { # FILE
    local source work
    source="$(backup_path "${1:-}")"
    [ -f "$source" ] || fail "restore wants a backup's file: ./wendo restore /srv/wendo-backups/wendo-….tar"
    if compgen -G "$WENDO_HOME/visits/*.visits" >/dev/null; then fail "$WENDO_HOME holds visits. Restore into an empty WENDO_HOME."; fi
    if [ -z "${WENDO_DB_URL:-}" ] && [ -s "$(need_postgres; pg_folder pg)/PG_VERSION" ]; then fail "$WENDO_HOME has a database. Restore into an empty WENDO_HOME."; fi
    work="$(mktemp -d)"
    # shellcheck disable=SC2064
    trap "rm -rf '$work'" EXIT
    backup_open "$source" "$work" || fail "$source is damaged, or encrypted with another passphrase. Nothing was restored."
    db_open
    [ "$(db_ask "select count(*) from pg_tables where schemaname = 'public'")" = 0 ] || { db_close; fail "the database is not empty. Nothing was restored."; }
    "$pg_bin/pg_restore" --exit-on-error --single-transaction --no-owner -d "$db_url" "$work/database.dump" || { db_close; fail "the database took not all of it"; }
    db_ask "update outgoing set state = 'stopped', said = 'Restored from a backup: sent by the original, or not at all.'
        where state in ('waiting', 'sending'); delete from spring_session" >/dev/null
    mkdir -p "$WENDO_HOME/visits"
    cp -r "$work/visits/." "$WENDO_HOME/visits/"
    [ "$(db_ask "$backup_counts")" = "$(cat "$work/counts")" ] || say "The counts differ from those when the backup was made, by what came in while it was made."
    say "Restored $(sed -n 's/^made //p' "$work/about"): $(db_ask "$backup_counts"). Visits that were not in the database yet are carried with the next start."
    db_close
    backup_note restored "$source"
}

# While the application runs: every night at the hour that is set.
backup_nightly() {
    local hour="${WENDO_BACKUP_HOUR:-3}" wait
    while true; do
        wait=$(($(date -d "today $hour:00" +%s) - $(date +%s)))
        [ "$wait" -gt 0 ] || wait=$((wait + 86400))
        sleep "$wait"
        (backup "$WENDO_BACKUP_FOLDER") >>"$WENDO_HOME/backup.log" 2>&1 || say "The nightly backup failed; its log is $WENDO_HOME/backup.log"
    done
}
