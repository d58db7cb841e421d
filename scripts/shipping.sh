# The database's own log, shipped into the backup folder as it is written: the record as it was at any minute. Sourced after common.sh.
SHIP_EVERY_S=60 SHIP_BASES=2

# ship_options DIR: what the database is told, so that each piece of its log is copied to DIR/log as soon as it is full, or a minute old. One
# that is there already, whole, is done: the database may have been killed before it heard so. Another one of that name is never replaced.
ship_options() {
  printf '%s\n' -c archive_mode=on -c "archive_timeout=$SHIP_EVERY_S" \
    -c "archive_command=cmp -s '%p' '$1/log/%f' || { test ! -f '$1/log/%f' && cp '%p' '$1/log/%f.part' && sync '$1/log/%f.part' && mv '$1/log/%f.part' '$1/log/%f'; }"
}

# ship_folders DIR: written by the database's own user, read by nobody else.
ship_folders() {
  mkdir -p "$1/log" "$1/base"
  if is_root; then chown postgres: "$1/log"; fi
  chmod 700 "$1/log" "$1/base"
}

# ship_base DIR: a copy of the whole database to begin from; logs that no kept copy needs go.
ship_base() {
  local dir=$1 name oldest
  name="$dir/base/$(date -u +%Y%m%dT%H%M%SZ)"
  (umask 077; "$(pg_bin)/pg_basebackup" -D "$name.part" -Ft -z -X none -c fast) 2>/dev/null || { rm -rf "$name.part"; fail "The copy to begin from could not be made."; }
  mv "$name.part" "$name"
  find "$dir/base" -mindepth 1 -maxdepth 1 -type d -not -name '*.part' | sort -r | tail -n +$((SHIP_BASES + 1)) | xargs -r rm -rf
  oldest=$(find "$dir/log" -name '*.backup' -printf '%f\n' | sort | tail -n "$SHIP_BASES" | head -n 1)
  [ -z "$oldest" ] || "$(pg_bin)/pg_archivecleanup" "$dir/log" "$oldest"
}

# ship_recover DIR TIME DATA: the record as it was at TIME, in a folder that holds none yet.
ship_recover() {
  local dir=$1 until=$2 data=$3 base hba
  [ ! -e "$data/pg" ] || fail "$data holds a record already. Name an empty folder with --data; nothing was changed."
  until=$(date -u -d "$until" '+%F %T.%6N+00') || fail "$2 is no time. Write it as 2026-03-01 14:05."
  base=$(find "$dir/base" -mindepth 1 -maxdepth 1 -type d -not -name '*.part' -printf '%f\n' | sort -r |
    awk -v most="$(date -u -d "$until" +%Y%m%dT%H%M%SZ)" '$0 <= most { print; exit }')
  [ -n "$base" ] || fail "No copy in $dir/base is of before $until. Nothing was changed."
  mkdir -p "$data/packs" "$data/pg.part"
  tar -xzf "$dir/base/$base/base.tar.gz" -C "$data/pg.part"
  mkdir -p "$data/pg.part/pg_wal"
  (umask 077; head -c 24 /dev/urandom | base64 | tr -d '/+=' > "$data/secret")
  hba=$(cat "$data/pg.part/pg_hba.conf")
  echo "host all all 127.0.0.1/32 trust" > "$data/pg.part/pg_hba.conf"
  touch "$data/pg.part/recovery.signal"
  chmod 700 "$data/pg.part"
  if is_root; then chown -R postgres: "$data/pg.part"; chmod a+x "$data"; fi
  mv "$data/pg.part" "$data/pg"
  cluster_start "$data" -c archive_mode=off -c "restore_command=cp '$dir/log/%f' '%p'" -c "recovery_target_time=$until" -c recovery_target_action=promote
  local PGHOST=127.0.0.1 PGPORT=$PG_PORT PGUSER=sidebench; export PGHOST PGPORT PGUSER
  until [ "$(backup_sql -d postgres -c 'SELECT pg_is_in_recovery()' 2>/dev/null)" = f ]; do
    kill -0 "$PG_PID" 2>/dev/null || { tail -n 5 "$data/pg.log" >&2; rm -rf "$data/pg"; fail "The log does not reach $until, or is damaged. Nothing was kept."; }
    pause 0.1
  done
  # Whoever was signed in before the disk was lost is not signed in here.
  backup_sql -d sidebench -c "TRUNCATE guard_keys, sign_ins"
  backup_sql -d postgres -c "ALTER ROLE sidebench PASSWORD '$(cat "$data/secret")'"
  printf '%s\n' "$hba" > "$data/pg/pg_hba.conf"
  cluster_stop
}
