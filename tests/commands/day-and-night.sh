#!/usr/bin/env bash
# The commands as a shop uses them: begin empty, end, begin again, be killed, back up, restore, export; and a broken pack.
# Prints a line a check; ends with the counts on a line of their own: "checks PASSED FAILED".
. "$(dirname "$0")/../../scripts/common.sh"
passed=0 failed=0
ok() { passed=$((passed + 1)); say "  ok   $1"; }
bad() { failed=$((failed + 1)); say "  FAIL $1"; [ ! -s "$log" ] || sed 's/^/       | /' <(tail -n 30 "$log"); }
holds() { local name=$1; shift; if "$@" >/dev/null 2>&1; then ok "$name"; else bad "$name"; fi; }
refuses() { local name=$1; shift; if "$@" >/dev/null 2>&1; then bad "$name"; else ok "$name"; fi; }

night=$(mktemp -d); is_root && chmod a+x "$night"
data="$night/shop" log="$night/start.log" port=$(free_port) START_PID=
trap '[ -z "$START_PID" ] || kill -TERM "$START_PID" 2>/dev/null || true; wait 2>/dev/null; rm -rf "$night"' EXIT

answers() { (exec 3<>"/dev/tcp/127.0.0.1/$port") 2>/dev/null; }
begin() {
  : > "$log" # What an earlier begin said is not taken for this one's.
  "$ROOT/start" --data "$data" --port "$port" "$@" > "$log" 2>&1 &
  START_PID=$!
  until grep -q 'Ctrl-C stops everything' "$log"; do
    kill -0 "$START_PID" 2>/dev/null || return 1
    pause 0.05
  done
}
end() { kill -TERM "$START_PID"; wait "$START_PID" 2>/dev/null || true; START_PID=; }
lines() { "$ROOT/sidebench" export "$night/out.csv" --data "$data" >/dev/null && wc -l < "$night/out.csv"; }
# becomes STATUS PATH: whether the server comes to answer so; a database that was killed may serve a last request.
becomes() {
  local try
  for try in $(seq 200); do
    http_says "$1" "$port" "$2" && return
    pause 0.1
  done
  return 1
}
# ends_while_starting AFTER: whether a start that is told to end after so many seconds does, and leaves no database behind.
ends_while_starting() {
  local pid try
  "$ROOT/start" --data "$data" --port "$port" >/dev/null 2>&1 & pid=$!
  pause "$1"; kill -TERM "$pid"
  for try in $(seq 600); do kill -0 "$pid" 2>/dev/null || break; pause 0.1; done
  ! kill -0 "$pid" 2>/dev/null || { kill -KILL "$pid"; return 1; }
  wait "$pid" 2>/dev/null || true
  ! cluster_runs
}
cluster_runs() { [ -f "$data/pg/postmaster.pid" ] && alive "$(sed -n 1p "$data/pg/postmaster.pid")"; }

holds "an empty shop begins" begin --empty
holds "its console shows a one-time code" grep -qE 'One-time code for the owner.s account: [A-Z2-9]{4}-[A-Z2-9]{4}' "$log"
holds "the database listens on loopback only" grep -q '^127.0.0.1$' <(sed -n 6p "$data/pg/postmaster.pid")
refuses "the same records are not opened twice" "$ROOT/start" --data "$data" --port "$(free_port)" --empty
refuses "a restore over a running shop" "$ROOT/sidebench" restore "$log" --data "$data"
end
refuses "nothing listens after the end" answers
refuses "no database is left running" cluster_runs

rm -rf "$data"
holds "the demo begins" begin
end
before=$(lines)
holds "the demo has its record" [ "$before" -gt 1000 ]
holds "it begins again" begin
kill -KILL "$START_PID"; wait "$START_PID" 2>/dev/null || true; START_PID=
holds "it begins again after being killed" begin
holds "the server is well" http_says 200 "$port" /health
server_pid() { pgrep -f "SideBench.Web.dll --urls http://127.0.0.1:$port " | head -n 1; }
own=$(server_user "$BUILD/server/SideBench.Web.dll" "$data/packs" "$(command -v dotnet)")
holds "the server runs as its own user, where root starts it" [ "$(stat -c %U "/proc/$(server_pid)")" = "${own:-$(id -un)}" ]
kill -KILL "$(sed -n 1p "$data/pg/postmaster.pid")"
holds "without its database it says so, and lives" becomes 503 /health
holds "a database that died is brought back" becomes 200 /api/session
holds "and its end is told" grep -q 'The database ended' "$log"
kill -KILL "$(server_pid)"
holds "so is a server that died" becomes 200 /health
holds "and that is told" grep -q 'The server ended' "$log"
end
holds "told to end while its database starts, it ends" ends_while_starting 0.6
holds "and while its server starts" ends_while_starting 2.5
refuses "a port that is none" "$ROOT/start" --data "$night/none" --port 99999
refuses "nor 0" "$ROOT/start" --data "$night/none" --port 0
"$ROOT/start" --data /proc/none > "$night/said" 2>&1 || true
holds "a folder that cannot be written is told as one" grep -q 'cannot be written: name another' "$night/said"
# A database that was killed, and that nobody has buried: its number is taken as long.
coproc GRAVE { as_postgres perl -e '$| = 1; my $dead = fork // die; exit unless $dead; print "$dead\n"; <STDIN>'; }
read -r dead <&"${GRAVE[0]}"
printf '%s\n' "$dead" "$data/pg" 0 5432 "" 127.0.0.1 > "$data/pg/postmaster.pid"
holds "beside a killed database that nobody buries, it begins" begin
kill -TERM "$GRAVE_PID" 2>/dev/null || true
end
holds "every line is there, once" [ "$(lines)" = "$before" ]

mkdir -p "$data/packs/ours"; echo '{ "id": "ours", "name": "Ours", "version": 1, "format": 1 }' > "$data/packs/ours/pack.json"
holds "a backup is written" "$ROOT/sidebench" backup "$night/shop.backup" --data "$data"
holds "nobody but its owner reads it" [ "$(stat -c %a "$night/shop.backup")" = 600 ]
tar -xf "$night/shop.backup" -C "$night" record.dump manifest.json
holds "the keys behind cookies are not in it" [ "$("$(pg_bin)/pg_restore" -l "$night/record.dump" | grep -c 'TABLE DATA public guard_keys')" = 0 ]
holds "it is proved: restored beside, and as it was counted" "$ROOT/sidebench" prove "$night/shop.backup"
sed 's/"format": 1/"format": 9/' "$night/manifest.json" > "$night/newer.json"
tar -xf "$night/shop.backup" -C "$night" packs.tar; mkdir "$night/newer"; cp "$night/newer.json" "$night/newer/manifest.json"
cp "$night/record.dump" "$night/packs.tar" "$night/newer/"
tar -C "$night/newer" -cf "$night/newer.backup" manifest.json record.dump packs.tar
refuses "a backup of a newer version" "$ROOT/sidebench" restore "$night/newer.backup" --data "$night/elsewhere"
cp "$night/manifest.json" "$night/newer/"; printf x | dd of="$night/newer/record.dump" bs=1 seek=4000 conv=notrunc 2>/dev/null
tar -C "$night/newer" -cf "$night/damaged.backup" manifest.json record.dump packs.tar
refuses "a damaged backup" "$ROOT/sidebench" restore "$night/damaged.backup" --data "$night/elsewhere"
sed 's/"entries" : \[[0-9]*/"entries" : [1/' "$night/manifest.json" > "$night/newer/manifest.json"; cp "$night/record.dump" "$night/newer/"
tar -C "$night/newer" -cf "$night/other.backup" manifest.json record.dump packs.tar
refuses "a backup that is not what was counted is not proved" "$ROOT/sidebench" prove "$night/other.backup"
# By night: at its hour, proved, the old ones thinned; while one runs another does not; a folder with no room tells so and keeps what it has.
nights="$night/nights"; mkdir -p "$nights"
for ago in $(seq 1 60); do : > "$nights/side-bench-$(date -d "-$ago days" +%F).backup"; done
proved_at_night() {
  local try
  for try in $(seq 600); do [ -s "$nights/last-proved.json" ] && return; pause 0.1; done
  return 1
}
holds "it begins with a backup each night" begin --nightly 00:00 --backups "$nights"
holds "which is written and proved" proved_at_night
holds "today's is there, for its owner alone" [ "$(stat -c %a "$nights/side-bench-$(date +%F).backup")" = 600 ]
holds "of the old ones those of 7 days, 5 weeks and 3 months are kept" [ "$(find "$nights" -name 'side-bench-*.backup' | wc -l)" -le 13 ]
holds "and no fewer" [ "$(find "$nights" -name 'side-bench-*.backup' | wc -l)" -ge 11 ]
rm -f "$nights/side-bench-$(date +%F).backup"
cp "$nights/last-proved.json" "$night/proved-before"
refuses "without room for it" env DOTNET_EnableWriteXorExecute=0 bash -c "ulimit -f 200; '$ROOT/sidebench' nightly '$nights' --data '$data'"
holds "the reason is told" grep -q '"said": "[^"]' "$nights/last-try.json"
holds "and the last proved one still counts" cmp "$nights/last-proved.json" "$night/proved-before"
end
(exec 7> "$nights/.lock"; flock 7; "$ROOT/sidebench" nightly "$nights" --data "$data" > "$night/second" 2>&1)
holds "two at once are one" grep -q 'is being written' "$night/second"
holds "by hand it is as good" "$ROOT/sidebench" nightly "$nights" --data "$data"
# A piece of the log that was copied, and of which the database never heard so, is no failure; another one of its name is.
. "$ROOT/scripts/shipping.sh"
mkdir -p "$night/pieces/log"; echo one > "$night/piece"; echo two > "$night/other"
ships() { local ask; ask=$(ship_options "$night/pieces" | sed -n 's/^archive_command=//p'); ask=${ask//%p/$1}; bash -c "${ask//%f/000A}"; }
holds "a piece of the log is shipped" ships "$night/piece"
holds "and is done when it is shipped already" ships "$night/piece"
refuses "another of its name is refused" ships "$night/other"
holds "and the first one stays" cmp "$night/piece" "$night/pieces/log/000A"
# The log is shipped: the disk is lost, and the record comes back as it was at a moment between two lines.
shipped="$night/shipped"
holds "it begins with its log shipped" begin --ship --backups "$shipped"
"$ROOT/sidebench" new-code "Mika Sund" --data "$data" >/dev/null
between=$(date -u '+%F %T.%N')
"$ROOT/sidebench" new-code "Mika Sund" --data "$data" >/dev/null
port_of() { sed -n 4p "$data/pg/postmaster.pid"; }
sql() { PGPASSWORD=$(cat "$data/secret") "$(pg_bin)/psql" -h 127.0.0.1 -p "$(port_of)" -U sidebench -d sidebench -Atqc "$1"; }
piece=$(sql "SELECT pg_walfile_name(pg_switch_wal())")
for try in $(seq 200); do [ -s "$shipped/log/$piece" ] && break; pause 0.1; done
kill -KILL "$START_PID" "$(sed -n 1p "$data/pg/postmaster.pid")"; wait "$START_PID" 2>/dev/null || true; START_PID=
holds "it comes back as it was between two lines" "$ROOT/sidebench" recover "$shipped" "$between" --data "$night/recovered"
holds "with the line before, and not the one after" [ "$(data="$night/recovered" lines)" = "$((before + 1))" ]
refuses "not over a record" "$ROOT/sidebench" recover "$shipped" "$between" --data "$night/recovered"
refuses "nor of before the first copy" "$ROOT/sidebench" recover "$shipped" "2020-01-01 00:00" --data "$night/older"
before=$((before + 2))
"$ROOT/sidebench" export "$night/out.csv" --data "$data" >/dev/null
"$ROOT/sidebench" backup "$night/shop.backup" --data "$data" >/dev/null
echo 'five plain words of ours' > "$night/words"; echo 'other words' > "$night/wrong"
command -v systemd-analyze >/dev/null || install systemd
holds "the unit for systemd is one" systemd-analyze verify "$ROOT/docs/side-bench.service"
sed "s/^ExecStart=.*//" "$ROOT/docs/side-bench.service" > "$night/broken.service"
refuses "and a broken one would not be" systemd-analyze verify "$night/broken.service"
holds "a backup is locked by words" "$ROOT/sidebench" backup "$night/locked.backup" --data "$data" --passphrase "$night/words"
refuses "it opens with no others" "$ROOT/sidebench" prove "$night/locked.backup" --passphrase "$night/wrong"
holds "and with them" "$ROOT/sidebench" prove "$night/locked.backup" --passphrase "$night/words"
holds "it is restored elsewhere" "$ROOT/sidebench" restore "$night/shop.backup" --data "$night/elsewhere"
holds "what is restored is what was backed up" bash -c "'$ROOT/sidebench' export '$night/back.csv' --data '$night/elsewhere' && cmp '$night/out.csv' '$night/back.csv'"
holds "the shop's own packs are back" [ -s "$night/elsewhere/packs/ours/pack.json" ]
# Killed in the middle: what was there is there, or what was restored is, whole.
setsid "$ROOT/sidebench" restore "$night/shop.backup" --data "$data" >/dev/null 2>&1 &
killed=$!
until [ -s "$data/restoring" ] || ! kill -0 "$killed" 2>/dev/null; do pause 0.01; done
kill -KILL -- "-$killed" 2>/dev/null || true; wait "$killed" 2>/dev/null || true
holds "after a restore that was killed it begins" begin
end
holds "with every line, once" [ "$(lines)" = "$before" ]
holds "and nothing half done beside it" [ ! -e "$data/restoring" ]
rm -rf "$data/packs/ours"
refuses "a file that is no backup" "$ROOT/sidebench" restore "$night/out.csv" --data "$night/elsewhere"
refuses "an export without a known ending" "$ROOT/sidebench" export "$night/out.txt" --data "$data"

"$ROOT/sidebench" measure diagnosis --jobs 18 --markdown "$night/advice.md" >/dev/null
holds "the advice is measured on a true and on a disturbed book" [ "$(grep -c '^| advice |' "$night/advice.md")" = 2 ]
"$ROOT/sidebench" measure own --machines 2 --markdown "$night/own.md" >/dev/null
holds "advice on a machine of which the kind alone is known is measured" grep -q '^| the kind alone |' "$night/own.md"
refuses "a measure that is none" "$ROOT/sidebench" measure nothing

cases="$ROOT/tests/cases/nozzles"
sheet() { local code=0; "$ROOT/sidebench" read-sheet "$@" > "$night/sheet.json" 2>/dev/null || code=$?; [ "$code" = "$want" ]; }
want=0 holds "a nozzle sheet is read" sheet --layout "$cases/layouts/dune-2.json" --image "$cases/p11.jpg"
holds "as the open format has it" grep -q '"pattern": "scattered"' "$night/sheet.json"
want=3 holds "a sheet of another layout is refused" sheet --layout "$cases/layouts/alder-4.json" --image "$cases/p11.jpg"
want=2 holds "what is no picture is bad input" sheet --layout "$cases/layouts/alder-4.json" --image "$cases/layouts/alder-4.json"
want=2 holds "what is no layout is bad input" sheet --layout "$cases/p11.truth.json" --image "$cases/p11.jpg"
mkdir -p "$night/set/layouts"; cp "$cases/p11.jpg" "$night/set/"; cp "$cases/layouts/dune-2.json" "$night/set/layouts/"
echo '{ "set": "one", "layouts": "layouts", "images": [{ "image": "p11.jpg", "layout": "dune-2" }] }' > "$night/set/manifest.json"
want=0 holds "a set is read" sheet --set "$night/set" --out "$night/results"
holds "one result each" grep -q '"status": "read"' "$night/results/p11.json"

teach() { local code=0; "$ROOT/sidebench" teach-sheet "$@" > "$night/taught.json" 2> "$night/taught.log" || code=$?; [ "$code" = "$want" ]; }
want=0 holds "a layout is taught by a picture" teach --image "$cases/p05.jpg" --id alder-three
holds "in the open format" grep -q '"format": "nozzle-sheet-layout"' "$night/taught.json"
holds "what it doubts is said" grep -q '^Doubt:' "$night/taught.log"
holds "and what it cannot know" grep -q '^Not known: Where does numbering start' "$night/taught.log"
want=0 holds "a sheet is read with it" sheet --layout "$night/taught.json" --image "$cases/p05.jpg"
want=3 holds "names that are too many refuse it" teach --image "$cases/p05.jpg" --names K,C,M,Y,LC
want=3 holds "too many gaps refuse it" teach --image "$cases/p01.jpg"
holds "with the reason" grep -q 'Too many dashes are missing to see the rule' "$night/taught.log"
want=2 holds "what is no picture teaches nothing" teach --image "$cases/layouts/dune-2.json"
want=2 holds "nor does a page of no size" teach --image "$cases/p05.jpg" --page 210

mkdir -p "$data/packs/mine/book"
echo '{ "id": "mine", "name": "Mine", "version": 1, "format": 1 }' > "$data/packs/mine/pack.json"
echo '{ "rules": [ { "id": "x", "name": "X", "when": { "context": "ink", "is": ["maker"] }, "causes": ["no-such-cause"], "factor": "more", "why": "w" } ] }' > "$data/packs/mine/book/rules.json"
refuses "a broken pack stops the start" begin
holds "and is placed" grep -q 'mine/book/rules.json#/rules/0/causes/0' "$log"
say "checks $passed $failed"
[ "$failed" -eq 0 ]
