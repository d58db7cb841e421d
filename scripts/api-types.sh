#!/usr/bin/env bash
# Makes the front end's types from the API's own description. With --check: fails when they are stale.
. "$(dirname "$0")/common.sh"
target="$ROOT/web/src/shared/api/generated/schema.d.ts"
out=$(mktemp --suffix=.json); made=$(mktemp --suffix=.d.ts)
(cd "${1:-$BUILD/server}" && SIDEBENCH_DB="Host=127.0.0.1;Port=1" SIDEBENCH_PACKS="$ROOT/packs" dotnet SideBench.Web.dll --describe "$out" >/dev/null)
(cd "$ROOT/web" && npx openapi-typescript "$out" -o "$made" >/dev/null)
if [ "${2:-}" = --check ]; then cmp -s "$made" "$target" || fail "The API changed: run scripts/api-types.sh and commit the types."; exit 0; fi
mkdir -p "$(dirname "$target")"
cp "$made" "$target"
