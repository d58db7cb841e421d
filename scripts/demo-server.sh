# A server with the demo on a scratch database, ended with the script. Sourced by scripts that show or time it.

# demo_server: sets DEMO_URL.
demo_server() {
  need_tools; need_postgres
  command -v chromium >/dev/null || install chromium
  build_web; build_server
  scratch=$(mktemp -d); is_root && chmod a+x "$scratch"
  SERVER_PID=
  trap '[ -z "$SERVER_PID" ] || { kill -TERM "$SERVER_PID"; wait "$SERVER_PID" 2>/dev/null || true; }; cluster_stop; rm -rf "$scratch"' EXIT
  cluster_make "$scratch"; cluster_start "$scratch"; database_make "$scratch" demo
  local port; port=$(free_port)
  DEMO_URL="http://127.0.0.1:$port"
  (cd "$BUILD/server" && SIDEBENCH_PACKS="$ROOT/packs" SIDEBENCH_DB=$(connection "$scratch" demo) exec dotnet SideBench.Web.dll \
    --urls "$DEMO_URL" --contentRoot "$BUILD/server" --Logging:LogLevel:Default=Warning --demo) >/dev/null 2>&1 &
  SERVER_PID=$!
  until (exec 3<>"/dev/tcp/127.0.0.1/$port") 2>/dev/null; do read -rt 0.05 <> <(:) || true; done
}
