# Shared by bin/start and bin/test: what the machine must have, and a PostgreSQL of our own on loopback.
# shellcheck shell=bash

say() { printf '%s\n' "$*" >&2; }
die() { say "$*"; exit 1; }

export ASTRO_TELEMETRY_DISABLED=1 LC_ALL=C.UTF-8

# Installs Debian packages as root; tells a normal user the one command to run.
need_packages() {
  [ "$(id -u)" -eq 0 ] || die "Missing: $*. Run once: sudo apt-get update && sudo apt-get install -y $*"
  say "Installing $* (Debian)"
  if [ ! -e /etc/postgresql-common/createcluster.conf ]; then
    mkdir -p /etc/postgresql-common
    echo 'create_main_cluster = false' >/etc/postgresql-common/createcluster.conf
  fi
  DEBIAN_FRONTEND=noninteractive apt-get update -qq >&2
  DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "$@" >&2
}

# Newest PostgreSQL programs that Debian has put on this machine.
find_postgres() {
  PG_BIN=$(ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -n 1)
  [ -n "$PG_BIN" ] && [ -x "$PG_BIN/initdb" ]
}

need_postgres() {
  find_postgres || need_packages postgresql
  find_postgres || die "PostgreSQL was installed but its programs are not in /usr/lib/postgresql"
}

need_node() {
  command -v node >/dev/null || die "Node.js 20.20 or newer is needed and is not on the PATH"
  node -e 'const [a,b]=process.versions.node.split(".").map(Number);process.exit(a>20||(a===20&&b>=20)?0:1)' ||
    die "Node.js 20.20 or newer is needed; this is $(node --version)"
}

# npm packages as the lock file has them, once for each lock file.
need_node_modules() {
  local want
  want=$(sha256sum package-lock.json | cut -c1-64)
  [ "$(cat node_modules/.lock-stamp 2>/dev/null)" = "$want" ] && return
  say "Installing npm packages"
  npm ci --loglevel=error >&2
  echo "$want" >node_modules/.lock-stamp
}

# Builds when something that goes into the build has changed.
need_build() {
  local want
  # ALLOWED_HOSTS goes into the build as well.
  want=$({
    find src public bin simulators astro.config.ts package-lock.json tsconfig.json -type f ! -name '*.test.ts' -print0 | sort -z |
      xargs -0 sha256sum
    echo "${ALLOWED_HOSTS:-}"
  } | sha256sum | cut -c1-64)
  [ "$(cat dist/.stamp 2>/dev/null)" = "$want" ] && return
  say "Building"
  rm -rf dist
  { NODE_ENV=production npx --no-install astro build && node bin/bundle.mjs; } >"$STATE_LOG" 2>&1 || { tail -n 40 "$STATE_LOG" >&2; die "The build failed"; }
  echo "$want" >dist/.stamp
}

# Runs a PostgreSQL program as a user it accepts: itself for a normal user, postgres for root.
as_pg() {
  if [ "$(id -u)" -eq 0 ]; then (cd / && runuser -u postgres -- "$@"); else "$@"; fi
}

free_port() {
  node -e 'const s=require("net").createServer();s.listen(0,"127.0.0.1",()=>{console.log(s.address().port);s.close()})'
}

# port_is_free HOST PORT
port_is_free() {
  node -e 'require("net").createServer().on("error",e=>process.exit(e.code==="EADDRINUSE"?1:0)).listen(+process.argv[2],process.argv[1],()=>process.exit(0))' "$1" "$2"
}

# make_cluster DIR: a new cluster in DIR/data with a random password in DIR/password.
make_cluster() {
  local dir=$1
  # A first start that was cut off leaves no mark; begin again.
  rm -rf "$dir/data"
  as_pg sh -c "umask 077; od -An -N24 -tx1 /dev/urandom | tr -d ' \n' > '$dir/password'"
  as_pg "$PG_BIN/initdb" -D "$dir/data" -U crook --pwfile="$dir/password" --auth=scram-sha-256 \
    --encoding=UTF8 --locale=C.UTF-8 >/dev/null
  as_pg touch "$dir/data/crook-made"
}

cluster_made() { as_pg test -e "$1/data/crook-made"; }
cluster_running() { as_pg "$PG_BIN/pg_ctl" -D "$1/data" status >/dev/null 2>&1; }

# start_cluster DIR [more options]: starts it on a free port (or PG_PORT) and sets PG_URL (without a database name).
start_cluster() {
  local dir=$1 port
  shift
  if cluster_running "$dir"; then
    port=$(as_pg sed -n 4p "$dir/data/postmaster.pid")
  else
    port=${PG_PORT:-$(free_port)}
    as_pg "$PG_BIN/pg_ctl" -D "$dir/data" -w -t 60 -l "$dir/postgres.log" \
      -o "-c listen_addresses=127.0.0.1 -c port=$port -c unix_socket_directories='' -c timezone=UTC $*" start \
      </dev/null >/dev/null || { as_pg tail -n 20 "$dir/postgres.log" >&2; die "PostgreSQL did not start"; }
  fi
  PG_URL="postgres://crook:$(as_pg cat "$dir/password")@127.0.0.1:$port"
}

stop_cluster() { cluster_running "$1" && as_pg "$PG_BIN/pg_ctl" -D "$1/data" -w -t 30 -m fast stop >/dev/null 2>&1; }

# need_database NAME: makes the database if it is not there.
need_database() {
  local there
  there=$("$PG_BIN/psql" -X "$PG_URL/postgres" -tAc "SELECT 1 FROM pg_database WHERE datname = '$1'")
  [ "$there" = 1 ] || "$PG_BIN/psql" -X -q "$PG_URL/postgres" -c "CREATE DATABASE $1"
}
