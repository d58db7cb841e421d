# The backup of the night: written, proved by restoring, and the old ones thinned out. Sourced after common.sh and backup.sh.
KEEP_DAYS=7 KEEP_WEEKS=5 KEEP_MONTHS=12 AGAIN_AFTER_S=3600

# nightly_kept: names such as side-bench-2026-03-01.backup on standard input; those to keep on standard output: the newest of each of the
# last days, weeks and months that have one.
nightly_kept() {
  local name day week month days=' ' weeks=' ' months=' ' keep
  sort -r | while read -r name; do
    day=${name#side-bench-}; day=${day%.backup}
    week=$(date -u -d "$day" +%G-%V 2>/dev/null) || continue
    month=${day%-*} keep=
    if [[ $days != *" $day "* ]] && [ "$(wc -w <<< "$days")" -lt "$KEEP_DAYS" ]; then days="$days$day " keep=1; fi
    if [[ $weeks != *" $week "* ]] && [ "$(wc -w <<< "$weeks")" -lt "$KEEP_WEEKS" ]; then weeks="$weeks$week " keep=1; fi
    if [[ $months != *" $month "* ]] && [ "$(wc -w <<< "$months")" -lt "$KEEP_MONTHS" ]; then months="$months$month " keep=1; fi
    [ -z "$keep" ] || echo "$name"
  done
}

nightly_names() { find "$1" -maxdepth 1 -type f -name 'side-bench-????-??-??.backup' -printf '%f\n'; }

nightly_thin() {
  local dir=$1 name kept
  kept=$(nightly_names "$dir" | nightly_kept)
  nightly_names "$dir" | while read -r name; do grep -qxF "$name" <<< "$kept" || rm -f -- "$dir/$name"; done
}

# nightly_due DIR HOUR: whether today's is missing, its hour has come, and the last try is not of just now.
nightly_due() {
  local dir=$1 hour=$2
  [ ! -e "$dir/side-bench-$(date +%F).backup" ] || return 1
  [[ ! $(date +%H:%M) < $hour ]] || return 1
  [ ! -e "$dir/last-try.json" ] || [ $(($(date +%s) - $(stat -c %Y "$dir/last-try.json"))) -ge "$AGAIN_AFTER_S" ] ||
    [ "$(stat -c %Y "$dir/last-try.json")" -gt "$(date +%s)" ]
}

nightly_tell() {
  local file=$1 at=$2 name=$3 bytes=$4 said=$5
  printf '{"at": "%s", "file": "%s", "bytes": %s, "said": "%s"}\n' "$at" "$name" "$bytes" "$(tr -d '\000-\037"\\' <<< "$said" | cut -c 1-300)" > "$file.part" &&
    chmod a+r "$file.part" && mv "$file.part" "$file"
}

# nightly_once DIR PACKS: today's backup; where it stands is told in DIR/last-try.json and DIR/last-proved.json. One at a time.
nightly_once() (
  dir=$1 packs=$2 name=side-bench-$(date +%F).backup at=$(date -u +%FT%TZ)
  # The folder may be looked into, and what is told of backups read, by the server's own user; the backups themselves by nobody else.
  mkdir -p "$dir" && umask 077 && exec 8> "$dir/.lock" || fail "The backup folder $dir cannot be written."
  flock -n 8 || { say "A backup is being written to $dir already."; exit 0; }
  said=$(nightly_do "$dir" "$packs" "$name" 2>&1) || {
    # A backup that cannot be proved is none: it keeps no name that counts.
    [ ! -e "$dir/$name" ] || mv "$dir/$name" "$dir/unproved-$name"
    nightly_tell "$dir/last-try.json" "$at" "$name" 0 "${said:-It ended before it was written.}" || true
    fail "$at The backup of the night failed: $said"
  }
  rm -f "$dir/unproved-$name"
  nightly_thin "$dir"
  nightly_tell "$dir/last-proved.json" "$at" "$name" "$(stat -c %s "$dir/$name")" ""
  cp -p "$dir/last-proved.json" "$dir/last-try.json.part"; mv "$dir/last-try.json.part" "$dir/last-try.json"
)

nightly_do() (
  dir=$1
  backup_write "$dir/$3" "$2" || exit 1
  opened=$(mktemp -d "$dir/.proving.XXXXXX"); trap 'rm -rf "$opened"' EXIT
  backup_open "$dir/$3" "$opened" || exit 1
  backup_prove "$opened"
)
