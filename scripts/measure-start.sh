# Times a warm ./start and reads the server's idle memory. Sourced by sidebench measure.

# measure_start DIR: sets START_S and IDLE_MB.
measure_start() {
  local dir=$1 port began round
  mkdir -p "$dir"
  for round in cold warm; do
    port=$(free_port)
    began=$(date +%s.%N)
    setsid "$ROOT/start" --data "$dir" --port "$port" >/dev/null 2>&1 &
    local starter=$!
    until curl -sf "http://127.0.0.1:$port/health" >/dev/null; do
      kill -0 "$starter" 2>/dev/null || fail "./start ended while it was measured"
      read -rt 0.02 <> <(:) || true
    done
    START_S=$(echo "$(date +%s.%N) $began" | awk '{printf "%.2f", $1 - $2}')
    read -rt 5 <> <(:) || true
    IDLE_MB=$(awk '/VmRSS/ {printf "%.0f", $2 / 1024}' "/proc/$(pgrep -f "SideBench.Web.dll --urls http://127.0.0.1:$port" | head -n 1)/status")
    kill -TERM "$starter"
    wait "$starter" 2>/dev/null || true
  done
}
