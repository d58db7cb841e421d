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
trap '[ -z "$START_PID" ] || kill -TERM "$START_PID" 2>/dev/null; wait 2>/dev/null; rm -rf "$night"' EXIT

answers() { (exec 3<>"/dev/tcp/127.0.0.1/$port") 2>/dev/null; }
begin() {
  : > "$log" # What an earlier begin said is not taken for this one's.
  "$ROOT/start" --data "$data" --port "$port" "$@" > "$log" 2>&1 &
  START_PID=$!
  until grep -q 'Ctrl-C stops everything' "$log"; do
    kill -0 "$START_PID" 2>/dev/null || return 1
    read -rt 0.05 <> <(:) || true
  done
}
end() { kill -TERM "$START_PID"; wait "$START_PID" 2>/dev/null || true; START_PID=; }
lines() { "$ROOT/sidebench" export "$night/out.csv" --data "$data" >/dev/null && wc -l < "$night/out.csv"; }
# becomes STATUS PATH: whether the server comes to answer so; a database that was killed may serve a last request.
becomes() {
  local try
  for try in $(seq 200); do
    http_says "$1" "$port" "$2" && return
    read -rt 0.1 <> <(:) || true
  done
  return 1
}
cluster_runs() { [ -f "$data/pg/postmaster.pid" ] && kill -0 "$(sed -n 1p "$data/pg/postmaster.pid")" 2>/dev/null; }

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
kill -KILL "$(sed -n 1p "$data/pg/postmaster.pid")"
holds "without its database it says so, and lives" becomes 503 /health
holds "and so does its API" becomes 503 /api/session
end
holds "every line is there, once" [ "$(lines)" = "$before" ]

holds "a backup is written" "$ROOT/sidebench" backup "$night/shop.backup" --data "$data"
holds "it is restored elsewhere" "$ROOT/sidebench" restore "$night/shop.backup" --data "$night/elsewhere"
holds "what is restored is what was backed up" bash -c "'$ROOT/sidebench' export '$night/back.csv' --data '$night/elsewhere' && cmp '$night/out.csv' '$night/back.csv'"
refuses "a file that is no backup" "$ROOT/sidebench" restore "$night/out.csv" --data "$night/elsewhere"
refuses "an export without a known ending" "$ROOT/sidebench" export "$night/out.txt" --data "$data"

"$ROOT/sidebench" measure diagnosis --jobs 18 --markdown "$night/advice.md" >/dev/null
holds "the advice is measured on a true and on a disturbed book" [ "$(grep -c '^| advice |' "$night/advice.md")" = 2 ]

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

mkdir -p "$data/packs/mine/book"
echo '{ "id": "mine", "name": "Mine", "version": 1, "format": 1 }' > "$data/packs/mine/pack.json"
echo '{ "rules": [ { "id": "x", "name": "X", "when": { "context": "ink", "is": ["maker"] }, "causes": ["no-such-cause"], "factor": "more", "why": "w" } ] }' > "$data/packs/mine/book/rules.json"
refuses "a broken pack stops the start" begin
holds "and is placed" grep -q 'mine/book/rules.json#/rules/0/causes/0' "$log"
say "checks $passed $failed"
[ "$failed" -eq 0 ]
