# What a backup is: a tar of a manifest, the record as PostgreSQL's own archive, and the shop's own packs. The keys behind cookies, and where
# people are signed in, stay at home: whoever holds a copy cannot sign in with it to the shop it was made of.
BACKUP_FORMAT=1
backup_sql() { "$(pg_bin)/psql" -v ON_ERROR_STOP=1 -qAtX "$@"; }

# backup_counts: SQL that tells, as one line of JSON, how many rows each table has and a sum over their contents.
backup_counts() {
  backup_sql -d "${1:-$PGDATABASE}" -c "
    SELECT 'SELECT json_build_object(' || string_agg(format(
      '%L, (SELECT json_build_array(count(*), coalesce(sum(hashtextextended(t::text, 0)), 0)::text) FROM %I t)', tablename, tablename
    ), ', ' ORDER BY tablename) || ')'
    FROM pg_tables WHERE schemaname = 'public' AND tablename NOT IN ('guard_keys', 'sign_ins')"
}

# backup_write FILE PACKS: while people work; what is counted and what is written are of one moment.
backup_write() (
  file=$1 packs=$2
  umask 077
  (: > "$file.part") 2>/dev/null || fail "$file cannot be written there. Nothing was written."
  dir=$(mktemp -d "$file.XXXXXX") || fail "$file cannot be written there. Nothing was written."
  trap 'rm -rf "$dir" "$file.part"' EXIT
  ask=$(backup_counts)
  coproc RECORD { PGTZ=UTC backup_sql; }
  exec {reader}<&"${RECORD[0]}" {writer}>&"${RECORD[1]}"
  echo "BEGIN ISOLATION LEVEL REPEATABLE READ READ ONLY; SELECT pg_export_snapshot();" >&"$writer"
  read -r snapshot <&"$reader" || fail "The record could not be read. Nothing was written."
  echo "$ask;" >&"$writer"; read -r counts <&"$reader"
  "$(pg_bin)/pg_dump" -Fc --snapshot="$snapshot" --exclude-table-data=guard_keys --exclude-table-data=sign_ins -f "$dir/record.dump" ||
    fail "The record could not be read in full. Nothing was written."
  echo "COMMIT;" >&"$writer"; exec {writer}>&-
  if [ -d "$packs" ]; then tar -C "$packs" -cf "$dir/packs.tar" .; else tar -T /dev/null -cf "$dir/packs.tar"; fi ||
    fail "The shop's own packs could not be read in full. Nothing was written."
  (
    cd "$dir"
    printf '{"sideBench": "backup", "format": %d, "madeAt": "%s", "postgres": "%s", "tables": %s, "sha256": {"record.dump": "%s", "packs.tar": "%s"}}\n' \
      "$BACKUP_FORMAT" "$(date -u +%Y-%m-%dT%H:%M:%SZ)" "$("$(pg_bin)/pg_dump" --version | grep -o '[0-9.]*' | head -n 1)" "$counts" \
      "$(sha256sum < record.dump | cut -d' ' -f1)" "$(sha256sum < packs.tar | cut -d' ' -f1)" > manifest.json
    tar -cf "$file.part" manifest.json record.dump packs.tar
  ) || fail "There was no room for the backup. Nothing was written."
  if [ -n "${PASSPHRASE:-}" ]; then
    backup_gpg --symmetric --cipher-algo AES256 -o "$dir/sealed" "$file.part" || fail "It could not be locked. Nothing was written."
    mv "$dir/sealed" "$file.part"
  fi
  sync "$file.part"; mv "$file.part" "$file"
)

backup_gpg() {
  command -v gpg >/dev/null || install gnupg
  local home code=0; home=$(umask 077; mktemp -d)
  GNUPGHOME=$home gpg --batch --quiet --yes --pinentry-mode loopback --passphrase-file "$PASSPHRASE" "$@" 2>/dev/null || code=$?
  rm -rf "$home"
  return $code
}

# backup_open FILE DIR: unpacks and checks it; nothing is changed anywhere else. An archive of before this format is told by its tables.
backup_open() {
  local file=$1 dir=$2 part
  if [ -n "${PASSPHRASE:-}" ]; then
    backup_gpg --decrypt -o "$dir/opened.tar" "$file" || fail "$file does not open with this passphrase. Nothing was changed."
    file="$dir/opened.tar"
  fi
  if "$(pg_bin)/pg_restore" -l "$file" > "$dir/toc" 2>/dev/null; then
    grep -q ' TABLE public entries ' "$dir/toc" && grep -q ' TABLE public guard_keys ' "$dir/toc" || fail "$1 is an archive of another program. Nothing was changed."
    cp "$file" "$dir/record.dump"; return
  fi
  tar -xf "$file" -C "$dir" manifest.json record.dump packs.tar 2>/dev/null ||
    fail "$1 is not a backup that can be read$([ -n "${PASSPHRASE:-}" ] || echo "; one with a passphrase needs --passphrase FILE"). Nothing was changed."
  grep -q '"sideBench": "backup"' "$dir/manifest.json" || fail "$1 is of another program. Nothing was changed."
  part=$(sed -n 's/.*"format": \([0-9]*\).*/\1/p' "$dir/manifest.json")
  [ "$part" -le "$BACKUP_FORMAT" ] || fail "$1 is of a newer version (format $part, this one reads $BACKUP_FORMAT). Nothing was changed."
  for part in record.dump packs.tar; do
    grep -q "\"$part\": \"$(sha256sum < "$dir/$part" | cut -d' ' -f1)\"" "$dir/manifest.json" || fail "$1 is damaged: $part is not what was written. Nothing was changed."
  done
}

# backup_prove DIR: restores an opened backup into a scratch database and compares it with what its manifest counted.
backup_prove() {
  local dir=$1 scratch="prove_$(date -u +%Y%m%d%H%M%S)_$$" found
  [ -s "$dir/manifest.json" ] || fail "A backup of before this version has no manifest: it can be restored, not proved."
  backup_sql -d postgres -c "CREATE DATABASE $scratch"
  if "$(pg_bin)/pg_restore" --exit-on-error --no-owner -d "$scratch" "$dir/record.dump" 2> "$dir/said"; then
    found=$(PGTZ=UTC backup_sql -d "$scratch" -c "$(backup_counts "$scratch")")
  fi
  backup_sql -d postgres -c "DROP DATABASE $scratch"
  [ -n "${found:-}" ] || fail "It could not be restored: $(tail -n 1 "$dir/said")"
  grep -qF "\"tables\": $found," "$dir/manifest.json" || fail "What was restored is not what was counted when it was made."
}

# backup_finish DATA: a restore that was killed is ended, or undone, before anything else is.
backup_finish() {
  local data=$1 fresh
  [ -s "$data/restoring" ] || return 0
  fresh=$(cat "$data/restoring")
  if [ "$(backup_sql -d postgres -c "SELECT count(*) FROM pg_database WHERE datname = '$fresh'")" = 0 ]; then
    # The record was put in its place: its packs follow.
    if [ -d "$data/packs.$fresh" ]; then
      [ ! -d "$data/packs" ] || mv "$data/packs" "$data/packs.kept.$fresh"
      mv "$data/packs.$fresh" "$data/packs"
    fi
  else
    backup_sql -d postgres -c "DROP DATABASE $fresh"; rm -rf "$data/packs.$fresh"
  fi
  rm -f "$data/restoring"
}

# backup_restore DIR DATA: all or nothing; what was there is kept beside it.
backup_restore() {
  local dir=$1 data=$2 stamp fresh kept
  stamp=$(date -u +%Y%m%d%H%M%S); fresh="restore_$stamp"; kept="kept_$stamp"
  mkdir -p "$data"; echo "$fresh" > "$data/restoring.part"; sync "$data/restoring.part"; mv "$data/restoring.part" "$data/restoring"
  backup_sql -d postgres -c "CREATE DATABASE $fresh"
  "$(pg_bin)/pg_restore" --exit-on-error --no-owner -d "$fresh" "$dir/record.dump" ||
    { backup_finish "$data"; fail "The backup could not be read in full. Nothing was changed."; }
  # Whoever was signed in at the shop that was copied is not signed in here.
  backup_sql -d "$fresh" -c "TRUNCATE guard_keys" -c "DO \$\$ BEGIN IF to_regclass('sign_ins') IS NOT NULL THEN TRUNCATE sign_ins; END IF; END \$\$"
  if [ -s "$dir/packs.tar" ]; then mkdir -p "$data/packs.$fresh"; tar -xf "$dir/packs.tar" -C "$data/packs.$fresh"; fi
  if [ "$(backup_sql -d postgres -c "SELECT count(*) FROM pg_database WHERE datname = '$PGDATABASE'")" = 1 ]; then
    # Both names change at once, or neither does.
    backup_sql -d postgres -c "ALTER DATABASE \"$PGDATABASE\" RENAME TO $kept; ALTER DATABASE $fresh RENAME TO \"$PGDATABASE\""
    say "What was there is kept as database $kept."
  else
    backup_sql -d postgres -c "ALTER DATABASE $fresh RENAME TO \"$PGDATABASE\""
  fi
  backup_finish "$data"
}
