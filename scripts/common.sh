# What start, test and sidebench share. Sourced, not run.
set -euo pipefail
ROOT=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
BUILD="$ROOT/.build"
export DOTNET_CLI_TELEMETRY_OPTOUT=1 TESTINGPLATFORM_TELEMETRY_OPTOUT=1 DOTNET_NOLOGO=1

say() { printf '%s\n' "$*"; }
fail() { printf '%s\n' "$*" >&2; exit 1; }
# pause SECONDS: without a process of its own; a signal that is waited for ends it.
exec {IDLE}<> <(:)
pause() { read -rt "$1" -u "$IDLE" || true; }
is_root() { [ "$(id -u)" -eq 0 ]; }

need_tools() {
  command -v setpriv >/dev/null && command -v flock >/dev/null || fail "util-linux is missing."
  command -v dotnet >/dev/null || fail "The .NET SDK 10 is missing: install it, then start again."
  command -v npm >/dev/null || fail "Node.js 20 with npm is missing: install it, then start again."
}

# install PACKAGE...: Debian packages, when we may; else says which.
install() {
  is_root || fail "Missing Debian package: $*. Install it with: apt-get install $*"
  say "Installing $* ..."
  export DEBIAN_FRONTEND=noninteractive
  apt-get -o DPkg::Lock::Timeout=500 update -qq
  apt-get -o DPkg::Lock::Timeout=500 install -y -qq "$@" >/dev/null
}

pg_bin() { find /usr/lib/postgresql -mindepth 3 -maxdepth 3 -name initdb 2>/dev/null | sort -V | tail -n 1 | xargs -r dirname; }

need_postgres() {
  [ -n "$(pg_bin)" ] && return
  if is_root; then
    # We start our own cluster; Debian's must not be made and started beside it.
    mkdir -p /etc/postgresql-common
    [ -e /etc/postgresql-common/createcluster.conf ] || echo "create_main_cluster = false" > /etc/postgresql-common/createcluster.conf
  fi
  install postgresql
}

# The database server never runs as root: a root shell hands it to the postgres user.
as_postgres() {
  if is_root; then setpriv --reuid=postgres --regid=postgres --init-groups "$@"; else "$@"; fi
}

# server_user FILE...: the user that the server runs as when root starts it: one of its own, that can read these files; empty for whoever starts it.
server_user() {
  local file
  is_root || return 0
  getent passwd side-bench >/dev/null || useradd --system --no-create-home --home-dir /nonexistent --shell /usr/sbin/nologin side-bench 2>/dev/null || return 0
  for file in "$@"; do setpriv --reuid=side-bench --regid=side-bench --clear-groups test -r "$file" || return 0; done
  echo side-bench
}

# Below the ports that the system hands out to outgoing connections: none of ours is taken, or answers itself, by chance.
free_port() {
  local port
  while :; do
    port=$((10000 + RANDOM % 20000))
    (exec 3<>"/dev/tcp/127.0.0.1/$port") 2>/dev/null || { echo "$port"; return; }
  done
}

# http_says STATUS PORT PATH: whether a server on loopback answers so.
http_says() {
  local line=
  (
    exec 3<>"/dev/tcp/127.0.0.1/$2" || exit 1
    printf 'GET %s HTTP/1.0\r\nHost: 127.0.0.1\r\n\r\n' "$3" >&3
    read -rt 20 line <&3
    [[ $line == *" $1 "* ]]
  ) 2>/dev/null
}

# cluster_make DIR: a new cluster in DIR/pg, unless it is there. Its superuser is sidebench, with a password in DIR/secret.
cluster_make() {
  local dir=$1
  [ -s "$dir/pg/PG_VERSION" ] && return
  mkdir -p "$dir"
  (umask 077; head -c 24 /dev/urandom | base64 | tr -d '/+=' > "$dir/secret")
  rm -rf "$dir/pg"
  mkdir -p "$dir/pg"
  local pw; pw=$(mktemp); cat "$dir/secret" > "$pw"
  if is_root; then chown postgres: "$dir/pg" "$pw"; fi
  chmod 700 "$dir/pg"
  (cd / && as_postgres "$(pg_bin)/initdb" -D "$dir/pg" -U sidebench -E UTF8 --locale=C.UTF-8 \
    --auth-local=scram-sha-256 --auth-host=scram-sha-256 --pwfile="$pw" >/dev/null)
  rm -f "$pw"
}

# alive PID: whether it runs. One that has ended and that nobody has buried yet does not.
alive() { kill -0 "$1" 2>/dev/null && ! grep -qs '^State:[[:space:]]*Z' "/proc/$1/status"; }

# unlock_grave DIR: a killed database that nobody buries keeps its lock file's number taken, and PostgreSQL takes it for a living one.
# It is given time; after that its lock is set aside, if none of its own processes is left at work there.
unlock_grave() {
  local lock="$1/pg/postmaster.pid" pid try
  pid=$(sed -n 1p "$lock" 2>/dev/null) && [ -n "$pid" ] || return 0
  for try in $(seq 50); do
    kill -0 "$pid" 2>/dev/null && ! alive "$pid" || return 0
    pause 0.1
  done
  for try in $(seq 50); do
    [ -n "$(find /proc/[0-9]*/cwd -maxdepth 0 -lname "$(readlink -f "$1/pg")" -print -quit 2>/dev/null)" ] || { rm -f "$lock"; return 0; }
    pause 0.1
  done
}

# cluster_start DIR [postgres option...]: starts it on loopback; sets PG_PORT and PG_PID. One that a killed start left running is taken over.
cluster_start() {
  local dir=$1; shift
  local try
  if [ -f "$dir/pg/postmaster.pid" ]; then
    PG_PID=$(sed -n 1p "$dir/pg/postmaster.pid"); PG_PORT=$(sed -n 4p "$dir/pg/postmaster.pid")
    for try in 1 2 3; do
      alive "$PG_PID" || break
      if cluster_answers "$PG_PORT"; then return; fi
    done
    unlock_grave "$dir"
  fi
  for try in 1 2 3 4 5; do
    # Whoever is connected finds it again where it was.
    [ -n "${SUPERVISED:-}" ] || PG_PORT=$(free_port)
    ( cd / && exec setsid $(is_root && echo "setpriv --reuid=postgres --regid=postgres --init-groups") "$(pg_bin)/postgres" -D "$dir/pg" \
        -c listen_addresses=127.0.0.1 -c "port=$PG_PORT" -c unix_socket_directories= -c shared_buffers=256MB -c jit=off "$@" ) >> "$dir/pg.log" 2>&1 9>&- &
    PG_PID=$!
    while alive "$PG_PID"; do
      cluster_answers "$PG_PORT" && return
      pause 0.05
    done
  done
  tail -n 20 "$dir/pg.log" >&2
  [ -z "${SUPERVISED:-}" ] || return 1
  fail "The database would not start; its log is $dir/pg.log"
}

cluster_answers() { "$(pg_bin)/pg_isready" -q -h 127.0.0.1 -p "$1"; }

cluster_stop() {
  [ -n "${PG_PID:-}" ] || return 0
  kill -INT "$PG_PID" 2>/dev/null || true
  # Our own child is waited for; one that was taken over is no child of ours.
  wait "$PG_PID" 2>/dev/null || true
  while alive "$PG_PID"; do pause 0.05; done
  PG_PID=
}

# connection DIR NAME: the connection string to a database of the cluster. Some of its hundred connections are left for backups and upkeep.
connection() {
  echo "Host=127.0.0.1;Port=$PG_PORT;Username=sidebench;Password=$(cat "$1/secret");Database=$2;Include Error Detail=false;Maximum Pool Size=80"
}

database_make() {
  local dir=$1 name=$2
  export PGPASSWORD; PGPASSWORD=$(cat "$dir/secret")
  [ "$("$(pg_bin)/psql" -h 127.0.0.1 -p "$PG_PORT" -U sidebench -d postgres -Atc "SELECT count(*) FROM pg_database WHERE datname = '$name'")" = 1 ] ||
    "$(pg_bin)/createdb" -h 127.0.0.1 -p "$PG_PORT" -U sidebench "$name"
}

# stale MARK PATH...: whether any file below the paths is newer than the mark.
stale() {
  local mark=$1; shift
  [ -e "$mark" ] || return 0
  [ -n "$(find "$@" -newer "$mark" -type f -not -path '*/obj/*' -not -path '*/bin/*' -not -path '*/wwwroot/*' -not -path '*/node_modules/*' -print -quit)" ]
}

web_packages() {
  mkdir -p "$BUILD"
  if stale "$BUILD/npm" "$ROOT/web/package-lock.json"; then
    (cd "$ROOT/web" && npm ci --no-audit --no-fund --loglevel=error)
    touch "$BUILD/npm"
  fi
}

build_web() {
  web_packages
  if stale "$BUILD/web" "$ROOT/web/src" "$ROOT/web/index.html" "$ROOT/web/vite.config.ts" "$ROOT/web/package-lock.json"; then
    (cd "$ROOT/web" && npx vite build --logLevel warn)
    touch "$BUILD/web"
  fi
}

build_server() {
  if stale "$BUILD/server.mark" "$ROOT/src" "$ROOT/packs" "$ROOT/Directory.Build.props" "$ROOT/Directory.Packages.props" "$BUILD/web"; then
    dotnet publish "$ROOT/src/SideBench.Cli" -c Release -o "$BUILD/server" -v q --nologo
    dotnet "$BUILD/server/SideBench.Cli.dll" known-packs "$ROOT/packs"
    rm -rf "$BUILD/server/wwwroot"
    cp -r "$ROOT/src/SideBench.Web/wwwroot" "$BUILD/server/wwwroot"
    touch "$BUILD/server.mark"
  fi
}

default_data() { if is_root; then echo /var/lib/side-bench; else echo "${XDG_DATA_HOME:-$HOME/.local/share}/side-bench"; fi; }
