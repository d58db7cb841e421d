#!/usr/bin/env bash
# Makes docs/screenshots anew from the demo, on a scratch database.
. "$(dirname "$0")/common.sh"
. "$ROOT/scripts/demo-server.sh"
demo_server
mkdir -p "$ROOT/docs/screenshots"
cd "$ROOT/web" && node pictures.mjs "$DEMO_URL" "$ROOT/docs/screenshots" "$@"
