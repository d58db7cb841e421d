#!/usr/bin/env bash
# Makes docs/screenshots anew from the demo, on a scratch database.
. "$(dirname "$0")/common.sh"
need_tools; need_postgres
command -v chromium >/dev/null || install chromium
build_web; build_server
scratch=$(mktemp -d); is_root && chmod a+x "$scratch"
SERVER_PID=
trap '[ -z "$SERVER_PID" ] || { kill -TERM "$SERVER_PID"; wait "$SERVER_PID" 2>/dev/null || true; }; cluster_stop; rm -rf "$scratch"' EXIT
cluster_make "$scratch"; cluster_start "$scratch"; database_make "$scratch" pictures
port=$(free_port)
export SIDEBENCH_PACKS="$ROOT/packs"
(cd "$BUILD/server" && SIDEBENCH_DB=$(connection "$scratch" pictures) exec dotnet SideBench.Web.dll --urls "http://127.0.0.1:$port" \
  --contentRoot "$BUILD/server" --Logging:LogLevel:Default=Warning --demo) >/dev/null 2>&1 &
SERVER_PID=$!
until (exec 3<>"/dev/tcp/127.0.0.1/$port") 2>/dev/null; do read -rt 0.05 <> <(:) || true; done
mkdir -p "$ROOT/docs/screenshots"
cd "$ROOT/web" && node pictures.mjs "http://127.0.0.1:$port" "$ROOT/docs/screenshots" "$@"
